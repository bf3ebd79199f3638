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

/** Reports that are taken at one time, as many as a job has machines at most. */
const MOST_FILES = 512;

type Taken =
  | { held: true; at: { jobId: number; machine: number }; serial: string }
  | { held: false; reading: number; sentence: string };

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
  const [held, setHeld] = useState<string[]>([]);
  const isSeveral = job.work.machines.length > 1;
  const take = async (file: File): Promise<boolean> => {
    setWrong(null);
    const result = await save<Taken>('POST', `/api/jobs/${job.id}/proof?machine=${job.work.machine}`, file);
    if (!result.ok) return false;
    const taken = result.value;
    setApart(taken.held ? null : taken);
    if (taken.held && isSeveral) setHeld((before) => [...before, taken.serial || String(taken.at.machine)]);
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
  // Of several machines all reports may be dropped at once: each goes to its own.
  const takeFiles = async (files: readonly File[]) => {
    setHeld([]);
    for (const file of isSeveral ? files.slice(0, MOST_FILES) : files.slice(0, 1)) await takeFile(file);
  };
  const { isOver, onPaste, ...drop } = useFilesByHand((files) => void takeFiles(files));
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
        <FileButton
          fileLabel={t('take.file')}
          multiple={isSeveral}
          disabled={busy}
          onFiles={(files) => void takeFiles(files)}
        >
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
      {held.length > 0 && (
        <Notice tone="good" live>
          {t('take.held', { count: held.length, serials: held.join(', ') })}
        </Notice>
      )}
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
