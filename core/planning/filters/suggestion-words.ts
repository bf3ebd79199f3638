import { capacityText } from '../../memory/capacity';
import { percentText } from '../../pricing/percent-text';
import type { PlanSay } from '../explain/plan-say';
import type { WhyBest } from './best-of-rung';
import type { Because } from './suggest-three';

/** Why a plan is suggested, as a sentence. */
export function becauseText({ t, money }: PlanSay, because: Because): string {
  switch (because.why) {
    case 'first':
      return t('suggest.first', { size: capacityText(because.totalMiB), price: money(because.cents) });
    case 'asked': {
      const { by, name, needMiB } = because.asked;
      return t(`suggest.asked.${by}`, { name, size: capacityText(needMiB), price: money(because.cents) });
    }
    case 'exact':
      return t('suggest.exact', { price: money(because.cents) });
    case 'reaches':
      return t('suggest.reaches', { size: capacityText(because.needMiB), price: money(because.cents) });
    case 'clear':
      return because.moreCents <= 0
        ? t(`suggest.clearAt.${because.over}`)
        : t(`suggest.clear.${because.over}`, { price: money(because.moreCents) });
    case 'comfortable':
      return t('suggest.comfortable', { size: capacityText(because.moreMiB), price: money(because.moreCents) });
    case 'most': {
      const { cents, budgetCents } = because;
      return budgetCents === null
        ? t('suggest.most', { price: money(cents) })
        : t('suggest.budget', { budget: money(budgetCents), price: money(cents) });
    }
    default:
      return t(`suggest.${because.why}`);
  }
}

/** Why a plan is the best of its rung, as a sentence. @param toleranceBp hundredths of a percent */
export function whyBestText({ t, money }: PlanSay, why: WhyBest, toleranceBp: number): string {
  const within = { percent: percentText(toleranceBp), price: money(why.leastCents) };
  if (why.near === 1) return why.isAlone ? t('best.alone') : t('best.only', within);
  const [first, ...rest] = why.deciders;
  if (first === undefined) return t('best.alike', { ...within, count: why.near });
  const has = rest.reduce<string>((a, by) => t('best.then', { a, b: t(`best.${by}`) }), t(`best.${first}`));
  return t('best.of', { ...within, count: why.near, has });
}
