import { moduleText } from '../../memory/module-words';
import type { PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';
import type { Plan } from '../search/plan';
import { effectiveChannelsText } from './channel-words';

/** What a plan buys, in words: `kit of 2: 16 GB DDR4-2666 CL19 DIMM`. */
export function boughtText(planCase: PlanCase, plan: Plan): string {
  const texts = plan.bought.flatMap(({ offer: id, count }) => {
    const offer = offerOf(planCase.offers, id);
    if (offer === undefined) return [];
    const pack = offer.modules > 1 ? `kit of ${offer.modules}: ` : '';
    return [`${count > 1 ? `${count} × ` : ''}${pack}${moduleText(offer.module)}`];
  });
  return texts.length === 0 ? 'nothing new: the same modules in other slots' : texts.join(' and ');
}

/** `the old module`, `both old modules`, `all 3 old modules`. */
function allOf(count: number): string {
  if (count === 1) return 'the old module';
  return count === 2 ? 'both old modules' : `all ${count} old modules`;
}

/** What becomes of the modules that are in the machine. */
export function fateText(planCase: PlanCase, plan: Plan): string {
  const all = planCase.installed.length;
  const out = all - plan.kept.length;
  const plural = all === 1 ? 's' : '';
  if (all === 0) return 'the sockets were empty';
  if (out === 0) return `${allOf(all)} stay${plural}`;
  return out === all ? `${allOf(all)} come${plural} out` : `${out} of ${all} old modules out`;
}

/** How it will run: `2400 MT/s, dual channel`. */
export function runText(plan: Plan): string {
  return `${plan.rateMTs} MT/s, ${effectiveChannelsText(plan.effectiveChannels)}`;
}

export function freeText(plan: Plan): string {
  return plan.openSlots === 0 ? 'no slot free' : plan.openSlots === 1 ? '1 slot free' : `${plan.openSlots} slots free`;
}
