'use client';
import { useId, useState } from 'react';
import { useTranslations } from '#translations';
import { useKeptText } from '../../client/use-kept-text';
import { useSave } from '../../client/use-save';
import { faultOfFiles, textFile } from '../../intake/readings/reading-inputs';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Choice } from '../../kit/choice';
import { Fault } from '../../kit/fault';
import { FileButton } from '../../kit/file-button';
import { Sheet } from '../../kit/sheet';

interface NewPartSheetProps {
  /** told what the case calls the new offer */
  onTaken: (offer: string) => void;
  onClose: () => void;
}

/** A part that was seen somewhere, with its price: on the ladder at once. */
export function NewPartSheet({ onTaken, onClose }: NewPartSheetProps) {
  const t = useTranslations('options');
  const tIntake = useTranslations('intake');
  const { job } = useJob();
  const id = useId();
  const [text, setText, letGo] = useKeptText(`fenbrik.part.${job.id}`, '');
  const [fault, setFault] = useState<string | null>(null);
  const [isOwn, setOwn] = useState(false);
  const [count, setCount] = useState(1);
  const { busy, sentence, save } = useSave();
  const take = async (file: File) => {
    setFault(null);
    const result = await save<{ offer: string }>('POST', `/api/jobs/${job.id}/part`, file);
    if (!result.ok) return;
    setText('');
    letGo();
    onTaken(result.value.offer);
  };
  const takeOwn = async () => {
    setFault(null);
    const result = await save<{ offer: string }>('POST', `/api/jobs/${job.id}/own-part`, { label: text, count });
    if (!result.ok) return;
    setText('');
    letGo();
    onTaken(result.value.offer);
  };
  const takeText = () => {
    if (text.trim() === '' || busy) return;
    if (isOwn) void takeOwn();
    else void take(textFile(t('part.typed'), text));
  };
  const takeFiles = async (files: readonly File[]) => {
    const [file, ...others] = files;
    if (file === undefined) return;
    const wrong = others.length > 0 ? t('part.onePage') : faultOfFiles(tIntake, files);
    if (wrong === null) await take(file);
    else setFault(wrong);
  };
  return (
    <Sheet open title={t('part.title')} description={t('part.what')} onClose={onClose}>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {isOwn ? t('part.ownLabel') : t('part.label')}
      </label>
      <textarea
        id={id}
        value={text}
        rows={3}
        spellCheck={false}
        // biome-ignore lint/a11y/noAutofocus: the sheet was opened to type here
        autoFocus
        placeholder="Corrick 16GB DDR4-2666 CL19 SO-DIMM, new, 31.90 EUR"
        aria-describedby={`${id}-said`}
        aria-invalid={(fault ?? sentence) !== null || undefined}
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const files = [...event.clipboardData.files];
          if (files.length === 0) return;
          event.preventDefault();
          void takeFiles(files);
        }}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          if (event.dataTransfer.files.length === 0) return;
          event.preventDefault();
          void takeFiles([...event.dataTransfer.files]);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || event.shiftKey) return;
          event.preventDefault();
          takeText();
        }}
        className="w-full bg-ground border border-edge rounded-notch px-3 py-2 text-base placeholder:text-ink-2 resize-y"
      />
      <div id={`${id}-said`}>
        <Fault sentence={fault ?? sentence} />
      </div>
      <div className="flex flex-wrap gap-x-4 gap-y-1 items-center mt-2">
        <Check checked={isOwn} onChange={setOwn}>
          {t('part.own')}
        </Check>
        {isOwn && (
          <Choice
            label={t('part.ownCount')}
            className="flex items-center gap-2"
            value={String(count)}
            onChange={(event) => setCount(Number(event.target.value))}
            options={Array.from({ length: Math.max(1, job.slots.length) }, (_, nr) => ({
              value: String(nr + 1),
              text: String(nr + 1),
            }))}
          />
        )}
      </div>
      <div className="flex gap-2 mt-2">
        <Button weight="act" disabled={busy || text.trim() === ''} onClick={takeText}>
          {busy ? t('part.reading') : t('part.plan')}
        </Button>
        {!isOwn && (
          <FileButton fileLabel={t('part.page')} disabled={busy} onFiles={(files) => void takeFiles(files)}>
            {t('part.choose')}
          </FileButton>
        )}
      </div>
    </Sheet>
  );
}
