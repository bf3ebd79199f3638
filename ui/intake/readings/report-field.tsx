'use client';
import { type ClipboardEvent, type DragEvent, useDeferredValue, useId, useState } from 'react';
import type { PanelAsks } from '@/core/machine/panel-asks';
import type { SaidKind } from '@/core/reading/read';
import { useKeptText } from '../../client/use-kept-text';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Fault } from '../../kit/fault';
import { FileButton } from '../../kit/file-button';
import { Notice } from '../../kit/notice';
import { PictureButton } from '../../pictures/picture-button';
import { ReadingProgress } from '../../pictures/reading-progress';
import { isPicture } from '../../pictures/smaller-picture';
import { usePictures } from '../../pictures/use-pictures';
import { WordsToCheck } from '../../pictures/words-to-check';
import { Suggestions } from '../suggestions';
import { PanelForm } from './panel-form';
import { faultOfFiles, formOf, textFile } from './reading-inputs';
import { isTitle, Understood } from './understood';
import { WhichReading } from './which-reading';

type Recognised =
  | { name: string; ok: true; line: string; warnings: string[] }
  | { name: string; ok: false; sentence: string; either: { as: SaidKind; line: string }[] };

interface TakenIn {
  inputs: Recognised[];
  model: string | null;
}

interface ReportFieldProps {
  jobId: number;
  /** the machine is known already: models are offered only for what is typed */
  known: boolean;
  asks: PanelAsks;
}

/** How many inputs were read, and what could not be; the list below says what each was, a reader hears it here. */
function Told({ taken }: { taken: TakenIn }) {
  const wrong = taken.inputs.filter((one) => !one.ok);
  const good = taken.inputs.filter((one) => one.ok);
  const [only] = good;
  return (
    <>
      {only !== undefined && (
        <Notice tone={good.every(({ warnings }) => warnings.length === 0) ? 'good' : 'mind'} live>
          <p>
            Read: <strong>{good.length === 1 ? only.line : `${good.length} inputs, joined below`}</strong>.{' '}
            {taken.model === null
              ? 'The library does not know this machine.'
              : `The library knows it as ${taken.model}.`}
          </p>
          {good.length > 1 && (
            <ul className="sr-only">
              {good.map(({ name, line }) => (
                <li key={`${name} ${line}`}>{line}</li>
              ))}
            </ul>
          )}
        </Notice>
      )}
      {wrong
        .filter(({ either }) => either.length === 0)
        .map(({ name, sentence }) => (
          <Fault key={name} sentence={`${name}: ${sentence}`} />
        ))}
    </>
  );
}

