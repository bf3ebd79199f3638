import type { MemoryModule } from '../../memory/module';
import type { Offer, PlanCase } from '../model/case';

/** What a module of an offer has in common with one in the machine, what weighs most first. */
export const LIKENESSES = ['part', 'maker', 'rateMTs', 'casLatency', 'ranks'] as const;
export type Likeness = (typeof LIKENESSES)[number];

/** A module in the machine, and the offers that match it: those that have most in common first, of like ones the cheapest. */
export interface LikeInstalled {
  /** slots that hold such a module */
  slots: string[];
  module: MemoryModule;
  offers: { offer: Offer; same: Likeness[] }[];
}

/** Makers and parts are written in many ways: letters and digits count. */
const plain = (value: unknown): unknown =>
  typeof value === 'string' ? value.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '') : (value ?? null);

/** Modules that a machine tells apart in nothing that these rules look at. */
const isAlike = (a: MemoryModule, b: MemoryModule): boolean =>
  a.generation === b.generation &&
  a.form === b.form &&
  a.buffering === b.buffering &&
  a.ecc === b.ecc &&
  a.capacityMiB === b.capacityMiB;

function sameIn(a: MemoryModule, b: MemoryModule): Likeness[] {
  return LIKENESSES.filter((what) => {
    const own = plain(a[what]);
    return own !== null && own !== '' && own === plain(b[what]);
  });
}

/** How much likenesses weigh: each outweighs all that come after it. */
const weight = (same: readonly Likeness[]): number =>
  same.reduce((sum, what) => sum + 2 ** (LIKENESSES.length - LIKENESSES.indexOf(what)), 0);

/** For each kind of module in the machine, soldered ones too, the offers of the same size and kind. */
export function likeInstalled({ installed, machine, offers }: PlanCase): LikeInstalled[] {
  const inside = [
    ...installed.map(({ slot, module }) => ({ slot, module })),
    ...machine.slots.flatMap(({ id, soldered }) => (soldered == null ? [] : [{ slot: id, module: soldered }])),
  ];
  const kinds = new Map<string, { slots: string[]; module: MemoryModule }>();
  for (const { slot, module } of inside) {
    const { generation, form, buffering, ecc, capacityMiB } = module;
    const key = JSON.stringify([generation, form, buffering, ecc, capacityMiB, ...LIKENESSES.map((of) => module[of])]);
    const kind = kinds.get(key);
    if (kind === undefined) kinds.set(key, { slots: [slot], module });
    else kind.slots.push(slot);
  }
  return [...kinds.values()].map(({ slots, module }) => ({
    slots,
    module,
    offers: offers
      .filter((offer) => isAlike(offer.module, module))
      .map((offer) => ({ offer, same: sameIn(offer.module, module) }))
      .sort(
        (a, b) =>
          weight(b.same) - weight(a.same) ||
          a.offer.priceCents / a.offer.modules - b.offer.priceCents / b.offer.modules,
      ),
  }));
}
