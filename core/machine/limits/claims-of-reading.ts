import { GENERATION_FACTS, type Generation } from '../../memory/generation';
import type { JobSlot, KnownModule } from '../slots/job-slot';
import type { Claim, Source } from './limit';

const distinct = <T>(values: readonly (T | null | undefined)[]): T[] => [
  ...new Set(values.filter((value) => value != null)),
];

/** Supply voltage of low-voltage DDR3, mV (JESD79-3-1). */
const LOW_DDR3_MV = 1350;

/** A machine whose modules are all low-voltage ones may supply nothing higher: a 1.5 V module would not start. */
function lowVoltageOnly(modules: readonly KnownModule[]): boolean {
  return (
    modules.length > 0 &&
    modules.every(({ generation, voltagesMv }) => generation === 'DDR3' && voltagesMv?.includes(LOW_DDR3_MV) === true)
  );
}

/** What the modules that run in a machine say about what it takes. */
export function claimsOfModules(slots: readonly JobSlot[], source: Source): Claim[] {
  const modules = slots.map((slot) => slot.module).filter((module) => module !== null);
  const socketed = slots.filter((slot) => !slot.soldered).map((slot) => slot.module);
  const generations = distinct(modules.map((module) => module.generation));
  const forms = distinct(socketed.map((module) => module?.form));
  const claims: Claim[] = [];
  if (generations.length === 1) claims.push({ limit: 'generations', value: generations, source });
  if (forms.length === 1 && forms[0] !== undefined) claims.push({ limit: 'form', value: forms[0], source });
  const kinds = modules.flatMap(({ buffering, ecc }) =>
    buffering === null || ecc === null ? [] : [{ buffering, ecc }],
  );
  const [kind] = kinds;
  if (kind !== undefined && kinds.every((one) => one.buffering === kind.buffering && one.ecc === kind.ecc)) {
    claims.push({ limit: 'kinds', value: [kind], source });
  }
  if (lowVoltageOnly(modules)) claims.push({ limit: 'voltagesMv', value: [LOW_DDR3_MV], source });
  return claims;
}

/** What the array structure of a report says: the most the firmware thinks the board takes. */
export function claimsOfArray(maxCapacityMiB: number | null, source: Source): Claim[] {
  return maxCapacityMiB === null ? [] : [{ limit: 'totalMiB', value: maxCapacityMiB, source }];
}

/**
 * What follows from the generation alone where nobody says more: unbuffered without ECC, and the generation's
 * usual voltage (DDR3: 1.5 V, which low-voltage modules run at too).
 */
export function claimsOfStandard(generation: Generation): Claim[] {
  const source: Source = { kind: 'standard', name: `usual for ${generation}` };
  const [usual] = GENERATION_FACTS[generation].voltagesMv;
  return [
    { limit: 'kinds', value: [{ buffering: 'unbuffered', ecc: false }], source },
    { limit: 'voltagesMv', value: usual === undefined ? [] : [usual], source },
    { limit: 'pairing', value: 'advised', source },
    { limit: 'ratesMTs', value: [], source },
  ];
}
