import type { Board } from './board';
import type { PlanCase } from './case';
import { type Candidate, Frontier } from './frontier';
import type { InForce } from './in-force';
import { placementMemory } from './placement-memory';
import { proposals } from './proposals';

/** The plans worth looking at: every set in its best places, if it then gives more than today and meets the goal. */
export function search(planCase: PlanCase, board: Board, force: InForce, usable: readonly number[]): Candidate[] {
  const minRateMTs = planCase.goal?.minRateMTs ?? 0;
  const { today } = force;
  const place = placementMemory(planCase, board, force);
  const frontier = new Frontier();
  for (const proposal of proposals(planCase, board, force, usable)) {
    const placed = place(proposal);
    if (placed === null || placed.rateMTs < minRateMTs) continue;
    if (proposal.totalMiB === today.totalMiB && placed.bandwidthMBs <= today.bandwidthMBs) continue;
    frontier.add({ ...proposal, placed });
  }
  return frontier.plans();
}
