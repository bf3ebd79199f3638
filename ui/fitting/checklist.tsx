'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import type { FittingStep } from '@/core/fitting/checklist';
import { PHASES } from '@/core/fitting/checklist';
import type { FittingView } from '@/service/job/bench/view';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import { BenchPictures } from '../pictures/bench-pictures';
import { PartQuestion } from './part-question';
import { FIND_WORDS, hourText, PHASE_NAMES } from './phase-words';
import { fastenerText, StepNow } from './step-now';
import { type Bench, useBench } from './use-bench';
import { type PartsAtBench, usePartsAtBench } from './use-parts';

interface RowProps {
  step: FittingStep;
  bench: Bench;
  parts: PartsAtBench;
  finds: FittingView['finds'];
}

function Row({ step, bench, parts, finds }: RowProps) {
  const t = useTranslations('fitting');
  const tick = bench.ticks.get(step.key);
  const isNow = bench.state.next?.key === step.key;
  const sign = tick === undefined ? (isNow ? '▸' : '○') : tick.state === 'done' ? '✓' : '–';
  const press = () => (tick === undefined ? parts.tick(step) : void bench.undo(step.key));
  return (
    <li>
      <button
        type="button"
        aria-pressed={tick?.state === 'done'}
        aria-current={isNow ? 'step' : undefined}
        disabled={bench.sending.has(step.key)}
        onClick={press}
        className={`w-full text-left flex gap-3 items-baseline px-3 min-h-12 py-2 cursor-pointer hover:bg-sunk ${isNow ? 'bg-act-soft' : ''}`}
      >
        <span
          aria-hidden="true"
          className={`w-6 text-lg font-bold ${tick?.state === 'done' ? 'text-good' : isNow ? 'text-act' : 'text-ink-2'}`}
        >
          {sign}
        </span>
        <span className="flex-1 min-w-0">
          <span className={`text-lg ${tick === undefined ? '' : 'text-ink-2'}`}>{step.text}</span>
          {step.fasteners !== null && <span className="block text-ink-2">{fastenerText(t, step)}</span>}
          {parts.waits(step) && <span className="block text-mind">{t('waiting.step')}</span>}
          {tick?.state === 'skipped' && (
            <span className="block text-mind">{t('list.skipped', { reason: tick.reason })}</span>
          )}
        </span>
        {tick !== undefined && (
          <span className="text-sm text-ink-2 shrink-0">
            {t('list.undo', { value: tick.by ?? '', at: hourText(tick.at) })}
          </span>
        )}
      </button>
      {parts.asking === step.key && !isNow && <PartQuestion parts={parts} />}
      {finds.map((find) => (
        <p key={find.id} className="pl-12 pr-3 pb-2 text-mind">
          <span aria-hidden="true">△ </span>
          {t(FIND_WORDS[find.kind])}: {find.note}{' '}
          <span className="text-sm text-ink-2">
            {find.by ?? ''} {hourText(find.at)}
          </span>{' '}
          <Button weight="quiet" onClick={() => void bench.unfind(step.key, find.id)}>
            {t('list.takeBack')}
          </Button>
        </p>
      ))}
    </li>
  );
}

/** The way to the next of several machines that is not fitted yet. */
function NextMachine() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { machines, machine } = job.work;
  const waits = machines.filter((one) => one.fitting === null || one.fitting.ended < one.fitting.of);
  const others = waits.filter((one) => one.jobId !== job.id || one.machine !== machine);
  const next = others.find(({ jobId }) => jobId === job.id) ?? others[0];
  if (next === undefined) return null;
  return (
    <Link
      href={`/jobs/${next.jobId}/fitting?machine=${next.machine}`}
      className="underline underline-offset-2 font-semibold"
    >
      {t('list.nextMachine', { serial: next.serial || String(next.machine) })}
    </Link>
  );
}

/** The work on the bench, step by step: what has to be done now in large type, and under it the whole list. */
export function Checklist({ fitting }: { fitting: FittingView }) {
  const t = useTranslations('fitting');
  const bench = useBench(fitting);
  const parts = usePartsAtBench(bench);
  const { steps, finds } = fitting;
  const { done, skipped, next } = bench.state;
  // What comes before the first step that waits for its part can be done today.
  const firstWaiting = steps.findIndex(parts.waits);
  const without = steps.slice(0, Math.max(0, firstWaiting)).filter(({ key }) => !bench.ticks.has(key)).length;
  const otherwise = finds.filter(({ kind }) => kind === 'other-module' || kind === 'other-slots').length;
  return (
    <div className="grid gap-3">
      <div className="flex items-baseline gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">
          {t('list.title', { value: fitting.round > 1 ? t('list.time', { round: fitting.round }) : '' })}
        </h2>
        <span className="text-sm text-ink-2" role="status">
          {t('list.progress', {
            done,
            steps: steps.length,
            value: skipped > 0 ? t('list.skippedCount', { skipped }) : '',
            value2: fitting.minutes !== null ? t('list.minutes', { minutes: fitting.minutes }) : '',
          })}
        </span>
      </div>
      <Fault sentence={bench.sentence} />
      {otherwise > 0 && <Notice tone="mind">{t('list.different')}</Notice>}
      {parts.isMissing && next !== null && steps.some(parts.waits) && (
        <Notice tone="mind">{t('waiting.notice', { count: without })}</Notice>
      )}
      {next === null ? (
        <Notice tone="good">
          {t('list.allDone')} <NextMachine />
        </Notice>
      ) : (
        <StepNow key={next.key} step={next} before={fitting.foundBefore[next.key] ?? []} bench={bench} parts={parts} />
      )}
      <BenchPictures />
      {PHASES.map((phase) => {
        const own = steps.filter((step) => step.phase === phase);
        if (own.length === 0) return null;
        const ended = own.filter(({ key }) => bench.ticks.has(key)).length;
        const isOver = ended === own.length;
        return (
          // What is over folds away, so that what comes is in sight.
          <details key={`${phase} ${isOver}`} open={!isOver} className="bg-sheet border border-line">
            <summary className="px-3 min-h-11 flex items-center gap-3 cursor-pointer font-semibold">
              <span aria-hidden="true" className={isOver ? 'text-good' : 'text-ink-2'}>
                {isOver ? '✓' : '○'}
              </span>
              {t(PHASE_NAMES[phase])}
              <span className="text-sm font-normal text-ink-2">{t('list.ended', { ended, own: own.length })}</span>
            </summary>
            <ol className="divide-y divide-line border-t border-line">
              {own.map((step) => (
                <Row
                  key={step.key}
                  step={step}
                  bench={bench}
                  parts={parts}
                  finds={finds.filter((find) => find.step === step.key)}
                />
              ))}
            </ol>
          </details>
        );
      })}
    </div>
  );
}
