import type { MemoryModule } from '../../memory/module';
import type { Machine } from '../model/case';
import { countedSpeed } from '../model/counted-speed';
import type { EffectiveLimits } from './effective-limits';
import { boardRateUnder } from './running-rate';

/** Why an offer cannot go into a machine whatever else is in it, in the order they are told. */
export const OFFER_REFUSALS = [
  'generation',
  'form',
  'kind',
  'voltage',
  'module-failed',
  'module-size',
  'height',
  'density',
  'width',
  'rate',
] as const;
export type OfferRefusal = (typeof OFFER_REFUSALS)[number];

type Test = (module: MemoryModule, machine: Machine, force: EffectiveLimits) => boolean;

const over = (value: number | null | undefined, limit: number | null | undefined): boolean =>
  value != null && limit != null && value > limit;

const TESTS: Record<OfferRefusal, Test> = {
  generation: (module, machine) => !machine.generations.includes(module.generation),
  form: (module, machine) => module.form !== machine.form,
  kind: (module, machine) =>
    !machine.kinds.some((kind) => kind.buffering === module.buffering && kind.ecc === module.ecc),
  voltage: (module, machine) => !module.voltagesMv.some((mv) => machine.voltagesMv.includes(mv)),
  'module-failed': (module, _, force) => force.module.failed.includes(module.capacityMiB),
  'module-size': (module, _, { module: { official, proven, failed } }) =>
    official !== null && !failed.includes(module.capacityMiB) && module.capacityMiB > Math.max(official, proven ?? 0),
  height: (module, machine) => over(module.heightMm, machine.clearanceMm),
  density: (module, machine) => over(module.deviceGbit, machine.maxDeviceGbit),
  width: (module, machine) =>
    module.deviceWidth != null && machine.deviceWidths != null && !machine.deviceWidths.includes(module.deviceWidth),
  rate: (module, machine, force) => {
    const { rateMTs } = countedSpeed(module, machine.profiles === true);
    const cap = Math.min(rateMTs, machine.cpu?.maxRateMTs ?? Number.POSITIVE_INFINITY);
    return boardRateUnder(force.boardRates, cap) === null;
  },
};

/** All codes that speak against a module on its own, in the order of {@link OFFER_REFUSALS}; empty: none. */
export function refusalsOf(module: MemoryModule, machine: Machine, force: EffectiveLimits): OfferRefusal[] {
  return OFFER_REFUSALS.filter((code) => TESTS[code](module, machine, force));
}
