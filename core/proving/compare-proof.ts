import { capacityText } from '../memory/capacity';
import type { QuoteOption } from '../quoting/snapshot';
import type { ReadMachine } from '../reading/reading';

/** One point of a promise beside what the machine says after fitting. */
export interface Finding {
  what: string;
  promised: string;
  found: string;
  verdict: 'kept' | 'broken' | 'untold';
}

type Promised = Pick<QuoteOption, 'totalMiB' | 'rateMTs' | 'after'>;

const sum = (values: readonly (number | null | undefined)[]): number =>
  values.reduce<number>((total, value) => total + (value ?? 0), 0);

const plainName = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]/g, '');

function totalFinding(promise: Promised, machine: ReadMachine): Finding {
  const found = sum(machine.memory.slots.map((slot) => slot.installed?.capacityMiB));
  return {
    what: 'Total',
    promised: capacityText(promise.totalMiB),
    found: capacityText(found),
    verdict: found === promise.totalMiB ? 'kept' : 'broken',
  };
}

/** Slots are matched by name, or in order where no name agrees and the counts do. */
function slotFindings(promise: Promised, machine: ReadMachine): Finding[] {
  const { slots } = machine.memory;
  const byName = promise.after.map(({ slot }) =>
    slots.find(({ locator }) => plainName(locator ?? '') === plainName(slot)),
  );
  const named = byName.some((seen) => seen !== undefined);
  return promise.after.map(({ slot, capacityMiB }, index) => {
    const seen = named ? byName[index] : slots.length === promise.after.length ? slots[index] : undefined;
    const found = seen?.installed?.capacityMiB ?? 0;
    return {
      what: slot,
      promised: capacityMiB === null ? 'empty' : capacityText(capacityMiB),
      found: seen === undefined ? 'not told' : found === 0 ? 'empty' : capacityText(found),
      verdict: seen === undefined ? 'untold' : found === (capacityMiB ?? 0) ? 'kept' : 'broken',
    };
  });
}

function rateFinding(promise: Promised, machine: ReadMachine): Finding {
  const rates = machine.memory.slots.map((slot) => slot.installed?.configuredRateMTs).filter((rate) => rate != null);
  const found = rates.length === 0 ? null : Math.min(...rates);
  return {
    what: 'Running rate',
    promised: `${promise.rateMTs} MT/s`,
    found: found === null ? 'not told' : `${found} MT/s`,
    verdict: found === null ? 'untold' : found >= promise.rateMTs ? 'kept' : 'broken',
  };
}

/** The promise of a quote's option beside a report read after fitting: total, running rate, each slot. */
export function compareProof(promise: Promised, machine: ReadMachine): Finding[] {
  return [totalFinding(promise, machine), rateFinding(promise, machine), ...slotFindings(promise, machine)];
}
