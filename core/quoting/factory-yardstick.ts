import type { FactoryOption } from '../machine/models/model';
import type { JobSlot } from '../machine/slots/job-slot';
import type { Plan } from '../planning/search/plan';

/** A configuration that the maker sells, held against fitting the memory here. */
export interface YardstickRow {
  totalMiB: number;
  /** what the maker asks over the smallest configuration that needs no other base model, minor units */
  factoryCents: number;
  /** the base model that the maker requires for it; empty: any */
  baseModel: string;
  /** the cheapest plan that reaches it; null: none does */
  plan: Pick<Plan, 'totalMiB' | 'priceCents' | 'care' | 'lane'> | null;
  /** what fitting it here saves; negative: what it costs more */
  savingCents: number | null;
}

export interface Yardstick {
  rows: YardstickRow[];
  /** the smallest configuration, the one to buy where the rest is fitted here */
  smallest: FactoryOption;
  /** the most that the maker sells it with; plans may go beyond */
  factoryMaxMiB: number | null;
  /** the most that a plan reaches; 0 without plans */
  mostMiB: number;
}

/** How a machine's memory is built in: what is soldered cannot be changed after the buying. */
export type Soldered =
  | { kind: 'none' }
  | { kind: 'some'; solderedMiB: number | null; sockets: number }
  | { kind: 'all'; solderedMiB: number | null };

/** What of a machine's memory is soldered, as far as its slots are known. */
export function solderedOf(slots: readonly JobSlot[]): Soldered {
  const soldered = slots.filter((slot) => slot.soldered);
  if (soldered.length === 0) return { kind: 'none' };
  const sizes = soldered.map(({ module }) => module?.capacityMiB ?? null);
  const solderedMiB = sizes.reduce<number | null>(
    (sum, size) => (sum === null || size === null ? null : sum + size),
    0,
  );
  const sockets = slots.length - soldered.length;
  return sockets === 0 ? { kind: 'all', solderedMiB } : { kind: 'some', solderedMiB, sockets };
}

/**
 * The maker's own configurations as a yardstick: each beside the cheapest plan that reaches its total. They are not on
 * sale here; where the machine is not bought yet, the smallest with a plan is what the others are held against.
 *
 * @returns null where the library knows no configurations of the model
 */
export function factoryYardstick(
  options: readonly FactoryOption[],
  factoryMaxMiB: number | null,
  plans: readonly Plan[],
): Yardstick | null {
  const sorted = [...options].sort(
    (a, b) => a.totalMiB - b.totalMiB || a.surchargeCents - b.surchargeCents || a.baseModel.localeCompare(b.baseModel),
  );
  const [smallest] = sorted;
  if (smallest === undefined) return null;
  const rows = sorted.slice(1).map(({ totalMiB, surchargeCents, baseModel }): YardstickRow => {
    const factoryCents = surchargeCents - smallest.surchargeCents;
    const plan = plans
      .filter((one) => one.totalMiB >= totalMiB)
      .reduce<Plan | null>((best, one) => (best === null || one.priceCents < best.priceCents ? one : best), null);
    return {
      totalMiB,
      factoryCents,
      baseModel,
      plan,
      savingCents: plan === null ? null : factoryCents - plan.priceCents,
    };
  });
  return { rows, smallest, factoryMaxMiB, mostMiB: Math.max(0, ...plans.map((plan) => plan.totalMiB)) };
}

/** What the maker sells the machine in, as the library knows it or as somebody was told for this one. */
export interface SoldAs extends FactoryOption {
  /** told for this machine, whether it would be bought new or put in by its maker */
  isTyped?: boolean;
}

/** What the maker asks for a total over what the machine has today. Minor units. */
export interface MakerAsks {
  cents: number;
  /** the total that it is over, MiB */
  overMiB: number;
  /** told for this machine; otherwise it is what the maker asks when the machine is bought new */
  isTyped: boolean;
}

/**
 * What the maker asks for the same total: over its smallest configuration that has no less than there is today.
 * Configurations that need another base model are none of this machine.
 *
 * @returns null: the library knows no such configuration
 */
export function makerAsks(options: readonly SoldAs[], totalMiB: number, todayMiB: number): MakerAsks | null {
  const plain = options.filter(({ baseModel }) => baseModel === '').sort((a, b) => a.totalMiB - b.totalMiB);
  const same = plain.find((one) => one.totalMiB === totalMiB);
  // Over less than there is, it would claim what the customer has paid for already.
  const from = plain.find((one) => one.totalMiB >= todayMiB);
  if (same === undefined || from === undefined || from.totalMiB >= totalMiB) return null;
  const cents = same.surchargeCents - from.surchargeCents;
  return cents <= 0 ? null : { cents, overMiB: from.totalMiB, isTyped: same.isTyped === true };
}
