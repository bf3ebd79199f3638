'use client';
import { useDeferredValue, useId, useState } from 'react';
import { useTranslations } from '#translations';
import type { PanelAsks } from '@/core/machine/panel-asks';
import { useKeptText } from '../../client/use-kept-text';
import { Button } from '../../kit/button';
import { Fault } from '../../kit/fault';
import { FileButton } from '../../kit/file-button';
import { Notice } from '../../kit/notice';
import { PictureButton } from '../../pictures/picture-button';
import { ReadingProgress } from '../../pictures/reading-progress';
import { useFilesByHand } from '../../pictures/use-files-by-hand';
import { WordsToCheck } from '../../pictures/words-to-check';
import { Suggestions } from '../suggestions';
import { PanelForm } from './panel-form';
import type { ShownTakenIn } from './taken-in';
import { isTitle, Understood } from './understood';
import { useReport } from './use-report';
import { WhichReading } from './which-reading';

interface ReportFieldProps {
  jobId: number;
  /** the machine is known already: models are offered only for what is typed */
  known: boolean;
  asks: PanelAsks;
}

/** How many inputs were read, and what could not be; the list below says what each was, a reader hears it here. */
function Told({ taken }: { taken: ShownTakenIn }) {
  const t = useTranslations('intake');
  const wrong = taken.inputs.filter((one) => !one.ok);
  const good = taken.inputs.filter((one) => one.ok);
  const [only] = good;
  return (
    <>
      {only !== undefined && (
        <Notice tone={good.every(({ warnings }) => warnings.length === 0) ? 'good' : 'mind'} live>
          <p>
            {t.rich('report.read', {
              e0: () => <strong>{good.length === 1 ? only.line : t('report.inputs', { good: good.length })}</strong>,
              value: taken.model === null ? t('report.unknown') : t('report.known', { model: taken.model }),
            })}
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
  const t = useTranslations('intake');
  const id = useId();
  const [text, setText, letGo] = useKeptText(`fenbrik.report.${jobId}`, '');
  const [isTyping, setTyping] = useState(false);
  const wanted = useDeferredValue(text);
  const cleared = () => {
    setText('');
    letGo();
  };
  const report = useReport(jobId, cleared);
  const { busy, wrong, taken, pictures } = report;
  const takeFiles = (files: readonly File[]) => void report.takeFiles(files);
  const { isOver, onPaste, ...drop } = useFilesByHand(takeFiles, setText);
  return (
    <div
      {...drop}
      className={`border-2 rounded-notch bg-sheet px-4 pt-3 pb-3 ${isOver ? 'border-act border-dashed' : 'border-edge'}`}
    >
      <label htmlFor={id} className="block text-lg font-semibold wide mb-1">
        {t('report.label')}
      </label>
      <textarea
        id={id}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={onPaste}
        data-scan="text"
        spellCheck={false}
        rows={text.includes('\n') ? 7 : 2}
        placeholder={t('report.hint')}
        aria-describedby={`${id}-said`}
        aria-invalid={wrong !== null || undefined}
        className="w-full bg-ground border border-edge rounded-notch px-3 py-2 text-base font-medium placeholder:text-ink-2 resize-y"
      />
      <div id={`${id}-said`} className="mt-2 grid gap-2">
        {isTitle(wanted) && <Understood text={wanted} />}
        <Fault sentence={wrong} />
        {taken !== null && <Told taken={taken} />}
        <Doubtful report={report} />
      </div>
      <div className="flex flex-wrap gap-2 mt-1 items-center">
        <Button weight="act" disabled={busy || text.trim() === ''} onClick={() => void report.takeText(text)}>
          {busy ? t('report.reading') : t('report.action')}
        </Button>
        <FileButton fileLabel={t('report.files')} multiple disabled={busy} onFiles={takeFiles}>
          {t('report.choose')}
        </FileButton>
        <PictureButton touchOnly disabled={busy} onPicture={(file) => takeFiles([file])}>
          {t('report.photo')}
        </PictureButton>
        {asks.slots && !isTyping && <Button onClick={() => setTyping(true)}>{t('report.screen')}</Button>}
      </div>
      {asks.slots && isTyping && (
        <PanelForm asks={asks} onTyped={(file) => report.take([file])} onClose={() => setTyping(false)} />
      )}
      <ReadingProgress progress={pictures.progress} />
      <WordsToCheck station="intake" pictures={pictures} busy={busy} onRead={report.takeWords} />
      <Suggestions jobId={jobId} known={known} text={wanted} onTaken={cleared} />
    </div>
  );
}

/** Inputs of which a person has to say what they are. */
function Doubtful({ report: { taken, doubtful, busy, takeAs } }: { report: ReturnType<typeof useReport> }) {
  return taken?.inputs.map((one) => {
    const file = doubtful.find(({ name }) => name === one.name);
    if (one.ok || file === undefined) return null;
    return <WhichReading key={one.name} either={one.either} busy={busy} onSay={(as) => void takeAs(file, as)} />;
  });
}
