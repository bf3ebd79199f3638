'use client';
import { useState } from 'react';
import { useLocale } from 'use-intl';
import { useTranslations } from '#translations';
import { type GapQuestion, questionFor } from '@/core/machine/gap-question';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { decidedOf } from '../limits/decided-of';
import { capacityText } from '../words/amounts';
import { useJob } from './job-context';

/** An answer that one press gives. */
interface Answer {
  text: string;
  value: unknown;
  /** what else is known that it follows from, as a sentence; null: nothing */
  why: string | null;
}

/** What is asked, with the answers that are ready: the likely ones, and those that nothing speaks for. */
function worded(t: StaffWords<'job'>, question: Exclude<GapQuestion, { ask: 'slots' }>, locale: string) {
  const plain = (text: string, value: unknown): Answer => ({ text, value, why: null });
  switch (question.ask) {
    case 'generations': {
      const answer = ({ value, follows }: (typeof question.likely)[number]): Answer => ({
        text: value,
        value: [value],
        why:
          follows === null
            ? null
            : 'rateMTs' in follows
              ? t('ask.followsRate', { rate: String(follows.rateMTs), generation: value })
              : t('ask.followsVoltage', { volts: follows.voltageMv / 1000, generation: value }),
      });
      return {
        text: t('ask.generations'),
        answers: question.likely.map(answer),
        others: question.others.map(answer),
      };
    }
    case 'form':
      return {
        text: t('ask.form'),
        answers: question.likely.map(({ value, pins }) =>
          plain(pins === null ? value : t('ask.contacts', { form: value, pins: String(pins) }), value),
        ),
        others: [],
      };
    default: {
      const slots = new Intl.ListFormat(locale, { type: 'conjunction' }).format(question.slots);
      const values = { count: question.slots.length, slots };
      const isSize = question.ask === 'capacityMiB';
      return {
        text: t(isSize ? 'ask.howLarge' : 'ask.howFast', values),
        answers: question.likely.map((value) => plain(isSize ? capacityText(value) : `${value} MT/s`, value)),
        others: [],
      };
    }
  }
}

/** What is still not known, one question at a time, with the likely answers ready. */
export function Ask() {
  const t = useTranslations('job');
  const { job } = useJob();
  const locale = useLocale();
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const [gap] = job.gaps;
  if (gap === undefined || gap.what === 'slots') return null;
  const question = questionFor(gap, job.slots, job.limits, job.shown);
  if (question.ask === 'slots') return null;
  const { text, answers, others } = worded(t, question, locale);

  const tell = async (value: unknown) => {
    setWrong(null);
    if (question.ask === 'capacityMiB' || question.ask === 'rateMTs') {
      const slots = job.slots.map((slot) =>
        question.slots.includes(slot.name) && slot.module !== null
          ? { ...slot, module: { ...slot.module, [question.ask]: value }, moduleSource: 'typed' }
          : slot,
      );
      await save('PUT', `/api/jobs/${job.id}/slots`, { version: job.slotsVersion, slots });
    } else {
      await save('PUT', `/api/jobs/${job.id}/limits`, {
        decisions: [{ limit: question.ask, value, seen: decidedOf(job.claims, question.ask) }],
      });
    }
    setTyped('');
  };
  const submit = () => {
    const isSize = question.ask === 'capacityMiB';
    const value = isSize ? parseCapacity(typed) : /^\d{2,5}$/.test(typed.trim()) ? Number(typed) : null;
    if (value === null) setWrong(isSize ? t('ask.size') : t('ask.rate'));
    else void tell(value);
  };
  const button = (one: Answer) => (
    <Button key={one.text} disabled={busy} onClick={() => tell(one.value)}>
      {one.text}
    </Button>
  );
  const reasons = [...new Set(answers.flatMap(({ why }) => (why === null ? [] : [why])))];
  return (
    <section aria-label={t('ask.label')} className="border-2 border-act bg-sheet px-4 py-3 rounded-notch">
      <p className="font-semibold mb-2">
        {text}{' '}
        {job.gaps.length > 1 && (
          <span className="font-normal text-ink-2">{t('ask.more', { gaps: job.gaps.length - 1 })}</span>
        )}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        {answers.map(button)}
        {(question.ask === 'capacityMiB' || question.ask === 'rateMTs') && (
          <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              submit();
            }}
          >
            <Field
              label={t('ask.type')}
              className="w-32"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              error={wrong}
            />
            <Button type="submit" disabled={busy || typed.trim() === ''}>
              {t('ask.answer')}
            </Button>
          </form>
        )}
      </div>
      {reasons.map((why) => (
        <p key={why} className="text-sm text-ink-2 mt-2">
          {why}
        </p>
      ))}
      {others.length > 0 && (
        <details className="mt-2 text-sm">
          <summary className="cursor-pointer min-h-6">{t('ask.others')}</summary>
          <div className="flex flex-wrap gap-2 mt-2">{others.map(button)}</div>
        </details>
      )}
      {sentence !== null && (
        <p role="alert" className="text-stop mt-2">
          {sentence}
        </p>
      )}
    </section>
  );
}
