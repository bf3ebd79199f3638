'use client';
import { type DragEvent, useDeferredValue, useId, useMemo, useState } from 'react';
import { decodeText } from '@/core/reading/decode-text';
import { useKeptText } from '../client/use-kept-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import type { LibraryModel } from './library-model';
import { matchModels } from './match-models';

interface Recognised {
  machine: string;
  model: string | null;
  slotCount: number;
  filled: number;
  warnings: string[];
}

const MOST_FILE_BYTES = 8 * 1024 * 1024;

interface ReportFieldProps {
  jobId: number;
  /** the machine is known already: models are offered only for what is typed */
  known: boolean;
  models: readonly LibraryModel[];
}

/** The one field that takes anything: a dropped report, pasted text, or the name of a model. */
export function ReportField({ jobId, known, models }: ReportFieldProps) {
  const id = useId();
  const [text, setText, letGo] = useKeptText(`fenbrik.report.${jobId}`, '');
  const [over, setOver] = useState(false);
  const [read, setRead] = useState<Recognised | null>(null);
  const [fileName, setFileName] = useState<string | null>(null);
  const { busy, sentence, save } = useSave();
  const [fault, setFault] = useState<string | null>(null);
  const wanted = useDeferredValue(text);
  const likely = useMemo(
    () => (known && wanted.trim() === '' ? [] : matchModels(models, wanted)),
    [known, models, wanted],
  );

  const take = async (input: string, sourceName: string) => {
    setFault(null);
    const result = await save<Recognised>('POST', `/api/jobs/${jobId}/reading`, { text: input, sourceName });
    setRead(result.ok ? result.value : null);
    if (result.ok) {
      setText('');
      letGo();
      setFileName(null);
    }
  };
  const drop = async (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [file] = event.dataTransfer.files;
    if (file === undefined) return;
    if (file.size > MOST_FILE_BYTES) {
      setFault(`${file.name} has over 8 MiB: a memory report is far smaller.`);
      return;
    }
    const dropped = decodeText(new Uint8Array(await file.arrayBuffer()));
    setText(dropped);
    setFileName(file.name);
    await take(dropped, file.name);
  };
  const pick = async (modelId: number) => {
    const result = await save('PUT', `/api/jobs/${jobId}/model`, { modelId });
    if (result.ok) {
      setText('');
      letGo();
    }
  };
  const wrong = fault ?? sentence;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping a file is one way in; pasting and typing are the others
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
        spellCheck={false}
        rows={text.includes('\n') ? 7 : 2}
        placeholder="Drop or paste its memory report, or type a model: Counter 4"
        aria-describedby={`${id}-said`}
        aria-invalid={wrong !== null || undefined}
        className="w-full bg-ground border border-edge rounded-notch px-3 py-2 text-base font-medium placeholder:text-ink-2 resize-y"
      />
      <div id={`${id}-said`} className="mt-2 grid gap-2">
        <Fault sentence={wrong} />
        {read !== null && (
          <Notice tone={read.warnings.length === 0 ? 'good' : 'mind'} live>
            <p>
              Read: <strong>{read.machine || 'a machine that does not say its name'}</strong>, {read.slotCount} slots,{' '}
              {read.filled} of them filled.{' '}
              {read.model === null ? 'The library does not know this model.' : `The library knows it as ${read.model}.`}
            </p>
            {read.warnings.length > 0 && <p className="text-sm text-ink-2">{read.warnings.join(' · ')}</p>}
          </Notice>
        )}
      </div>
      <div className="flex flex-wrap gap-2 mt-1 items-center">
        <Button
          weight="act"
          disabled={busy || text.trim() === ''}
          onClick={() => take(text, fileName ?? 'pasted report')}
        >
          {busy ? 'Reading…' : 'Read it'}
        </Button>
        {likely.length > 0 && (
          <span className="text-sm text-ink-2 ml-2">
            {text.trim() === '' ? 'or pick a model:' : 'Is it one of these?'}
          </span>
        )}
        {likely.map((model) => (
          <Button key={model.id} disabled={busy} onClick={() => pick(model.id)}>
            {model.maker} {model.name} <span className="text-ink-2 font-normal">{model.years}</span>
          </Button>
        ))}
      </div>
    </div>
  );
}
