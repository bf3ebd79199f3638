import { evaluateChoice } from '../core/planning/evaluate-choice';
import { makeOption } from '../core/quoting/option';
import type { QuoteOption } from '../core/quoting/snapshot';
import type { Choice } from '../store/quotes';
import type { JobState } from './job-state';

/** A chosen plan at today's prices, or why it cannot be had any more. */
export type DraftOption =
  | { place: number; ok: true; option: QuoteOption }
  | { place: number; ok: false; sentence: string };

const LOST = {
  changed: 'The machine or an offer of this option changed: choose again on the ladder.',
  'sold-out': 'An offer of this option is sold out: choose again on the ladder.',
  refused: 'A limit now speaks against this option: choose again on the ladder.',
} as const;

/** One choice, evaluated in the job as it stands now. */
export function draftOption(state: JobState, { place, kept, bought, edits }: Choice): DraftOption {
  if (!state.jobCase.ok) return { place, ok: false, sentence: 'The machine has gaps: fill them on Limits first.' };
  const { planCase } = state.jobCase;
  const evaluated = evaluateChoice(planCase, { kept, bought });
  if (!evaluated.ok) return { place, ok: false, sentence: LOST[evaluated.code] };
  const option = makeOption({
    planCase,
    plan: evaluated.plan,
    supplies: state.market.supplies,
    pricing: state.pricing,
    place,
    cover: state.job.cover,
    terms: state.terms,
    ...(edits !== undefined && { edits }),
    language: state.language,
    texts: state.texts.texts,
  });
  return { place, ok: true, option };
}

/** All choices of the job's draft. */
export function draftOptions(state: JobState): DraftOption[] {
  return (state.draft?.choices ?? []).map((choice) => draftOption(state, choice));
}
