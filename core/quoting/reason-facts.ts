import { capacityText } from '../memory/capacity';
import type { PlanCase } from '../planning/model/case';
import type { EffectiveLimits } from '../planning/rules/effective-limits';
import type { Plan } from '../planning/search/plan';
import type { ReasonFacts } from './reason-words';

/** The figures that sentences about a plan speak of. */
export function reasonFacts(planCase: PlanCase, plan: Plan, force: EffectiveLimits): ReasonFacts {
  const text = (mib: number | null | undefined) => (mib == null ? null : capacityText(mib));
  return {
    totalText: capacityText(plan.totalMiB),
    officialTotalText: text(force.total.official),
    officialModuleText: text(force.module.official),
    rateMTs: plan.rateMTs,
    todayRateMTs: force.today.rateMTs,
    bandwidthMBs: plan.bandwidthMBs,
    todayBandwidthMBs: force.today.bandwidthMBs,
    effectiveChannels: plan.effectiveChannels,
    osVisibleText: text(planCase.machine.os?.visibleMiB),
  };
}
