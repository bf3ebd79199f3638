import type { Offer, PlanCase } from './case';
import { commonDivisor } from './common-divisor';

/** So many equal machines are fitted alike. */
export const machinesOf = ({ machines }: Pick<PlanCase, 'machines'>): number => machines ?? 1;

/** So many packs at a time can be shared out evenly among the machines. */
export function packsAtATime(planCase: Pick<PlanCase, 'machines'>, { modules }: Pick<Offer, 'modules'>): number {
  const machines = machinesOf(planCase);
  return machines / commonDivisor(machines, modules);
}

/** Modules of so many packs that go into each machine; no whole number: they cannot be shared out evenly. */
export const modulesEach = (
  planCase: Pick<PlanCase, 'machines'>,
  { modules }: Pick<Offer, 'modules'>,
  packs: number,
): number => {
  const machines = machinesOf(planCase);
  return machines === 1 ? packs * modules : (packs * modules) / machines;
};
