'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { FittingStep } from '@/core/fitting/checklist';
import type { StaffWords } from '@/words/staff-words';
import { useKeys } from '../client/use-keys';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { KeyHint } from '../kit/key-hint';
import { NotchDrawing } from './notch-drawing';
import { PartQuestion } from './part-question';
import { FIND_WORDS, PHASE_NAMES } from './phase-words';
import type { Bench } from './use-bench';
import type { PartsAtBench } from './use-parts';

/** For gloved hands: a finger's width and more. */
const LARGE = 'text-lg! min-h-14 px-6';

/** What a fastener group is, in words. */
export function fastenerText(t: StaffWords<'fitting'>, { fasteners }: FittingStep): string {
  if (fasteners === null) return '';
  const { count, lengthMm, dish } = fasteners;
  const each = lengthMm === null ? '' : t('step.of', { lengthMm });
  return t('step.fasteners', { count, each, dish });
}

/** The model's photograph of a step; nothing where it is gone meanwhile. */
function StepPhoto({ photo }: { photo: number }) {
  const t = useTranslations('fitting');
  const { modelId } = useJob().job.machine;
  const [isGone, setGone] = useState(false);
  if (modelId === null || isGone) return null;
  return (
    // biome-ignore lint/performance/noImgElement: it comes from our own database as it is
    <img
      src={`/api/models/${modelId}/photos/${photo}`}
      alt={t('step.alt')}
      className="max-h-64 max-w-80 border border-line object-contain"
      onError={() => setGone(true)}
    />
  );
}

interface StepNowProps {
  step: FittingStep;
  /** what other jobs found on this step in machines of the model */
  before: readonly { jobId: number; note: string }[];
  bench: Bench;
  parts: PartsAtBench;
}

/** The step that has to be done now, large enough to be read from the machine. */
export function StepNow({ step, before, bench, parts }: StepNowProps) {
  const t = useTranslations('fitting');
  const [asking, setAsking] = useState<Asking | null>(null);
  const busy = bench.sending.has(step.key);
  const done = () => parts.tick(step);
  useKeys({ d: done });
  const flip = (what: Asking) => setAsking(asking === what ? null : what);
  return (
    <section aria-label={t('step.now')} className="bg-sheet border-2 border-act rounded-notch px-5 py-4 grid gap-3">
      <div className="grid gap-4 md:grid-cols-[minmax(0,1fr)_auto] items-center">
        <StepWords step={step} before={before} />
        {step.photo !== null && <StepPhoto photo={step.photo} />}
        {step.notch !== null && (
          <div className="w-64">
            <NotchDrawing notch={step.notch} />
          </div>
        )}
      </div>
      <div className="flex flex-wrap gap-3 items-center">
        <Button weight="act" className={LARGE} disabled={busy} onClick={done}>
          {t.rich('step.done', { e0: () => <KeyHint of="D" /> })}
        </Button>
        <Button className={LARGE} aria-expanded={asking === 'skip'} onClick={() => flip('skip')}>
          {t('step.skip')}
        </Button>
        <Button className={LARGE} aria-expanded={asking === 'find'} onClick={() => flip('find')}>
          {t('step.different')}
        </Button>
      </div>
      {parts.waits(step) && parts.asking !== step.key && <p className="text-lg text-mind">{t('waiting.step')}</p>}
      {parts.asking === step.key && <PartQuestion parts={parts} />}
      {asking !== null && (
        <WhyNot key={asking} asking={asking} step={step.key} bench={bench} onClose={() => setAsking(null)} />
      )}
    </section>
  );
}

function StepWords({ step, before }: Pick<StepNowProps, 'step' | 'before'>) {
  const t = useTranslations('fitting');
  const facts = [
    step.tool,
    fastenerText(t, step),
    step.cable === '' ? '' : t('step.unplug', { cable: step.cable }),
  ].filter((fact) => fact !== '');
  return (
    <div className="grid gap-1.5">
      <p className="text-sm text-ink-2">{t(PHASE_NAMES[step.phase])}</p>
      <p className="text-2xl font-semibold leading-tight">{step.text}</p>
      {facts.length > 0 && <p className="text-lg">{facts.join(' · ')}</p>}
      {step.caution !== '' && (
        <p className="text-lg text-mind">
          <span aria-hidden="true">△ </span>
          {step.caution}
        </p>
      )}
      {before.map(({ jobId, note }) => (
        <p key={`${jobId} ${note}`} className="text-lg text-mind">
          {t.rich('step.found', { e0: () => <span aria-hidden="true">△ </span>, jobId, note })}
        </p>
      ))}
    </div>
  );
}

/** What is asked about a step that is not simply done. */
type Asking = 'skip' | 'find';

interface WhyNotProps {
  asking: Asking;
  /** the step's key */
  step: string;
  bench: Bench;
  onClose: () => void;
}

interface TypedWhy {
  kind: keyof typeof FIND_WORDS;
  words: string;
}

/** Why a step is left out, or what is there instead of what it says. */
function WhyNot({ asking, step, bench, onClose }: WhyNotProps) {
  const t = useTranslations('fitting');
  const typing = useTyped<TypedWhy, TypedWhy>({
    from: { kind: 'other-module', words: '' },
    read: (typed) =>
      readTyped<TypedWhy, TypedWhy>({ words: typed.words.trim() === '' && t('step.fault') }, () => typed),
    send: async ({ kind, words }) => {
      const isTold = asking === 'skip' ? await bench.skip(step, words) : await bench.find(step, kind, words);
      if (isTold) onClose();
      return undefined;
    },
  });
  return (
    <Form typing={typing} className="flex flex-wrap gap-3 items-end has-[[aria-invalid]]:items-start">
      {asking === 'find' && (
        <ChoiceField
          name="kind"
          label={t('step.what')}
          className="w-64"
          options={Object.entries(FIND_WORDS).map(([value, text]) => ({ value, text: t(text) }))}
        />
      )}
      <TextField
        name="words"
        label={asking === 'skip' ? t('step.whySkip') : t('step.instead')}
        className="flex-1 min-w-64"
      />
      <Send weight="plain" className="min-h-12">
        {asking === 'skip' ? t('step.skipIt') : t('step.save')}
      </Send>
      <Button weight="quiet" onClick={onClose}>
        {t('cancel')}
      </Button>
    </Form>
  );
}
