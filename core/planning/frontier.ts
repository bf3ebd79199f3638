import { compareLists } from './compare-lists';
import type { Placed } from './placement';
import type { Proposal } from './proposals';

/** A set in its places that counts as a plan. */
export interface Candidate extends Proposal {
  placed: Placed;
}

/** The five figures plans are compared by, each so that more is better: total, price, bandwidth, care, open slots. */
type Merits = readonly [number, number, number, number, number];

function merits({ totalMiB, priceCents, placed, openSlots }: Candidate): Merits {
  return [totalMiB, -priceCents, placed.bandwidthMBs, -placed.care, openSlots];
}

type Standing = 'dominates' | 'dominated' | 'equal' | 'neither';

/** How `a` stands to `b`: at least as good in all five figures and better in one means it dominates. */
function standing(a: Merits, b: Merits): Standing {
  let better = false;
  let worse = false;
  for (let index = 0; index < a.length; index++) {
    const difference = (a[index] ?? 0) - (b[index] ?? 0);
    if (difference > 0) better = true;
    if (difference < 0) worse = true;
  }
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

/** The undominated plans, kept by lane and reuse while candidates come in. */
export class Frontier {
  private readonly groups = new Map<string, { merits: Merits; plan: Candidate }[]>();

  private groupOf({ lane, reuse }: Proposal) {
    return this.groups.get(`${lane} ${reuse}`) ?? [];
  }

  add(plan: Candidate): void {
    const own = merits(plan);
    const group = this.groupOf(plan);
    const standings = group.map((entry) => standing(own, entry.merits));
    if (standings.includes('dominated')) return;
    const twin = group[standings.indexOf('equal')];
    if (twin !== undefined) {
      if (compareEqual(plan, twin.plan) < 0) twin.plan = plan;
      return;
    }
    const rest = group.filter((_, index) => standings[index] !== 'dominates');
    this.groups.set(`${plan.lane} ${plan.reuse}`, [...rest, { merits: own, plan }]);
  }

  /**
   * In each lane and reuse the plans that no plan of the same lane and reuse dominates; of the mixed lane those
   * that no plan at all dominates.
   */
  plans(): Candidate[] {
    const all = [...this.groups.values()].flat();
    const beaten = (entry: { merits: Merits }) =>
      all.some((other) => standing(other.merits, entry.merits) === 'dominates');
    return all.filter((entry) => entry.plan.lane !== 'mixed' || !beaten(entry)).map((entry) => entry.plan);
  }
}