/** The one field that takes anything: dropped, chosen or pasted files, pasted text, a label, the name of a model. */
export function ReportField({ jobId, known, asks }: ReportFieldProps) {
  const id = useId();
  const [text, setText, letGo] = useKeptText(`fenbrik.report.${jobId}`, '');
  const [over, setOver] = useState(false);
  const [typing, setTyping] = useState(false);
  const [taken, setTaken] = useState<TakenIn | null>(null);
  const { busy: reading, sentence, save } = useSave();
  const pictures = usePictures('intake');
  const busy = reading || pictures.busy;
  const [fault, setFault] = useState<string | null>(null);
  const wanted = useDeferredValue(text);
  const cleared = () => {
    setText('');
    letGo();
  };
  const [doubtful, setDoubtful] = useState<readonly File[]>([]);
  /** Reads files; those of which a person must say what they are stay at hand, and are not read yet. */
  const take = async (files: readonly File[], as?: SaidKind): Promise<boolean> => {
    setFault(null);
    const result = await save<TakenIn>('POST', `/api/jobs/${jobId}/reading`, formOf(files, as));
    setTaken(result.ok ? result.value : null);
    const asked = result.ok
      ? result.value.inputs.flatMap((one) => (!one.ok && one.either.length > 0 ? [one.name] : []))
      : [];
    setDoubtful(files.filter(({ name }) => asked.includes(name)));
    return result.ok && asked.length === 0;
  };
  /** the picture whose words wait for a person's word on what they are */
  const [asked, setAsked] = useState<number | null>(null);
  const takeAs = async (file: File, as: SaidKind) => {
    if (!(await take([file], as))) return;
    if (asked !== null) await pictures.change(asked, { settled: 'read' });
    setAsked(null);
    if (text !== '') cleared();
  };
  const takeText = async () => {
    if (await take([textFile(text.includes('\n') ? 'pasted text' : 'typed line', text)])) cleared();
  };
  const takeFiles = async (files: readonly File[]) => {
    if (files.length === 0) return;
    const photographs = files.filter(isPicture);
    const others = files.filter((file) => !isPicture(file));
    if (photographs.length > 0) setTaken(null);
    // One at a time: each is a picture to look at.
    for (const photograph of photographs) await pictures.add(photograph);
    if (others.length === 0) return;
    const wrong = faultOfFiles(others);
    if (wrong === null) await take(others);
    else setFault(wrong);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const files = [...event.dataTransfer.files];
    const dragged = event.dataTransfer.getData('text/plain');
    if (files.length > 0) void takeFiles(files);
    else if (dragged !== '') setText(dragged);
  };
  const paste = (event: ClipboardEvent) => {
    const files = [...event.clipboardData.files];
    if (files.length === 0) return;
    event.preventDefault();
    void takeFiles(files);
  };
  const wrong = fault ?? sentence ?? pictures.sentence;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping a file is one way in; choosing, pasting and typing are the others
    <div
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      className={`border-2 rounded-notch bg-sheet px-4 pt-3 pb-3 ${over ? 'border-act border-dashed' : 'border-edge'}`}
    >
      <label htmlFor={id} className="block text-lg font-semibold wide mb-1">
        What does the machine say?
      </label>
      <textarea
        id={id}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={paste}
        data-scan="text"
        spellCheck={false}
        rows={text.includes('\n') ? 7 : 2}
        placeholder="Drop or paste reports, photographs, specifications, a label or a seller’s title; or type a model, a serial, a telephone number"
        aria-describedby={`${id}-said`}
        aria-invalid={wrong !== null || undefined}
        className="w-full bg-ground border border-edge rounded-notch px-3 py-2 text-base font-medium placeholder:text-ink-2 resize-y"
      />
      <div id={`${id}-said`} className="mt-2 grid gap-2">
        {isTitle(wanted) && <Understood text={wanted} />}
        <Fault sentence={wrong} />
        {taken !== null && <Told taken={taken} />}
        {taken?.inputs.map((one) => {
          const file = doubtful.find(({ name }) => name === one.name);
          if (one.ok || file === undefined) return null;
          return <WhichReading key={one.name} either={one.either} busy={busy} onSay={(as) => void takeAs(file, as)} />;
        })}
      </div>
      <div className="flex flex-wrap gap-2 mt-1 items-center">
        <Button weight="act" disabled={busy || text.trim() === ''} onClick={takeText}>
          {busy ? 'Reading…' : 'Read it'}
        </Button>
        <FileButton fileLabel="Files to read" multiple disabled={busy} onFiles={(files) => void takeFiles(files)}>
          Choose files
        </FileButton>
        <PictureButton touchOnly disabled={busy} onPicture={(file) => void takeFiles([file])}>
          Take a photograph
        </PictureButton>
        {asks.slots && !typing && <Button onClick={() => setTyping(true)}>Type what its screen shows</Button>}
      </div>
      {asks.slots && typing && (
        <PanelForm asks={asks} onTyped={(file) => take([file])} onClose={() => setTyping(false)} />
      )}
      <ReadingProgress progress={pictures.progress} />
      <WordsToCheck
        station="intake"
        pictures={pictures}
        busy={busy}
        onRead={async (picture, words, as) => {
          const isRead = await take([textFile(picture.name.slice(0, 150), words)], as);
          setAsked(isRead ? null : picture.id);
          return isRead;
        }}
      />
      <Suggestions jobId={jobId} known={known} text={wanted} onTaken={cleared} />
    </div>
  );
}
