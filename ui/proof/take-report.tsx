'use client';
import { useId, useState } from 'react';
import { useTranslations } from '#translations';
import { useKeptText } from '../client/use-kept-text';
import { useSave } from '../client/use-save';
import { faultOfFiles, textFile } from '../intake/readings/reading-inputs';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { Notice } from '../kit/notice';
import { PictureButton } from '../pictures/picture-button';
import { ReadingProgress } from '../pictures/reading-progress';
import { isPicture } from '../pictures/smaller-picture';
import { useFilesByHand } from '../pictures/use-files-by-hand';
import { usePictures } from '../pictures/use-pictures';
import { WordsToCheck } from '../pictures/words-to-check';
import { FromScreen } from './from-screen';

type Taken = { held: true } | { held: false; reading: number; sentence: string };

/** Takes the machine's new report: dropped, chosen or pasted; one that may not be this machine's is kept apart. */
export function TakeReport() {
  const t = useTranslations('proof');
  const tIntake = useTranslations('intake');
  const { job } = useJob();
  const id = useId();
  const [text, setText, letGo] = useKeptText(`fenbrik.proof.${job.id}`, '');
  const [apart, setApart] = useState<Extract<Taken, { held: false }> | null>(null);
  const { busy: reading, sentence, save } = useSave();
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (file: File): Promise<boolean> => {
    setWrong(null);
    const result = await save<Taken>('POST', `/api/jobs/${job.id}/proof`, file);
    if (!result.ok) return false;
    setApart(result.value.held ? null : result.value);
    setText('');
    letGo();
    return true;
  };
  const pictures = usePictures('proof');
  const busy = reading || pictures.busy;
  const takeFile = async (file: File | undefined) => {
    if (file === undefined) return;
    if (isPicture(file)) {
      setWrong(null);
      await pictures.add(file);
      return;
    }
    const large = faultOfFiles(tIntake, [file]);
    if (large === null) await take(file);
    else setWrong(large);
  };
  const { isOver, onPaste, ...drop } = useFilesByHand(([file]) => void takeFile(file));
  return (
    <div
      {...drop}
      className={`bg-sheet border-2 rounded-notch px-4 py-3 grid gap-2 ${isOver ? 'border-act border-dashed' : 'border-edge'}`}
    >
      <label htmlFor={id} className="text-base font-semibold wide">
        {t('take.label')}
      </label>
      <textarea
        id={id}
        rows={4}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={onPaste}
        spellCheck={false}
        placeholder={t('take.hint')}
        className={INPUT_LOOK}
      />
      <div className="flex items-center gap-3 flex-wrap">
        <Button
          weight="act"
          disabled={busy || text.trim() === ''}
          onClick={() => void take(textFile(t('take.name'), text))}
        >
          {t('compare')}
        </Button>
        <FileButton fileLabel={t('take.file')} disabled={busy} onFiles={([file]) => void takeFile(file)}>
          {t('take.choose')}
        </FileButton>
        <PictureButton touchOnly disabled={busy} onPicture={(file) => void takeFile(file)}>
          {t('take.photo')}
        </PictureButton>
      </div>
      <ReadingProgress progress={pictures.progress} />
      <Fault sentence={wrong ?? sentence ?? pictures.sentence} />
      <WordsToCheck
        station="proof"
        pictures={pictures}
        busy={busy}
        onRead={(picture, words) => take(textFile(picture.name.slice(0, 150), words))}
      />
      {apart !== null && <Apart {...apart} onDone={() => setApart(null)} />}
      <FromScreen />
    </div>
  );
}

/** A report that may not be this machine’s, which is kept apart. */
function Apart({ sentence, reading, onDone }: Extract<Taken, { held: false }> & { onDone: () => void }) {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { busy, sentence: wrong, save } = useSave();
  const confirm = async () => {
    const { ok } = await save('POST', `/api/jobs/${job.id}/proof/confirm`, { reading });
    if (ok) onDone();
  };
  return (
    <Notice tone="mind" live>
      {t.rich('apart.text', {
        sentence,
        e0: () => (
          <Button weight="quiet" disabled={busy} onClick={() => void confirm()}>
            {t('apart.same')}
          </Button>
        ),
        e1: () => (
          <Button weight="quiet" onClick={onDone}>
            {t('apart.leave')}
          </Button>
        ),
        e2: () => <Fault sentence={wrong} />,
      })}
    </Notice>
  );
}
