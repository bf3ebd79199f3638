import { capacityText } from '../../memory/capacity';
import { careLevel } from '../rules/care';
import type { Plan } from '../search/plan';
import { effectiveChannelsText } from './channel-words';
import { listed, type PlanSay } from './plan-say';

/** A plan with what is not in the plan itself. */
export interface Compared {
  plan: Plan;
  /** modules that are in the machine today */
  installed: number;
  /** days until all of it is here; 0: here now */
  leadDays: number;
}

/** What one plan gives more, or less, than another. */
export interface Step {
  /** how much dearer it is, minor units; below 0: cheaper */
  cents: number;
  gains: string[];
  /** each a verb with what is done less well */
  losses: string[];
  /** days that it is here later; below 0: sooner */
  laterDays: number;
}

/** A figure in which plans can differ: what is better, how that is said of the better one, and what the other does instead. */
interface Figure {
  of: (one: Compared) => number;
  /** what is bought: "+18 buys …" */
  gain: (say: PlanSay, better: Compared, worse: Compared) => string;
  /** what is done less well: "but …" */
  loss: (say: PlanSay, worse: Compared, better: Compared) => string;
}

const between = (better: Compared, worse: Compared, of: (plan: Plan) => number): number =>
  of(better.plan) - of(worse.plan);

const FIGURES: readonly Figure[] = [
  {
    of: ({ plan }) => plan.totalMiB,
    gain: ({ t }, better, worse) =>
      t('step.more', { size: capacityText(between(better, worse, (one) => one.totalMiB)) }),
    loss: ({ t }, worse, better) =>
      t('step.less', { size: capacityText(between(better, worse, (one) => one.totalMiB)) }),
  },
  {
    of: ({ plan }) => plan.effectiveChannels,
    gain: ({ t }, { plan }) => effectiveChannelsText(t, plan.effectiveChannels),
    loss: ({ t }, { plan }, better) =>
      t('step.channelsLess', {
        channels: effectiveChannelsText(t, plan.effectiveChannels),
        other: effectiveChannelsText(t, better.plan.effectiveChannels),
      }),
  },
  {
    of: ({ plan }) => plan.rateMTs,
    gain: ({ t }, better, worse) => t('step.rate', { rate: better.plan.rateMTs, other: worse.plan.rateMTs }),
    loss: ({ t }, worse, better) => t('step.rateLess', { rate: worse.plan.rateMTs, other: better.plan.rateMTs }),
  },
  {
    of: ({ plan }) => plan.openSlots,
    gain: ({ t }, better, worse) =>
      worse.plan.openSlots === 0
        ? t('step.slots', { count: better.plan.openSlots })
        : t('step.moreSlots', { count: between(better, worse, (one) => one.openSlots) }),
    loss: ({ t }, worse, better) => t('step.slotsLess', { count: between(better, worse, (one) => one.openSlots) }),
  },
  {
    of: ({ plan }) => -careLevel(plan.care),
    gain: ({ t, tTrade }, { plan }, worse) =>
      plan.care === 'clear'
        ? t('step.clear')
        : t('step.caution', {
            caution: tTrade(`cautions.${plan.care}`),
            other: tTrade(`cautions.${worse.plan.care}`),
          }),
    loss: ({ t, tTrade }, { plan }, better) =>
      t('step.cautionLess', {
        caution: tTrade(`cautions.${plan.care}`),
        other: tTrade(`cautions.${better.plan.care}`),
      }),
  },
  {
    of: ({ plan }) => plan.kept.length,
    gain: ({ t }, better, worse) =>
      better.plan.kept.length === better.installed
        ? t('step.allKept', { count: better.installed })
        : t('step.kept', { count: between(better, worse, (one) => one.kept.length) }),
    loss: ({ t }, worse, better) => t('step.keptLess', { count: between(better, worse, (one) => one.kept.length) }),
  },
];

/** What a plan gives against another. */
export function stepBetween(say: PlanSay, from: Compared, to: Compared): Step {
  const gains = FIGURES.filter(({ of }) => of(to) > of(from)).map(({ gain }) => gain(say, to, from));
  const losses = FIGURES.filter(({ of }) => of(to) < of(from)).map(({ loss }) => loss(say, to, from));
  return { cents: to.plan.priceCents - from.plan.priceCents, gains, losses, laterDays: to.leadDays - from.leadDays };
}

/**
 * What the dearer of two buys or gives up, in a sentence: `+€18.00 buys dual channel and a free slot, but takes out one more old module`.
 */
export function stepText({ t, money }: PlanSay, { cents, gains, losses, laterDays }: Step): string {
  const buys = [...gains, ...(laterDays < 0 ? [t('step.sooner', { days: -laterDays })] : [])];
  const loses = [...losses, ...(laterDays > 0 ? [t('step.later', { days: laterDays })] : [])];
  const lead = cents === 0 ? t('step.samePrice') : `${cents > 0 ? '+' : '−'}${money(Math.abs(cents))}`;
  const [gained, lost] = [listed(t, buys), listed(t, loses)];
  if (buys.length + loses.length === 0) return t('step.alike', { lead });
  if (buys.length === 0) return t('step.nothing', { lead, lost });
  return loses.length === 0 ? t('step.buys', { lead, gained }) : t('step.buysBut', { lead, gained, lost });
}
