import type { StaffWords } from '../../../words/staff-words';
import { capacityText } from '../../memory/capacity';
import type { PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';
import type { OfferRefusal } from '../rules/refuse-offer';
import type { Plan } from '../search/plan';
import type { NearestPlan, Wish } from './broken-wishes';
import type { OfferExplained, RefusedBecause } from './explain-offer';
import type { PlanExplained, RateCause } from './explain-plan';
import type { PlanSay } from './plan-say';
import { planLine } from './plan-words';

type Words = StaffWords<'plans'>;

const labelOf = (planCase: PlanCase, id: string): string => offerOf(planCase.offers, id)?.label ?? id;

function limitText(t: Words, limit: RateCause, planCase: PlanCase): string {
  switch (limit.by) {
    case 'cpu':
      return t('rates.cpu', { rate: limit.maxRateMTs });
    case 'load':
      return t('rates.load', { count: limit.modulesInFullest, rate: limit.maxRateMTs });
    case 'kept':
      return t('rates.kept', { slot: limit.slot, rate: limit.rateMTs });
    case 'soldered':
      return t('rates.soldered', { slot: limit.slot, rate: limit.rateMTs });
    case 'bought':
      return t('rates.bought', { offer: labelOf(planCase, limit.offer), rate: limit.rateMTs });
    case 'board':
      return t('rates.board', { rate: limit.capMTs });
  }
}

/** What a plan's rate comes from, in a few words; empty where nothing is known of it. */
export function whyRate(t: Words, { limits }: Pick<PlanExplained, 'limits'>): string {
  const [first] = limits;
  if (first === undefined) return '';
  if (first.by === 'load') return t('shortRates.load', { count: first.modulesInFullest });
  return first.by === 'kept' ? t('shortRates.kept', { slot: first.slot }) : t(`shortRates.${first.by}`);
}

/** A plan's figures with what they come from, a sentence each. */
export function planSentences(t: Words, planCase: PlanCase, explained: PlanExplained): string[] {
  const { rateMTs, limits, ratedFaster, channels, moved } = explained;
  const faster = ratedFaster.map((one) =>
    t('rates.bought', { offer: labelOf(planCase, one.offer), rate: one.rateMTs }),
  );
  const each = channels.map(({ channel, mib }) =>
    t('told.channel', { channel, what: mib === 0 ? t('told.emptyChannel') : capacityText(mib) }),
  );
  return [
    t('told.runs', { rate: rateMTs, limits: limits.map((limit) => limitText(t, limit, planCase)).join('; ') }),
    ...(faster.length === 0 ? [] : [t('told.faster', { faster: faster.join('; ') })]),
    ...(channels.length < 2 ? [] : [t('told.channels', { channels: each.join(', ') })]),
    ...moved.map(({ from, to }) => t('told.moves', { from, to })),
  ];
}

/** How a limit is said where the machine does not just take the named. */
const BOUNDS: Partial<Record<OfferRefusal, 'refused.upTo' | 'refused.room' | 'refused.slowest'>> = {
  'module-size': 'refused.upTo',
  height: 'refused.room',
  density: 'refused.upTo',
  rate: 'refused.slowest',
};
const CAPACITY_CODES: readonly OfferRefusal[] = ['module-failed', 'module-size'];
const UNITS: Partial<Record<OfferRefusal, string>> = { height: ' mm', density: ' Gbit', rate: ' MT/s', voltage: ' mV' };

/** Why an offer is refused, with its numbers. */
export function refusedText(t: Words, { code, is, takes }: RefusedBecause): string {
  const value = (one: string | number) =>
    CAPACITY_CODES.includes(code) && typeof one === 'number' ? capacityText(one) : `${one}${UNITS[code] ?? ''}`;
  const why = t(`refusals.${code}`);
  const numbers = [
    ...(is === null ? [] : [t('refused.is', { value: value(is) })]),
    ...(takes === null ? [] : [t(BOUNDS[code] ?? 'refused.takes', { value: value(takes) })]),
  ];
  return numbers.length === 0 ? why : t('refused.with', { why, numbers: numbers.join(', ') });
}

/** How far a plan is from a wish. */
export function wishText({ t, money }: PlanSay, wish: Wish, by: number): string {
  switch (wish) {
    case 'minMiB':
      return t('wishes.minMiB', { size: capacityText(by) });
    case 'maxPriceCents':
      return t('wishes.maxPriceCents', { price: money(by) });
    case 'minOpenSlots':
      return t('wishes.minOpenSlots', { count: by });
    case 'minRateMTs':
      return t('wishes.minRateMTs', { rate: by });
    default:
      return t(`wishes.${wish}`);
  }
}

/** What one plan is better in than another that it beats, in words; empty: they are alike in all. */
function betterIn({ t, tTrade, money }: PlanSay, better: Plan, other: Plan): string[] {
  const more = better.totalMiB - other.totalMiB;
  const slots = better.openSlots - other.openSlots;
  const cautions = { better: tTrade(`cautions.${better.care}`), other: tTrade(`cautions.${other.care}`) };
  return [
    ...(better.priceCents < other.priceCents
      ? [t('better.price', { price: money(other.priceCents - better.priceCents) })]
      : []),
    ...(more > 0 ? [t('better.total', { size: capacityText(more) })] : []),
    ...(better.bandwidthMBs > other.bandwidthMBs
      ? [t('better.bandwidth', { better: better.bandwidthMBs, other: other.bandwidthMBs })]
      : []),
    ...(better.care !== other.care ? [t('better.caution', cautions)] : []),
    ...(slots > 0 ? [t('better.slots', { count: slots })] : []),
  ];
}

/** Why an offer is in no plan, or in which, line by line. */
export function offerSentences(say: PlanSay, planCase: PlanCase, explained: OfferExplained): string[] {
  const { t } = say;
  switch (explained.kind) {
    case 'in-plans': {
      const { plans } = explained;
      return [
        t('offer.in', { count: plans.length }),
        ...plans.slice(0, 3).map((plan) => planLine(say, planCase, plan)),
      ];
    }
    case 'refused':
      return [t('offer.refused', { why: explained.because.map((one) => refusedText(t, one)).join('; ') })];
    case 'no-room':
      return [t('offer.no-room', { modules: explained.modules, free: explained.free })];
    case 'too-few':
      return [t('offer.too-few', { needed: explained.needed, stock: explained.stock })];
    case 'set-refused':
      return [t('offer.set-refused', { why: explained.codes.map((code) => t(`sets.${code}`)).join('; ') })];
    case 'outside-goal': {
      const why = explained.broken.map(({ wish, by }) => wishText(say, wish, by)).join('; ');
      return [t('offer.outside', { why }), t('offer.nearest', { plan: planLine(say, planCase, explained.plan) })];
    }
    case 'beaten': {
      const { own, by } = explained;
      const better = betterIn(say, by, own);
      const line = planLine(say, planCase, by);
      if (better.length === 0) return [t('offer.equal'), line];
      const that = t('offer.that', { better: better.join(', '), plan: planLine(say, planCase, own) });
      return [t('offer.beaten'), line, that];
    }
    default:
      return [t(`offer.${explained.kind}`)];
  }
}

/** A plan that misses one wish, in a line. */
export function nearestSentence(say: PlanSay, planCase: PlanCase, { wish, by, plan }: NearestPlan): string {
  return say.t('nearest', { wish: wishText(say, wish, by), plan: planLine(say, planCase, plan) });
}
