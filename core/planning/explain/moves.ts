import type { PlanCase } from '../model/case';
import { fillOrder } from '../model/fill-order';
import type { Plan } from '../search/plan';

/** What of a machine, its modules and offers the moves depend on. */
export interface MovesCase {
  machine: Pick<PlanCase['machine'], 'slots' | 'fillOrder'>;
  installed: readonly { slot: string; module: { capacityMiB: number } }[];
  offers: readonly { id: string; module: { capacityMiB: number } }[];
}

/** One thing to do at the machine. Capacities MiB. */
export type Move =
  /** `set aside`: it comes out for a moment, since two modules change places */
  | { what: 'out' | 'set-aside'; slot: string; mib: number }
  | { what: 'move'; from: string; to: string; mib: number }
  | { what: 'in'; slot: string; offer: string; mib: number };

/**
 * What a plan asks of the person who fits it, in the order of doing: what goes comes out, then the modules that stay change their
 * places, each into a slot that is free by then, then the new ones go in by the fill order.
 */
export function movesOf({ machine, installed, offers }: MovesCase, plan: Pick<Plan, 'kept' | 'placement'>): Move[] {
  const mibIn = new Map(installed.map(({ slot, module }) => [slot, module.capacityMiB]));
  const out = installed
    .filter(({ slot }) => !plan.kept.includes(slot))
    .map(({ slot, module }): Move => ({ what: 'out', slot, mib: module.capacityMiB }));
  const waiting = Object.entries(plan.placement).flatMap(([to, seat]) =>
    'kept' in seat && seat.kept !== to ? [{ from: seat.kept, to }] : [],
  );
  const moved: Move[] = [];
  const taken = new Set(plan.kept);
  while (waiting.length > 0) {
    const next = waiting.findIndex(({ to }) => !taken.has(to));
    const [step] = next < 0 ? [] : waiting.splice(next, 1);
    if (step !== undefined) {
      const mib = mibIn.get(step.from) ?? 0;
      moved.push({ what: 'move', ...step, mib });
      taken.delete(step.from);
      taken.add(step.to);
      continue;
    }
    // They wait for each other: one is taken out first.
    const [first] = waiting;
    if (first === undefined) break;
    moved.push({ what: 'set-aside', slot: first.from, mib: mibIn.get(first.from) ?? 0 });
    taken.delete(first.from);
  }
  const order = fillOrder(machine.slots, machine.fillOrder ?? []).flatMap((nr) => machine.slots[nr]?.id ?? []);
  const mibOf = new Map(offers.map(({ id, module }) => [id, module.capacityMiB]));
  const come = order.flatMap((slot): Move[] => {
    const seat = plan.placement[slot];
    return seat !== undefined && 'offer' in seat
      ? [{ what: 'in', slot, offer: seat.offer, mib: mibOf.get(seat.offer) ?? 0 }]
      : [];
  });
  return [...out, ...moved, ...come];
}
