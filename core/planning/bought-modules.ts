import type { Bought } from './bought';
import type { PlanCase } from './case';
import { countedSpeed } from './counted-speed';
import type { Places } from './placement';
import type { Purchase } from './purchase';

/** What is bought, as it is placed: by offer, ascending. Offers that the case does not have are left out. */
export function boughtModules(planCase: PlanCase, places: Places, purchases: readonly Purchase[]): Bought[] {
  return purchases.flatMap(({ offer, count }): Bought[] => {
    const pack = planCase.offers[offer];
    if (pack === undefined) return [];
    const speed = countedSpeed(pack.module, planCase.machine.profiles === true);
    return [{ offer, modules: count * pack.modules, make: places.makes.of({ module: pack.module, speed }) }];
  });
}
