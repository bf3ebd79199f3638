import type { PlanCase } from '../model/case';
import type { Answer } from './plan';
import { Planner } from './planner';

/**
 * Answers a case with today's figures, the offers that cannot be used and why, and every plan worth looking at:
 * by lane, reuse, total, price, bandwidth, care and open slots, ascending. The case must have passed `caseSchema`.
 */
export function answer(planCase: PlanCase): Answer {
  return new Planner(planCase).answer();
}
