'use client';
import { type ClipboardEvent, type DragEvent, useId, useState } from 'react';
import { useKeptText } from '../client/use-kept-text';
import { useSave } from '../client/use-save';
import { faultOfFiles, textFile } from '../intake/readings/reading-inputs';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { Notice } from '../kit/notice';
import { PictureButton } from '../pictures/picture-button';
import { ReadingProgress } from '../pictures/reading-progress';
import { isPicture } from '../pictures/smaller-picture';
import { usePictures } from '../pictures/use-pictures';
import { WordsToCheck } from '../pictures/words-to-check';

type Taken = { held: true } | { held: false; reading: number; sentence: string };

/** What somebody reads off the machine's screen, where there is no report. */
function FromScreen() {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [total, setTotal] = useState('');
  const [counts, setCounts] = useState<'usable' | 'installed'>('usable');
  const [rate, setRate] = useState('');
  const [channels, setChannels] = useState('');
  const [sockets, setSockets] = useState<Readonly<Record<string, string>>>({});
  const after = job.work.accepted?.option.after ?? [];
  const whole = (text: string) => (/^\d{1,5}$/.test(text.trim()) ? Number(text.trim()) : null);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async () => {
    const isNone = [rate, channels].some((text) => text.trim() !== '' && whole(text) === null);
    setWrong(isNone ? 'Type rate and channels as whole numbers, or leave them empty.' : null);
    if (isNone) return;
    const body = { total, counts, rateMTs: whole(rate), channels: whole(channels), sockets };
    const { ok } = await save('POST', `/api/jobs/${job.id}/proof/typed`, body);
    if (!ok) return;
    setTotal('');
    setSockets({});
  };
  return (
    <details>
      <summary className="cursor-pointer w-fit py-1 underline underline-offset-4">
        Type what the screen shows instead
      </summary>
      <form
        className="flex flex-wrap gap-3 items-end pt-1"
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <Field
          label="Total"
          className="w-32"
          value={total}
          onChange={(event) => setTotal(event.target.value)}
          placeholder="15.9 GB"
        />
        <Choice
          label="The screen counts"
          className="w-56"
          value={counts}
          onChange={(event) => setCounts(event.target.value as 'usable' | 'installed')}
          options={[
            { value: 'usable', text: 'what its system can use' },
            { value: 'installed', text: 'what is installed' },
          ]}
        />
        <Field
          label="Running rate"
          className="w-32"
          unit="MT/s"
          inputMode="numeric"
          value={rate}
          onChange={(event) => setRate(event.target.value)}
        />
        <Field
          label="Channels"
          className="w-24"
          inputMode="numeric"
          value={channels}
          onChange={(event) => setChannels(event.target.value)}
        />
        {after.length > 0 && (
          <fieldset className="basis-full">
            <legend className="text-sm text-ink-2">
              What it shows in each socket, where it does: a size, or “empty”
            </legend>
            <div className="flex flex-wrap gap-2">
              {after.map(({ slot }) => (
                <Field
                  key={slot}
                  label={slot}
                  className="w-24"
                  value={sockets[slot] ?? ''}
                  onChange={(event) => setSockets({ ...sockets, [slot]: event.target.value })}
                />
              ))}
            </div>
          </fieldset>
        )}
        <Button type="submit" className="min-h-11" disabled={busy || total.trim() === ''}>
          Hold it against the promise
        </Button>
      </form>
      <div className="mt-2">
        <Fault sentence={wrong ?? sentence} />
      </div>
    </details>
  );
}

/** Takes the machine's new report: dropped, chosen or pasted; one that may not be this machine's is kept apart. */
export function TakeReport() {
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
    const large = faultOfFiles([file]);
    if (large === null) await take(file);
    else setWrong(large);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void takeFile(event.dataTransfer.files[0]);
  };
  const paste = (event: ClipboardEvent) => {
    const [file] = event.clipboardData.files;
    if (file === undefined) return;
    event.preventDefault();
    void takeFile(file);
  };
  const confirm = async () => {
    if (apart === null) return;
    const { ok } = await save('POST', `/api/jobs/${job.id}/proof/confirm`, { reading: apart.reading });
    if (ok) setApart(null);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: files are dropped here; the button beside does the same
    <div
      className="bg-sheet border-2 border-edge rounded-notch px-4 py-3 grid gap-2"
      onDrop={drop}
      onDragOver={(event) => event.preventDefault()}
    >
      <label htmlFor={id} className="text-base font-semibold wide">
        What does the machine say now?
      </label>
      <textarea
        id={id}
        rows={4}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={paste}
        spellCheck={false}
        placeholder="Drop or paste the memory report after fitting, or a photograph of the screen that shows it"
        className={INPUT_LOOK}
      />
      <div className="flex items-center gap-3 flex-wrap">
        <Button
          weight="act"
          disabled={busy || text.trim() === ''}
          onClick={() => void take(textFile('report after fitting', text))}
        >
          Hold it against the promise
        </Button>
        <FileButton fileLabel="Report to read" disabled={busy} onFiles={([file]) => void takeFile(file)}>
          Choose a file
        </FileButton>
        <PictureButton touchOnly disabled={busy} onPicture={(file) => void takeFile(file)}>
          Take a photograph
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
      {apart !== null && (
        <Notice tone="mind" live>
          {apart.sentence} It is kept apart.{' '}
          <Button weight="quiet" disabled={busy} onClick={() => void confirm()}>
            It is this machine’s: hold it against the promise
          </Button>
          <Button weight="quiet" onClick={() => setApart(null)}>
            Leave it apart
          </Button>
        </Notice>
      )}
      <FromScreen />
    </div>
  );
}
