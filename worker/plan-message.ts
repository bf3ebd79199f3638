import type { PlanCase } from '../core/planning/case';
import type { Answer } from '../core/planning/plan';

/** A case to be planned; the answer carries the same id. */
export interface PlanRequest {
  id: number;
  planCase: PlanCase;
}

export type PlanReply = { id: number; ok: true; answer: Answer } | { id: number; ok: false };
