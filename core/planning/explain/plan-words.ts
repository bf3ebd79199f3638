import type { StaffWords } from '../../../words/staff-words';
import { capacityText } from '../../memory/capacity';
import { moduleText } from '../../memory/module-words';
import type { PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';
import type { Plan } from '../search/plan';
import { effectiveChannelsText } from './channel-words';
import { listed, type PlanSay } from './plan-say';

type Words = StaffWords<'plans'>;

/** What a plan buys, in words: `kit of 2: 16 GB DDR4-2666 CL19 DIMM`. */
export function boughtText(t: Words, planCase: PlanCase, plan: Plan): string {
  const texts = plan.bought.flatMap(({ offer: id, count }) => {
    const offer = offerOf(planCase.offers, id);
    if (offer === undefined) return [];
    const module = moduleText(offer.module);
    const what = offer.modules > 1 ? t('bought.kit', { modules: offer.modules, module }) : module;
    return [count > 1 ? t('bought.times', { count, what }) : what];
  });
  return texts.length === 0 ? t('bought.nothing') : listed(t, texts);
}

/** What becomes of the modules that are in the machine. */
export function fateText(t: Words, planCase: PlanCase, plan: Plan): string {
  const all = planCase.installed.length;
  const out = all - plan.kept.length;
  if (all === 0) return t('fate.empty');
  if (out === 0) return t('fate.stay', { count: all });
  return out === all ? t('fate.out', { count: all }) : t('fate.some', { out, all });
}

/** How it will run: `2400 MT/s, dual channel`. @param why what the rate comes from, in a few words; empty: it is not said */
export function runText(t: Words, plan: Plan, why = ''): string {
  const values = { rate: plan.rateMTs, channels: effectiveChannelsText(t, plan.effectiveChannels) };
  return why === '' ? t('run', values) : t('runWhy', { ...values, why });
}

export const freeText = (t: Words, plan: Plan): string => t('free', { slots: plan.openSlots });

/** A plan in a line: what it ends at, costs, buys and leaves. */
export function planLine({ t, money }: PlanSay, planCase: PlanCase, plan: Plan): string {
  return t('line', {
    total: capacityText(plan.totalMiB),
    price: money(plan.priceCents),
    run: runText(t, plan),
    bought: boughtText(t, planCase, plan),
    fate: fateText(t, planCase, plan),
  });
}
