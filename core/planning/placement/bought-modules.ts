import type { PlanCase } from '../model/case';
import { countedSpeed } from '../model/counted-speed';
import { modulesEach } from '../model/machines';
import type { Purchase } from '../model/purchase';
import type { Bought } from './bought';
import type { Places } from './placement';

/** What is bought, as it is placed in each machine: by offer, ascending. Offers that the case does not have are left out. */
export function boughtModules(planCase: PlanCase, places: Places, purchases: readonly Purchase[]): Bought[] {
  return purchases.flatMap(({ offer, count }): Bought[] => {
    const pack = planCase.offers[offer];
    if (pack === undefined) return [];
    const speed = countedSpeed(pack.module, planCase.machine.profiles === true);
    const modules = modulesEach(planCase, pack, count);
    return [{ offer, modules, moduleClass: places.moduleClasses.of({ module: pack.module, speed }) }];
  });
}
