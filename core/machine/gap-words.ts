import { capacityText } from '../memory/capacity';
import { EDGE_GENERATIONS, GENERATION_FACTS } from '../memory/generation';
import { pinCount } from '../memory/module-words';
import { isModuleCapacity } from '../reading/listing/listing-capacity';
import type { Gap } from './case-of-job';
import type { Limits } from './limits/resolve-claims';
import type { JobSlot } from './slots/job-slot';

/** One question that must be answered, with likely answers, the likeliest first. */
export interface GapQuestion {
  text: string;
  answer:
    | { to: 'slot'; slot: string; field: 'capacityMiB' | 'rateMTs'; likely: { text: string; value: number }[] }
    | { to: 'limit'; limit: 'generations' | 'form'; likely: { text: string; value: string | string[] }[] }
    | { to: 'board' };
}

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

/** `the module in A`, `each of the 2 modules in A and B`. */
function whichModule(slot: string, slots: readonly JobSlot[]): string {
  const names = sameAs(slot, slots).map(({ name }) => name);
  if (names.length < 2) return `the module in ${slot}`;
  return `each of the ${names.length} modules in ${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
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

/** A gap as the question a technician is asked. */
export function questionFor(
  gap: Gap,
  slots: readonly JobSlot[],
  limits: Limits,
  shown: Shown = NOT_SHOWN,
): GapQuestion {
  if (gap.what === 'slots')
    return {
      text: 'Which slots does the machine have? Read a report, pick a model, or add them on the board.',
      answer: { to: 'board' },
    };
  if (gap.what === 'generations') {
    const likely = [...EDGE_GENERATIONS].reverse().map((name) => ({ text: name, value: [name] }));
    return {
      text: 'Which memory generation does this machine take?',
      answer: { to: 'limit', limit: 'generations', likely },
    };
  }
  if (gap.what === 'form') {
    const [generation] = limits.generations?.value ?? [];
    const likely = ['DIMM', 'SO-DIMM'].map((form) => {
      const pins = generation === undefined ? null : pinCount({ generation, form });
      return { text: pins === null ? form : `${form}, ${pins} contacts`, value: form };
    });
    return { text: 'Which form do its modules have?', answer: { to: 'limit', limit: 'form', likely } };
  }
  const [field] = gap.fields;
  if (field === 'capacityMiB') {
    const likely = likelySizes(slots, shown).map((mib) => ({ text: capacityText(mib), value: mib }));
    return {
      text: `How large is ${whichModule(gap.slot, slots)}?`,
      answer: { to: 'slot', slot: gap.slot, field, likely },
    };
  }
  if (field === 'rateMTs') {
    const likely = likelyRates(slots, limits, shown).map((rate) => ({ text: `${rate} MT/s`, value: rate }));
    return {
      text: `How fast is ${whichModule(gap.slot, slots)}? The label says it as MHz, MT/s or PC number.`,
      answer: { to: 'slot', slot: gap.slot, field, likely },
    };
  }
  return questionFor(field === 'form' ? { what: 'form' } : { what: 'generations' }, slots, limits, shown);
}
