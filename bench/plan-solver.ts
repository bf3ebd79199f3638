import loadHighs from 'highs';
import type { PlanCase } from '../core/planning/model/case';

/*
 * The rival: the price of the cheapest plan as a mixed-integer model. It knows sockets, stock, the number of different
 * offers, what may stay, and the ceiling; that is all that bears on the least price of the case it is used on.
 */

const DEFAULT_OFFERS_IN_PLAN = 2;

function model(planCase: PlanCase, totalMiB: number): string {
  const { installed, offers, machine } = planCase;
  const sockets = machine.slots.length;
  const most = offers.map(({ modules, stock }) => Math.min(Math.floor(sockets / modules), stock ?? sockets));
  const used = [...offers.keys()].filter((nr) => (most[nr] ?? 0) > 0);
  const terms = (of: (nr: number) => number, name: string, list: number[]) =>
    list.map((nr) => `+ ${of(nr)} ${name}${nr}`).join(' ');
  const kept = [...installed.keys()];
  const credit = (nr: number) => installed[nr]?.creditCents ?? 0;
  const capacity = (nr: number) => offers[nr]?.module.capacityMiB ?? 0;
  const mib = `${terms((nr) => (offers[nr]?.modules ?? 0) * capacity(nr), 'u', used)} ${terms((nr) => installed[nr]?.module.capacityMiB ?? 0, 'k', kept)}`;
  const ceilings = [machine.ceilings?.totalMiB?.official ?? 0, machine.ceilings?.totalMiB?.proven ?? 0];
  return [
    'Minimize',
    `price: ${terms((nr) => offers[nr]?.priceCents ?? 0, 'u', used)} ${terms(credit, 'k', kept)}`,
    'Subject To',
    `total: ${mib} >= ${totalMiB}`,
    `ceiling: ${mib} <= ${Math.max(...ceilings)}`,
    `sockets: ${terms((nr) => offers[nr]?.modules ?? 0, 'u', used)} ${terms(() => 1, 'k', kept)} <= ${sockets}`,
    `different: ${terms(() => 1, 'y', used)} <= ${planCase.goal?.maxOffers ?? DEFAULT_OFFERS_IN_PLAN}`,
    ...used.map((nr) => `of${nr}: u${nr} - ${most[nr]} y${nr} <= 0`),
    'Bounds',
    ...used.map((nr) => `0 <= u${nr} <= ${most[nr]}`),
    'General',
    used.map((nr) => `u${nr}`).join(' '),
    'Binary',
    `${used.map((nr) => `y${nr}`).join(' ')} ${kept.map((nr) => `k${nr}`).join(' ')}`,
    'End',
  ].join('\n');
}

/** The least price of a plan of at least each total, minor units. */
export async function cheapestBySolver(planCase: PlanCase, totals: readonly number[]): Promise<number[]> {
  const highs = await loadHighs();
  const credits = planCase.installed.reduce((sum, { creditCents }) => sum + (creditCents ?? 0), 0);
  const fixed = (planCase.labourCents ?? 0) - credits;
  return totals.map((totalMiB) => {
    const { Status, ObjectiveValue } = highs.solve(model(planCase, totalMiB), { mip_rel_gap: 0 });
    if (Status !== 'Optimal') throw new Error(`the solver ended with "${Status}"`);
    return Math.round(ObjectiveValue) + fixed;
  });
}
