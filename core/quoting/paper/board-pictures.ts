import { capacityText } from '../../memory/capacity';
import { moduleText } from '../../memory/module-words';
import type { PlanCase } from '../../planning/model/case';
import type { Plan } from '../../planning/search/plan';
import type { BoardPicture } from '../snapshot';

/**
 * What sits where today and after the plan, slot by slot as the machine lists them.
 *
 * @param sizeText how a capacity in MiB is written
 */
export function boardPictures(
  planCase: PlanCase,
  plan: Plan,
  sizeText = capacityText,
): { before: BoardPicture; after: BoardPicture } {
  const installed = new Map(planCase.installed.map(({ slot, module }) => [slot, module]));
  const offers = new Map(planCase.offers.map((offer) => [offer.id, offer.module]));
  const before: BoardPicture = [];
  const after: BoardPicture = [];
  for (const { id, soldered } of planCase.machine.slots) {
    const seat = plan.placement[id];
    const comes = seat === undefined ? undefined : 'kept' in seat ? installed.get(seat.kept) : offers.get(seat.offer);
    const fate = seat === undefined ? 'empty' : 'kept' in seat ? (seat.kept === id ? 'stays' : 'moves') : 'new';
    const was = soldered ?? installed.get(id) ?? null;
    const is = soldered ?? comes ?? null;
    const built = soldered != null;
    before.push({
      slot: id,
      capacityMiB: was?.capacityMiB ?? null,
      text: was && moduleText(was, sizeText),
      fate: built ? 'built-in' : 'today',
    });
    after.push({
      slot: id,
      capacityMiB: is?.capacityMiB ?? null,
      text: is && moduleText(is, sizeText),
      fate: built ? 'built-in' : fate,
    });
  }
  return { before, after };
}
