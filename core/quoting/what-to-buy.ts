import type { Generation } from '../memory/generation';
import type { Kind } from '../memory/module';
import { pinCount } from '../memory/module-words';
import { makeBoard } from '../planning/model/board';
import type { PlanCase } from '../planning/model/case';
import { boardRates } from '../planning/rules/board-rates';
import { effectiveLimits } from '../planning/rules/effective-limits';

/** What a module for a machine has to be, for who wants to buy alone; no prices. Capacities MiB, rates MT/s, voltages mV, heights mm. */
export interface WhatToBuy {
  /** each with the contacts of its edge (JEDEC); null: no table has them */
  types: { generation: Generation; form: string; contacts: number | null }[];
  kinds: Kind[];
  voltagesMv: number[];
  /** the highest rate that runs; null: nobody knows */
  rateMTs: number | null;
  /** the largest module and the most in all */
  module: Most;
  total: Most;
  /** more than this the operating system does not use; null: it uses all */
  visibleMiB: number | null;
  /** slots in all, those that are empty, and what is soldered beside them */
  slots: number;
  free: number;
  solderedMiB: number;
  isPaired: boolean;
  clearanceMm: number | null;
  /** modules that are in it, equal ones once */
  inside: { count: number; module: PlanCase['installed'][number]['module'] }[];
  avoid: Avoided[];
}

/** What papers state, null: none does; and what was seen to work beyond that, null: nothing was. MiB. */
export interface Most {
  statedMiB: number | null;
  worksMiB: number | null;
}

/** What must not be bought, though shops show it beside the right one. */
export type Avoided =
  | { what: 'registered' | 'unbuffered' | 'ecc' | 'no-ecc' | 'other-generation' }
  | { what: 'failed'; mib: number };

const isPlain = ({ buffering }: Kind): boolean => buffering === 'unbuffered';

function avoidedOf(kinds: readonly Kind[], failed: readonly number[]): Avoided[] {
  const avoid: Avoided[] = [{ what: 'other-generation' }];
  if (kinds.every(isPlain)) avoid.push({ what: 'registered' });
  if (!kinds.some(isPlain)) avoid.push({ what: 'unbuffered' });
  if (kinds.every(({ ecc }) => !ecc)) avoid.push({ what: 'ecc' });
  if (kinds.every(({ ecc }) => ecc)) avoid.push({ what: 'no-ecc' });
  return [...avoid, ...failed.map((mib) => ({ what: 'failed' as const, mib }))];
}

const mostOf = ({ official, proven }: { official: number | null; proven: number | null }): Most => ({
  statedMiB: official,
  worksMiB: proven !== null && proven > (official ?? 0) ? proven : null,
});

/** Equal modules of a machine, with how many there are of each. */
function insideOf({ installed }: PlanCase): WhatToBuy['inside'] {
  const found = new Map<string, WhatToBuy['inside'][number]>();
  for (const { module } of installed) {
    const { maker: _, part: __, ...facts } = module;
    const key = JSON.stringify(facts);
    found.set(key, { module, count: (found.get(key)?.count ?? 0) + 1 });
  }
  return [...found.values()];
}

/** What to look for when buying memory for the machine of a case. */
export function whatToBuy(planCase: PlanCase): WhatToBuy {
  const { machine, installed } = planCase;
  const { total, module } = effectiveLimits(makeBoard(planCase));
  const open = machine.slots.filter(({ soldered }) => soldered == null);
  return {
    types: machine.generations.map((generation) => ({
      generation,
      form: machine.form,
      contacts: pinCount({ generation, form: machine.form }),
    })),
    kinds: [...machine.kinds],
    voltagesMv: [...machine.voltagesMv],
    rateMTs: boardRates({ ...planCase, offers: [] }).at(-1) ?? null,
    module: mostOf(module),
    total: mostOf(total),
    visibleMiB: machine.os?.visibleMiB ?? null,
    slots: open.length,
    free: open.length - installed.length,
    solderedMiB: machine.slots.reduce((sum, { soldered }) => sum + (soldered?.capacityMiB ?? 0), 0),
    isPaired: machine.pairing !== 'none' || new Set(open.map(({ channel }) => channel)).size > 1,
    clearanceMm: machine.clearanceMm ?? null,
    inside: insideOf(planCase),
    avoid: avoidedOf(machine.kinds, module.failed),
  };
}
