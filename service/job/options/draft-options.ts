import { caseFor } from '../../../core/planning/model/parts-only';
import { evaluateChoice } from '../../../core/planning/search/evaluate-choice';
import { isBelowLowest } from '../../../core/quoting/lowest-margin';
import { makeOption } from '../../../core/quoting/option';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import type { ChosenPlan } from '../../../store/job/quotes';
import type { JobWith } from '../slices/slice';

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
export function draftOption(
  state: JobWith<'quote' | 'market'>,
  { place, kept, bought, edits, partsOnly: chosen }: ChosenPlan,
): DraftOption {
  if (!state.jobCase.ok) return { place, ok: false, sentence: 'The machine has gaps: fill them on Limits first.' };
  const partsOnly = chosen ?? state.job.partsOnly;
  const planCase = caseFor(state.jobCase.planCase, partsOnly);
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
    partsOnly,
    factory: state.factoryOptions,
    told: { part: state.shop.paperPart, seller: state.shop.paperSeller },
  });
  return { place, ok: true, option };
}

/** Does an option bring the shop's lowest margin? An owner may let it go as it is: by place and total, as it was seen. */
export function lowestOf(
  { shop, pricing, draft }: JobWith<'quote'>,
  option: QuoteOption,
): 'reached' | 'below' | 'released' {
  const taxContained = pricing.exempt === null && pricing.taxWay === 'contained';
  const rule = { lowestBp: shop.lowestMarginBp, taxContained, taxBp: shop.taxBp };
  if (!isBelowLowest(option, rule)) return 'reached';
  const { place, totalCents } = option;
  const isReleased = draft?.released.some((one) => one.place === place && one.totalCents === totalCents) === true;
  return isReleased ? 'released' : 'below';
}

/** All choices of the job's draft. */
export function draftOptions(state: JobWith<'quote' | 'market'>): DraftOption[] {
  return (state.draft?.choices ?? []).map((choice) => draftOption(state, choice));
}
