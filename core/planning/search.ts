import type { Board } from './board';
import type { PlanCase } from './case';
import { type Candidate, Frontier } from './frontier';
import type { InForce } from './in-force';
import { placementMemory } from './placement-memory';
import { proposals } from './proposals';

/**
 * The plans worth looking at. Sets are taken by falling total and rising price, so that most are beaten before
 * places are sought for them; that skips only what a found plan beats for sure.
 */
export function search(planCase: PlanCase, board: Board, force: InForce, usable: readonly number[]): Candidate[] {
  const minRateMTs = planCase.goal?.minRateMTs ?? 0;
  const place = placementMemory(planCase, board, force);
  const frontier = new Frontier();
  const sets = proposals(planCase, board, force, usable);
  sets.sort(
    (a, b) => b.totalMiB - a.totalMiB || a.priceCents - b.priceCents || b.bestBandwidthMBs - a.bestBandwidthMBs,
  );
  for (const proposal of sets) {
    if (frontier.isHopeless(proposal)) continue;
    const placed = place(proposal);
    if (placed === null || placed.rateMTs < minRateMTs) continue;
    const { today } = force;
    if (proposal.totalMiB === today.totalMiB && placed.bandwidthMBs <= today.bandwidthMBs) continue;
    frontier.add({ ...proposal, placed });
  }
  return frontier.plans();
}
