import type { StaffWords } from '../../../words/staff-words';
import { capacityText } from '../../memory/capacity';
import { generationText, kindWords } from '../../memory/module-words';
import type { Goal, PlanCase } from '../model/case';
import type { Wish } from './broken-wishes';
import { nearestSentence, offerSentences } from './explain-words';
import type { NothingFits } from './nothing-fits';
import { listed, type PlanSay } from './plan-say';
import { planLine } from './plan-words';
import type { Remedy } from './remedies';
import type { WhyNotAnswer } from './why-not';

/* The planner is not in here: what a screen says of an answer, the worker has worked out. */

/** What a wish would have to be, as the end of a sentence. */
function widenedText({ t, tTrade, money }: PlanSay, wish: Wish, goal: Goal): string {
  switch (wish) {
    case 'minMiB':
      return t('widened.minMiB', { size: capacityText(goal.minMiB ?? 0) });
    case 'maxPriceCents':
      return t('widened.maxPriceCents', { price: money(goal.maxPriceCents ?? 0) });
    case 'minOpenSlots':
      return t('widened.minOpenSlots', { count: goal.minOpenSlots ?? 0 });
    case 'minRateMTs':
      return t('widened.minRateMTs', { rate: goal.minRateMTs ?? 0 });
    case 'lanes':
      return t('widened.lanes', { lane: tTrade(`origins.${goal.lanes?.at(-1) ?? 'mixed'}`) });
    case 'without':
      return t('widened.without');
    case 'maxOffers':
      return t('widened.maxOffers', { count: goal.maxOffers ?? 0 });
  }
}

/** What would have to change, as a sentence. */
export function remedySentence(say: PlanSay, remedy: Remedy): string {
  const { t, money } = say;
  switch (remedy.what) {
    case 'price':
      return t('help.price', { price: money(remedy.cents) });
    case 'stock':
      return t('help.stock');
    case 'unlock':
      return t('help.unlock', { slots: remedy.slots.join(', ') });
    case 'prove':
      return t('help.prove', { size: capacityText(remedy.mib) });
    case 'goal': {
      const wishes = remedy.wishes.map((wish) => widenedText(say, wish, remedy.goal));
      return t('help.goal', { wishes: listed(t, wishes) });
    }
  }
}

const either = (t: StaffWords<'plans'>, words: readonly string[]): string =>
  words.reduce((a, b) => t('bought.or', { a, b }));

/** What a machine takes, in the words of a label: `DDR4 DIMM, registered ECC or unbuffered`. */
export function takenText(t: StaffWords<'plans'>, machine: PlanCase['machine']): string {
  const { generations, form, kinds, voltagesMv } = machine;
  const names = generations.map((generation) => generationText({ generation, voltagesMv }));
  const words = kinds.map(({ buffering, ecc }) => kindWords(buffering, ecc) || t('nothing.kind'));
  return `${either(t, names)} ${form}, ${either(t, [...new Set(words)])}`;
}

/** The same, line by line, with what the machine takes instead. */
export function nothingLines(say: PlanSay, planCase: PlanCase, nothing: NothingFits): string[] {
  const { t } = say;
  const takes = t('nothing.takes', { what: takenText(t, planCase.machine) });
  if (nothing.why === 'no-offers') return [t('nothing.noOffers'), takes];
  const reasons = nothing.refused.map(({ code, count }) => t('nothing.reason', { count, why: t(`refusals.${code}`) }));
  if (nothing.why === 'none-goes') return [t('nothing.noneGoes'), takes, ...reasons];
  const { cheapest: label, explained } = nothing;
  const [why] = explained === null ? [] : offerSentences(say, planCase, explained);
  return [
    t('nothing.noGain'),
    ...(why === undefined ? [] : [t('nothing.cheapest', { label, why })]),
    ...(reasons.length === 0 ? [] : [takes, ...reasons]),
  ];
}

/** The answer line by line; empty: there is no such offer. */
export function whyNotLines(say: PlanSay, planCase: PlanCase, answer: WhyNotAnswer): string[] {
  const { t } = say;
  switch (answer.is) {
    case 'unknown':
      return [];
    case 'offer': {
      const helps = answer.helps.map((remedy) => remedySentence(say, remedy));
      return [...offerSentences(say, planCase, answer.explained), ...helps];
    }
    case 'met':
      return [t('meets', { count: answer.plans, plan: planLine(say, planCase, answer.cheapest) })];
    case 'near':
      return [t('noneMeets'), ...answer.plans.map((near) => nearestSentence(say, planCase, near))];
    case 'nothing':
      return nothingLines(say, planCase, answer.nothing);
    case 'none':
      return [t('noneNear')];
  }
}
