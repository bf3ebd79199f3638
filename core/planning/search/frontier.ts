import type { Goal } from '../model/case';
import type { Reuse } from '../model/lane-and-reuse';
import type { Lane } from '../model/lanes';
import { inside } from '../placement/inside';
import type { CareLevel } from '../rules/care';
import { type Candidate, compareEqual, type Figures } from './candidates';

/** Is `a` at least as good as `b` in all figures? */
export function atLeastAsGood(a: Figures, b: Figures): boolean {
  return (
    a.totalMiB >= b.totalMiB &&
    a.priceCents <= b.priceCents &&
    a.bandwidthMBs >= b.bandwidthMBs &&
    a.care <= b.care &&
    a.openSlots >= b.openSlots
  );
}

/** The better in the first figure that differs comes first: whatever is better in all comes before. */
function compareFigures(a: Figures, b: Figures): number {
  return (
    a.priceCents - b.priceCents ||
    b.totalMiB - a.totalMiB ||
    b.bandwidthMBs - a.bandwidthMBs ||
    a.care - b.care ||
    b.openSlots - a.openSlots
  );
}

/** A staircase: totals ascending, bandwidths descending. */
interface Stairs {
  totals: number[];
  bandwidths: number[];
}

/** First place whose total is at least this. */
function firstAtLeast(totals: readonly number[], totalMiB: number): number {
  let [low, high] = [0, totals.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((totals[middle] ?? 0) < totalMiB) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Plans that came in by price, found by whether one of them is as good in all else. */
class Cheaper {
  /** by care and open slots: the best totals and bandwidths with no more care and no fewer open slots */
  readonly #stairs: Stairs[][] = [];

  #stairsOf(care: CareLevel, openSlots: number): Stairs {
    this.#stairs[care] ??= [];
    const own = this.#stairs[care];
    const stairs = own[openSlots] ?? { totals: [], bandwidths: [] };
    own[openSlots] = stairs;
    return stairs;
  }

  has({ care, openSlots, totalMiB, bandwidthMBs }: Figures): boolean {
    const { totals, bandwidths } = this.#stairsOf(care, openSlots);
    return (bandwidths[firstAtLeast(totals, totalMiB)] ?? -1) >= bandwidthMBs;
  }

  add({ care, openSlots, totalMiB, bandwidthMBs }: Figures): void {
    for (let more = care; more <= 2; more++) {
      for (let fewer = openSlots; fewer >= 0; fewer--) put(this.#stairsOf(more, fewer), totalMiB, bandwidthMBs);
    }
  }
}

function put({ totals, bandwidths }: Stairs, totalMiB: number, bandwidthMBs: number): void {
  const at = firstAtLeast(totals, totalMiB);
  if ((bandwidths[at] ?? -1) >= bandwidthMBs) return;
  let from = at;
  while (from > 0 && (bandwidths[from - 1] ?? 0) <= bandwidthMBs) from--;
  const end = totals[at] === totalMiB ? at + 1 : at;
  totals.splice(from, end - from, totalMiB);
  bandwidths.splice(from, end - from, bandwidthMBs);
}

/** Does a plan lie within what is wished for? The search has seen to the least rate, and to which offers are left out. */
export function meets(goal: Goal, plan: Candidate): boolean {
  return (
    plan.totalMiB >= (goal.minMiB ?? 0) &&
    plan.priceCents <= (goal.maxPriceCents ?? Number.POSITIVE_INFINITY) &&
    plan.openSlots >= (goal.minOpenSlots ?? 0) &&
    (goal.lanes == null || goal.lanes.includes(plan.lane))
  );
}

function sameFigures(a: Figures, b: Figures): boolean {
  return atLeastAsGood(a, b) && atLeastAsGood(b, a);
}

/** Of plans in order of their figures, those that are not mixed, and the mixed ones that no plan at all dominates. */
function withoutBeatenMixed(sorted: readonly Candidate[]): Candidate[] {
  if (sorted.every(({ lane }) => lane !== 'mixed')) return [...sorted];
  const cheaper = new Cheaper();
  let waiting: Candidate[] = [];
  return sorted.filter((plan) => {
    const [first] = waiting;
    if (first !== undefined && !sameFigures(first, plan)) {
      for (const one of waiting) cheaper.add(one);
      waiting = [];
    }
    waiting.push(plan);
    return plan.lane !== 'mixed' || !cheaper.has(plan);
  });
}

const byName = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The order of plans of one lane and reuse in an answer. */
function compareShown(a: Candidate, b: Candidate): number {
  return (
    a.totalMiB - b.totalMiB ||
    a.priceCents - b.priceCents ||
    a.bandwidthMBs - b.bandwidthMBs ||
    a.care - b.care ||
    a.openSlots - b.openSlots
  );
}

/** Candidates by lane and reuse. */
class ByGroup<T> {
  readonly #groups = new Map<Lane, Map<Reuse, T>>();

  constructor(private readonly moduleClass: () => T) {}

  of({ lane, reuse }: Candidate): T {
    return inside(
      inside(this.#groups, lane, () => new Map<Reuse, T>()),
      reuse,
      this.moduleClass,
    );
  }

  /** In the order of an answer. */
  all(): T[] {
    const named = <K extends string, V>(map: Map<K, V>) => [...map].sort(([a], [b]) => byName(a, b));
    return named(this.#groups).flatMap(([, reuses]) => named(reuses).map(([, group]) => group));
  }
}

/** Candidates that are sorted once, so that what a goal leaves of them is found quickly. */
export class Ranking {
  /** whatever is better in all figures comes before */
  readonly #byFigures: readonly Candidate[];

  constructor(candidates: readonly Candidate[]) {
    this.#byFigures = [...candidates].sort((a, b) => compareFigures(a, b) || compareEqual(a, b));
  }

  /**
   * The plans to show for a goal, in the order of an answer: in each lane and reuse those that no plan of the same lane and
   * reuse dominates; of the mixed lane those that no plan at all dominates.
   */
  shown(goal: Goal): Candidate[] {
    const cheaperOf = new ByGroup(() => new Cheaper());
    const best = this.#byFigures.filter((plan) => {
      if (!meets(goal, plan)) return false;
      const cheaper = cheaperOf.of(plan);
      if (cheaper.has(plan)) return false;
      cheaper.add(plan);
      return true;
    });
    const groups = new ByGroup((): Candidate[] => []);
    for (const plan of withoutBeatenMixed(best)) groups.of(plan).push(plan);
    return groups.all().flatMap((plans) => plans.sort(compareShown));
  }
}
