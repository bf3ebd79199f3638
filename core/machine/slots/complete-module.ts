import { GENERATION_FACTS, type Generation } from '../../memory/generation';
import type { MemoryModule } from '../../memory/module';
import type { Limits } from '../limits/resolve-claims';
import type { KnownModule } from './job-slot';

/** Fields that must be known before a plan can be made; nothing stands in for them. */
export type ModuleGap = 'capacityMiB' | 'rateMTs' | 'generation' | 'form';
/** Fields that were filled by what is usual, and are said to be. */
export type Assumption = 'generation' | 'form' | 'buffering' | 'ecc' | 'voltagesMv' | 'rateMTs';

export type Completed =
  | { ok: true; module: MemoryModule; assumed: Assumption[] }
  | { ok: false; gaps: ModuleGap[]; assumed: Assumption[] };

const only = <T>(list: readonly T[] | undefined): T | null => (list?.length === 1 ? (list[0] ?? null) : null);

/** Voltages a module must run at, since it runs in this machine; else what is usual for its generation. */
function usualVoltages(generation: Generation, limits: Limits): number[] {
  const made = GENERATION_FACTS[generation].voltagesMv;
  const supplied = made.filter((mv) => limits.voltagesMv?.value.includes(mv));
  return supplied.length > 0 ? supplied : made.slice(0, 1);
}

/**
 * A whole module from what is known. The machine's only generation and form stand in for missing ones, an
 * unknown kind is taken as the machine's only one or unbuffered without ECC, an unknown voltage as
 * what the machine supplies. Capacity and rate are never assumed: they come back as gaps to ask for.
 */
export function completeModule(known: KnownModule, limits: Limits): Completed {
  const assumed: Assumption[] = [];
  const take = <T>(name: Assumption, value: T | null, standIn: T | null): T | null => {
    if (value === null && standIn !== null) assumed.push(name);
    return value ?? standIn;
  };
  const onlyKind = only(limits.kinds?.value);
  const generation = take('generation', known.generation, only(limits.generations?.value));
  const form = take('form', known.form, limits.form?.value ?? null);
  const buffering = take('buffering', known.buffering, onlyKind?.buffering ?? 'unbuffered');
  const ecc = take('ecc', known.ecc, onlyKind?.ecc ?? false);
  const { capacityMiB, rateMTs } = known;
  if (capacityMiB === null || rateMTs === null || generation === null || form === null) {
    const values = { capacityMiB, rateMTs, generation, form };
    return { ok: false, gaps: (Object.keys(values) as ModuleGap[]).filter((name) => values[name] === null), assumed };
  }
  const voltagesMv = take('voltagesMv', known.voltagesMv, usualVoltages(generation, limits)) ?? [];
  return {
    ok: true,
    assumed,
    module: {
      generation,
      form,
      buffering: buffering ?? 'unbuffered',
      ecc: ecc ?? false,
      capacityMiB,
      rateMTs,
      casLatency: known.casLatency,
      ranks: known.ranks,
      deviceWidth: known.deviceWidth,
      deviceGbit: known.deviceGbit,
      heightMm: known.heightMm,
      voltagesMv,
      maker: known.maker,
      part: known.part,
    },
  };
}
