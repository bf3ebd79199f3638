import { caseFor } from '../../../core/planning/model/parts-only';
import { evaluateChoice } from '../../../core/planning/search/evaluate-choice';
import { type GroupPart, joinOptions } from '../../../core/quoting/groups/join-options';
import { isBelowLowest } from '../../../core/quoting/lowest-margin';
import { makeOption } from '../../../core/quoting/option';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import { PLAIN_TERMS } from '../../../core/quoting/terms';
import type { ChosenPlan } from '../../../store/job/quotes';
import type { JobWith, OthersSlice } from '../slices/slice';

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
  { place, kept, bought, edits, partsOnly: chosen, ifNotCents }: ChosenPlan,
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
    ...(ifNotCents != null && { ifNotCents }),
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

type Drafted = JobWith<'quote' | 'market'>;

/** A group's part of the draft's option at a place: made for it alone, in the whole quote's words. */
function partAt(group: Drafted, whole: Drafted, place: number): DraftOption | null {
  const choice = group.draft?.choices.find((one) => one.place === place);
  if (choice === undefined) return null;
  const { language, texts, pricing } = whole;
  return draftOption({ ...group, terms: PLAIN_TERMS, language, texts, pricing }, choice);
}

/** The draft's option at a place, of all groups of the job's machines. */
function joinedAt(state: Drafted, groups: readonly Drafted[], place: number): DraftOption {
  const parts: GroupPart[] = [];
  for (const [nr, group] of groups.entries()) {
    const part = partAt(group, state, place);
    if (part === null)
      return { place, ok: false, sentence: `Group ${nr + 1} has no option ${place} yet: choose it on its Options.` };
    if (!part.ok) return { place, ok: false, sentence: `Group ${nr + 1}: ${part.sentence}` };
    parts.push({ jobId: group.job.id, machines: group.job.machines, option: part.option });
  }
  return { place, ok: true, option: joinOptions(parts, state) };
}

/** All options of the job's draft; where its machines fall into several groups, each of all of them. */
export function draftOptions(state: Drafted & Partial<OthersSlice>): DraftOption[] {
  const { others = [] } = state;
  const choices = state.draft?.choices ?? [];
  if (others.length === 0) return choices.map((choice) => draftOption(state, choice));
  const groups = [state, ...others];
  const places = new Set(groups.flatMap(({ draft }) => draft?.choices.map(({ place }) => place) ?? []));
  return [...places].sort((a, b) => a - b).map((place) => joinedAt(state, groups, place));
}
