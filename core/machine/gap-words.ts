import { capacityText } from '../memory/capacity';
import { EDGE_GENERATIONS, GENERATION_FACTS } from '../memory/generation';
import { pinCount } from '../memory/module-words';
import type { Gap } from './case-of-job';
import type { JobSlot } from './job-slot';
import type { Limits } from './weigh';

/** One question that must be answered, with likely answers, the likeliest first. */
export interface Question {
  text: string;
  answer:
    | { to: 'slot'; slot: string; field: 'capacityMiB' | 'rateMTs'; likely: { text: string; value: number }[] }
    | { to: 'limit'; limit: 'generations' | 'form'; likely: { text: string; value: string | string[] }[] }
    | { to: 'board' };
}

/** Rates the module in question most likely has: those of its sisters first, then its generation's. */
function likelyRates(slots: readonly JobSlot[], limits: Limits): number[] {
  const [generation] = limits.generations?.value ?? [];
  const sisters = slots.map((slot) => slot.module?.rateMTs).filter((rate) => rate != null);
  return [...new Set([...sisters, ...(generation === undefined ? [] : GENERATION_FACTS[generation].ratesMTs)])].slice(
    0,
    6,
  );
}

function likelySizes(slots: readonly JobSlot[]): number[] {
  const sisters = slots.map((slot) => slot.module?.capacityMiB).filter((size) => size != null);
  return [...new Set([...sisters, 2048, 4096, 8192, 16384])].slice(0, 5);
}

/** A gap as the question a technician is asked. */
export function questionFor(gap: Gap, slots: readonly JobSlot[], limits: Limits): Question {
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
    const likely = likelySizes(slots).map((mib) => ({ text: capacityText(mib), value: mib }));
    return { text: `How large is the module in ${gap.slot}?`, answer: { to: 'slot', slot: gap.slot, field, likely } };
  }
  if (field === 'rateMTs') {
    const likely = likelyRates(slots, limits).map((rate) => ({ text: `${rate} MT/s`, value: rate }));
    return {
      text: `How fast is the module in ${gap.slot}? Its label says it as MHz, MT/s or PC number.`,
      answer: { to: 'slot', slot: gap.slot, field, likely },
    };
  }
  return questionFor(field === 'form' ? { what: 'form' } : { what: 'generations' }, slots, limits);
}
