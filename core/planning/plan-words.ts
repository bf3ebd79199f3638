import { moduleText } from '../memory/module-words';
import type { PlanCase } from './case';
import { effectiveChannelsText } from './channel-words';
import type { Plan } from './plan';

/** What a plan buys, in words: `kit of 2: 16 GB DDR4-2666 CL19 DIMM`. */
export function boughtText(planCase: PlanCase, plan: Plan): string {
  const texts = plan.bought.flatMap(({ offer: id, count }) => {
    const offer = planCase.offers.find((one) => one.id === id);
    if (offer === undefined) return [];
    const pack = offer.modules > 1 ? `kit of ${offer.modules}: ` : '';
    return [`${count > 1 ? `${count} × ` : ''}${pack}${moduleText(offer.module)}`];
  });
  return texts.length === 0 ? 'nothing new: the same modules in other slots' : texts.join(' and ');
}

/** What becomes of the modules that are in the machine. */
export function fateText(planCase: PlanCase, plan: Plan): string {
  const all = planCase.installed.length;
  const out = all - plan.kept.length;
  if (all === 0) return 'the sockets were empty';
  if (out === 0) return all === 1 ? 'the old module stays' : `all ${all} old modules stay`;
  return out === all
    ? all === 1
      ? 'the old module comes out'
      : `all ${all} old modules come out`
    : `${out} of ${all} old modules come out`;
}

/** How it will run: `2400 MT/s, dual channel`. */
export function runText(plan: Plan): string {
  return `${plan.rateMTs} MT/s, ${effectiveChannelsText(plan.effectiveChannels)}`;
}

export function freeText(plan: Plan): string {
  return plan.openSlots === 0 ? 'no slot free' : plan.openSlots === 1 ? '1 slot free' : `${plan.openSlots} slots free`;
}
