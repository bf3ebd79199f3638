import { EDGE_GENERATIONS, GENERATION_FACTS } from '../memory/generation';
import { pinCount } from '../memory/module-words';
import { isModuleCapacity } from '../reading/listing/listing-capacity';
import type { Gap } from './case-of-job';
import type { Limits } from './limits/resolve-claims';
import type { JobSlot } from './slots/job-slot';

/** What an answer follows from: a rate (MT/s) or a voltage (mV) that is known of its modules. */
export type FollowsFrom = { rateMTs: number } | { voltageMv: number };

/** A likely generation; `follows` says what else is known that it follows from. */
interface LikelyGeneration {
  value: (typeof EDGE_GENERATIONS)[number];
  follows: FollowsFrom | null;
}

/** One question that must be answered, with likely answers, the likeliest first. Capacities MiB, rates MT/s. */
export type GapQuestion =
  | { ask: 'slots' }
  /** `likely`: what follows from something that is known, or all where nothing is; `others`: the rest */
  | { ask: 'generations'; likely: LikelyGeneration[]; others: LikelyGeneration[] }
  /** with the contacts of its edge where the generation says them */
  | { ask: 'form'; likely: { value: 'DIMM' | 'SO-DIMM'; pins: number | null }[] }
  /** `slots`: those whose modules are known no better than this one */
  | { ask: 'capacityMiB' | 'rateMTs'; slot: string; slots: string[]; likely: number[] };

/** What a system's screen shows of all modules together: their total, MiB, and the rate that they run at, MT/s. */
export interface Shown {
  installedMiB: number | null;
  rateMTs: number | null;
}
const NOT_SHOWN: Shown = { installedMiB: null, rateMTs: null };

/** Slots whose modules are known no better than this one: what is told of it is told of all. */
export function sameAs(slot: string, slots: readonly JobSlot[]): JobSlot[] {
  const module = slots.find(({ name }) => name === slot)?.module ?? null;
  if (module === null || module.part !== null) return slots.filter(({ name }) => name === slot);
  const known = (one: JobSlot['module']): string => JSON.stringify(one === null ? null : { ...one, serial: null });
  return slots.filter((one) => !one.soldered && known(one.module) === known(module));
}

/** Rates the module in question most likely has: those of its sisters first, then its generation's. */
function likelyRates(slots: readonly JobSlot[], limits: Limits, shown: Shown): number[] {
  const [generation] = limits.generations?.value ?? [];
  const sisters = [shown.rateMTs, ...slots.map((slot) => slot.module?.rateMTs)].filter((rate) => rate != null);
  return [...new Set([...sisters, ...(generation === undefined ? [] : GENERATION_FACTS[generation].ratesMTs)])].slice(
    0,
    6,
  );
}

function likelySizes(slots: readonly JobSlot[], { installedMiB }: Shown): number[] {
  const filled = slots.filter(({ module }) => module !== null).length;
  const share = installedMiB === null || filled === 0 ? null : installedMiB / filled;
  const even = share !== null && isModuleCapacity(share) ? [share] : [];
  const sisters = slots.map((slot) => slot.module?.capacityMiB).filter((size) => size != null);
  return [...new Set([...even, ...sisters, 2048, 4096, 8192, 16384])].slice(0, 5);
}

/** Generations that fit what is known of the modules in the slots, the ones that fit more first. */
function likelyGenerations(slots: readonly JobSlot[], shown: Shown): LikelyGeneration[] {
  const modules = slots.flatMap(({ module }) => (module === null ? [] : [module]));
  const voltageMv = modules.flatMap(({ voltagesMv }) => voltagesMv ?? [])[0];
  const rateMTs = [...modules.map((module) => module.rateMTs), shown.rateMTs].find((rate) => rate != null);
  const newestFirst = [...EDGE_GENERATIONS].reverse();
  const byVoltage = newestFirst.filter(
    (name) => voltageMv != null && GENERATION_FACTS[name].voltagesMv.includes(voltageMv),
  );
  const byRate = newestFirst.filter((name) => rateMTs != null && GENERATION_FACTS[name].ratesMTs.includes(rateMTs));
  const first = byVoltage.length > 0 ? byVoltage : byRate;
  return newestFirst
    .map((value): LikelyGeneration => {
      if (voltageMv != null && byVoltage.includes(value)) return { value, follows: { voltageMv } };
      return { value, follows: rateMTs != null && byRate.includes(value) ? { rateMTs } : null };
    })
    .sort((a, b) => Number(first.includes(b.value)) - Number(first.includes(a.value)));
}

/** A gap as the question a technician is asked. */
export function questionFor(
  gap: Gap,
  slots: readonly JobSlot[],
  limits: Limits,
  shown: Shown = NOT_SHOWN,
): GapQuestion {
  if (gap.what === 'slots') return { ask: 'slots' };
  if (gap.what === 'generations') {
    const all = likelyGenerations(slots, shown);
    const likely = all.filter(({ follows }) => follows !== null);
    return likely.length === 0
      ? { ask: 'generations', likely: all, others: [] }
      : { ask: 'generations', likely, others: all.filter(({ follows }) => follows === null) };
  }
  if (gap.what === 'form') {
    const [generation] = limits.generations?.value ?? [];
    const pinsOf = (form: 'DIMM' | 'SO-DIMM') => (generation === undefined ? null : pinCount({ generation, form }));
    return { ask: 'form', likely: (['DIMM', 'SO-DIMM'] as const).map((value) => ({ value, pins: pinsOf(value) })) };
  }
  const [field] = gap.fields;
  if (field !== 'capacityMiB' && field !== 'rateMTs') {
    return questionFor(field === 'form' ? { what: 'form' } : { what: 'generations' }, slots, limits, shown);
  }
  const likely = field === 'capacityMiB' ? likelySizes(slots, shown) : likelyRates(slots, limits, shown);
  return { ask: field, slot: gap.slot, slots: sameAs(gap.slot, slots).map(({ name }) => name), likely };
}
