import type { BesideLadder, HandMade } from '../core/planning/explain/hand-made';
import type { WhyNot, WhyNotAnswer } from '../core/planning/explain/why-not';
import type { Growth } from '../core/planning/later/grow-later';
import type { Goal, PlanCase } from '../core/planning/model/case';
import type { PlanChoice } from '../core/planning/search/evaluate-choice';
import type { Plan } from '../core/planning/search/plan';
import type { Change } from '../core/planning/search/planner';
import type { PackedAnswer } from './packed-answer';

/**
 * A case to be planned, on its own or as the market that it stands in and is read from, a change of the case that was planned last, a
 * question why something is not on the ladder of a case, a set put together by hand beside the ladder of a case, what the next step up from a plan would be, or the end of the work on one of these.
 */
export type PlanRequest =
  | { id: number; planCase: PlanCase }
  | { id: number; path: string }
  | { id: number; change: Change }
  | { id: number; asked: WhyNot; about: PlanCase }
  | { id: number; hand: PlanChoice; about: PlanCase; beside: BesideLadder }
  | { id: number; grown: Plan; about: PlanCase }
  | { cancel: number };

/**
 * What comes of a request, under its id; `share`: how much of the work is done, 0 to 1; `ahead`: what the case of that request
 * would be answered with for another goal, which nobody has asked for yet; `first`: the nearest plans, while the rest is worked out.
 */
export type PlanReply =
  | { id: number; state: 'planning'; share: number }
  | { id: number; state: 'first'; answer: PackedAnswer }
  | { id: number; state: 'done'; answer: PackedAnswer }
  | { id: number; state: 'ahead'; goal: Goal; answer: PackedAnswer }
  | { id: number; state: 'told'; answer: WhyNotAnswer }
  | { id: number; state: 'weighed'; made: HandMade }
  | { id: number; state: 'grown'; growth: Growth }
  | { id: number; state: 'failed' }
  | { id: number; state: 'cancelled' };
