'use client';
import { useState } from 'react';
import type { FittingStep } from '@/core/fitting/checklist';
import { useKeys } from '../client/use-keys';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { KeyHint } from '../kit/key-hint';
import { NotchDrawing } from './notch-drawing';
import { FIND_WORDS, PHASE_NAMES } from './phase-words';
import type { Bench } from './use-bench';

/** For gloved hands: a finger's width and more. */
const LARGE = 'text-lg! min-h-14 px-6';

/** What a fastener group is, in words. */
export function fastenerText({ fasteners }: FittingStep): string {
  if (fasteners === null) return '';
  const { count, lengthMm, dish } = fasteners;
  const each = lengthMm === null ? '' : ` of ${lengthMm} mm`;
  return `${count} ${count === 1 ? 'fastener' : 'fasteners'}${each}, dish ${dish}`;
}

/** The model's photograph of a step; nothing where it is gone meanwhile. */
function StepPhoto({ photo }: { photo: number }) {
  const { modelId } = useJob().job.machine;
  const [isGone, setGone] = useState(false);
  if (modelId === null || isGone) return null;
  return (
    // biome-ignore lint/performance/noImgElement: it comes from our own database as it is
    <img
      src={`/api/models/${modelId}/photos/${photo}`}
      alt="This step on a machine of the model"
      className="max-h-64 max-w-80 border border-line object-contain"
      onError={() => setGone(true)}
    />
  );
}

/** The step that is to be done now, large enough to be read from the machine. */
export function StepNow({
  step,
  before,
  bench,
}: {
  step: FittingStep;
  /** what other jobs found on this step in machines of the model */
  before: readonly { jobId: number; note: string }[];
  bench: Bench;
}) {
  const [asking, setAsking] = useState<'skip' | 'find' | null>(null);
  const [words, setWords] = useState('');
  const [kind, setKind] = useState<keyof typeof FIND_WORDS>('other-module');
  const busy = bench.sending.has(step.key);
  const done = () => void bench.tick(step.key);
  useKeys({ d: done });
  const close = () => {
    setAsking(null);
    setWords('');
  };
  const told = async () => {
    const ok = asking === 'skip' ? await bench.skip(step.key, words) : await bench.find(step.key, kind, words);
    if (ok) close();
  };
  const facts = [step.tool, fastenerText(step), step.cable === '' ? '' : `unplug: ${step.cable}`].filter(
    (fact) => fact !== '',
  );
  return (
    <section aria-label="Now" className="bg-sheet border-2 border-act rounded-notch px-5 py-4 grid gap-3">
      <div className="grid gap-4 md:grid-cols-[minmax(0,1fr)_auto] items-center">
        <div className="grid gap-1.5">
          <p className="text-sm text-ink-2">{PHASE_NAMES[step.phase]}</p>
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
              <span aria-hidden="true">△ </span>
              Found in job {jobId} on this model: {note}
            </p>
          ))}
        </div>
        {step.photo !== null && <StepPhoto photo={step.photo} />}
        {step.notch !== null && (
          <div className="w-64">
            <NotchDrawing notch={step.notch} />
          </div>
        )}
      </div>
      <div className="flex flex-wrap gap-3 items-center">
        <Button weight="act" className={LARGE} disabled={busy} onClick={done}>
          Done <KeyHint of="D" />
        </Button>
        <Button
          className={LARGE}
          aria-expanded={asking === 'skip'}
          onClick={() => setAsking(asking === 'skip' ? null : 'skip')}
        >
          Leave out
        </Button>
        <Button
          className={LARGE}
          aria-expanded={asking === 'find'}
          onClick={() => setAsking(asking === 'find' ? null : 'find')}
        >
          Something is different
        </Button>
      </div>
      {asking !== null && (
        <form
          className="flex flex-wrap gap-3 items-end"
          onSubmit={(event) => {
            event.preventDefault();
            void told();
          }}
        >
          {asking === 'find' && (
            <Choice
              label="What is it"
              className="w-64"
              value={kind}
              onChange={(event) => setKind(event.target.value as keyof typeof FIND_WORDS)}
              options={Object.entries(FIND_WORDS).map(([value, text]) => ({ value, text }))}
            />
          )}
          <Field
            label={asking === 'skip' ? 'Why is it left out' : 'What is there instead'}
            className="flex-1 min-w-64"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
          <Button type="submit" className="min-h-12" disabled={busy || words.trim() === ''}>
            {asking === 'skip' ? 'Leave it out' : 'Note it'}
          </Button>
          <Button weight="quiet" onClick={close}>
            No
          </Button>
        </form>
      )}
    </section>
  );
}
