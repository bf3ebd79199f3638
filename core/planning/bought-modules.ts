import type { PlanCase } from './case';
import { countedSpeed } from './counted-speed';
import type { Bought, Places } from './placement';
import type { Purchase } from './purchase';

/** What is bought, as it is placed: by offer, ascending. */
export function boughtModules(planCase: PlanCase, places: Places, purchases: readonly Purchase[]): Bought[] {
  return purchases.flatMap(({ offer, count }): Bought[] => {
    const pack = planCase.offers[offer];
    if (pack === undefined) return [];
    const { module } = pack;
    const speed = countedSpeed(module, planCase.machine.profiles === true);
    const piece = { module, speed, source: { from: 'offer' as const, index: offer } };
    return [{ offer, modules: count * pack.modules, make: places.makes.of(piece), piece }];
  });
}
