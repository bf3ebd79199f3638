import type { Lane } from './case';
import type { Purchase } from './combinations';
import { compareLists } from './compare-lists';
import type { Placed } from './placement';

/** What becomes of the modules that are in the machine. */
export const REUSES = ['add', 'rearrange', 'replace', 'swap'] as const;
export type Reuse = (typeof REUSES)[number];

/** A plan that counts, before the unneeded ones are taken out. */
export interface Candidate {
  lane: Lane;
  reuse: Reuse;
  kept: readonly number[];
  bought: readonly Purchase[];
  placed: Placed;
  totalMiB: number;
  priceCents: number;
  openSlots: number;
}

/** The five figures plans are compared by, each so that more is better. */
function merits({ totalMiB, priceCents, placed, openSlots }: Candidate): readonly number[] {
  return [totalMiB, -priceCents, placed.bandwidthMBs, -placed.care, openSlots];
}

type Standing = 'dominates' | 'dominated' | 'equal' | 'neither';

/** How `a` stands to `b`: at least as good in all five figures and better in one means it dominates. */
export function standing(a: Candidate, b: Candidate): Standing {
  const of = merits(a);
  const to = merits(b);
  const better = of.some((merit, index) => merit > (to[index] ?? 0));
  const worse = of.some((merit, index) => merit < (to[index] ?? 0));
  if (better) return worse ? 'neither' : 'dominates';
  return worse ? 'dominated' : 'equal';
}

/** Of plans equal in all five figures, which is shown; below 0: `a`. */
function compareEqual(a: Candidate, b: Candidate): number {
  const units = (plan: Candidate) => plan.bought.reduce((sum, { count }) => sum + count, 0);
  const offers = (plan: Candidate) => plan.bought.map(({ offer }) => offer);
  const fewerFirst = (plan: Candidate) => plan.bought.map(({ count }) => -count);
  return (
    a.bought.length - b.bought.length ||
    units(a) - units(b) ||
    compareLists(offers(a), offers(b)) ||
    compareLists(fewerFirst(a), fewerFirst(b)) ||
    compareLists(a.kept, b.kept)
  );
}

/** Adds a candidate to the frontier of its lane and reuse, taking out what it beats. */
function add(frontier: Candidate[], candidate: Candidate): Candidate[] {
  const standings = frontier.map((plan) => standing(candidate, plan));
  if (standings.includes('dominated')) return frontier;
  const twin = frontier[standings.indexOf('equal')];
  if (twin !== undefined) {
    return compareEqual(candidate, twin) < 0 ? frontier.map((plan) => (plan === twin ? candidate : plan)) : frontier;
  }
  return [...frontier.filter((_, index) => standings[index] !== 'dominates'), candidate];
}

/**
 * The plans worth looking at: in each lane and reuse those that no plan of the same lane and reuse dominates; of
 * the mixed lane those that no plan at all dominates.
 */
export function frontierOf(candidates: Iterable<Candidate>): Candidate[] {
  const groups = new Map<string, Candidate[]>();
  for (const candidate of candidates) {
    const key = `${candidate.lane} ${candidate.reuse}`;
    groups.set(key, add(groups.get(key) ?? [], candidate));
  }
  const all = [...groups.values()].flat();
  return all.filter((plan) => plan.lane !== 'mixed' || !all.some((other) => standing(other, plan) === 'dominates'));
}
