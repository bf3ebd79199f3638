import { planKey, type Rung } from '@/core/planning/filters/ladder';

const price = (rung: Rung | undefined, key: string): number =>
  rung?.plans.find((plan) => planKey(plan) === key)?.priceCents ?? 0;

/**
 * The plan that an arrow key leads to: along the rung by price, between rungs to the nearest price.
 *
 * @param rungs from the top of the picture down
 * @returns the plan's key, or null where the key does not move
 */
export function nextPlanKey(rungs: readonly Rung[], current: string, arrow: string): string | null {
  const rung = rungs.findIndex(({ plans }) => plans.some((plan) => planKey(plan) === current));
  const here = rungs[rung];
  if (here === undefined) return null;
  const along = here.plans.findIndex((plan) => planKey(plan) === current);
  const pick = (index: number) => {
    const plan = here.plans[index];
    return plan === undefined ? null : planKey(plan);
  };
  if (arrow === 'ArrowRight') return pick(along + 1);
  if (arrow === 'ArrowLeft') return pick(along - 1);
  if (arrow === 'Home') return pick(0);
  if (arrow === 'End') return pick(here.plans.length - 1);
  if (arrow !== 'ArrowUp' && arrow !== 'ArrowDown') return null;
  const there = rungs[rung + (arrow === 'ArrowDown' ? 1 : -1)];
  const [nearest] = [...(there?.plans ?? [])].sort(
    (a, b) => Math.abs(a.priceCents - price(here, current)) - Math.abs(b.priceCents - price(here, current)),
  );
  return nearest === undefined ? null : planKey(nearest);
}
