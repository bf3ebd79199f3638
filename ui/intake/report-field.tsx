'use client';
import { type ClipboardEvent, type DragEvent, useDeferredValue, useId, useState } from 'react';
import { useKeptText } from '../client/use-kept-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { FileButton } from '../kit/file-button';
import { Notice } from '../kit/notice';
import { faultOfFiles, formOf, textFile } from './reading-inputs';
import { Suggestions } from './suggestions';
import { isTitle, Understood } from './understood';

type Recognised =
  | { name: string; ok: true; line: string; warnings: string[] }
  | { name: string; ok: false; sentence: string };

interface TakenIn {
  inputs: Recognised[];
  model: string | null;
}

interface ReportFieldProps {
  jobId: number;
  /** the machine is known already: models are offered only for what is typed */
  known: boolean;
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
      {wrong.map(({ name, sentence }) => (
        <Fault key={name} sentence={`${name}: ${sentence}`} />
      ))}
    </>
  );
}

/** The one field that takes anything: dropped, chosen or pasted files, pasted text, a label, the name of a model. */
export function ReportField({ jobId, known }: ReportFieldProps) {
  const id = useId();
  const [text, setText, letGo] = useKeptText(`fenbrik.report.${jobId}`, '');
  const [over, setOver] = useState(false);
  const [taken, setTaken] = useState<TakenIn | null>(null);
  const { busy, sentence, save } = useSave();
  const [fault, setFault] = useState<string | null>(null);
  const wanted = useDeferredValue(text);
  const take = async (files: readonly File[]): Promise<boolean> => {
    setFault(null);
    const result = await save<TakenIn>('POST', `/api/jobs/${jobId}/reading`, formOf(files));
    setTaken(result.ok ? result.value : null);
    return result.ok;
  };
  const cleared = () => {
    setText('');
    letGo();
  };
  const takeText = async () => {
    if (await take([textFile(text.includes('\n') ? 'pasted text' : 'typed line', text)])) cleared();
  };
  const takeFiles = async (files: readonly File[]) => {
    if (files.length === 0) return;
    const wrong = faultOfFiles(files);
    if (wrong === null) await take(files);
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
  const wrong = fault ?? sentence;
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
        spellCheck={false}
        rows={text.includes('\n') ? 7 : 2}
        placeholder="Drop or paste reports, SPD dumps, a label or a seller’s title; or type a model, a serial, a telephone number"
        aria-describedby={`${id}-said`}
        aria-invalid={wrong !== null || undefined}
        className="w-full bg-ground border border-edge rounded-notch px-3 py-2 text-base font-medium placeholder:text-ink-2 resize-y"
      />
      <div id={`${id}-said`} className="mt-2 grid gap-2">
        {isTitle(wanted) && <Understood text={wanted} />}
        <Fault sentence={wrong} />
        {taken !== null && <Told taken={taken} />}
      </div>
      <div className="flex flex-wrap gap-2 mt-1 items-center">
        <Button weight="act" disabled={busy || text.trim() === ''} onClick={takeText}>
          {busy ? 'Reading…' : 'Read it'}
        </Button>
        <FileButton fileLabel="Files to read" multiple disabled={busy} onFiles={(files) => void takeFiles(files)}>
          Choose files
        </FileButton>
      </div>
      <Suggestions jobId={jobId} known={known} text={wanted} onTaken={cleared} />
    </div>
  );
}
