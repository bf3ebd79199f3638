import { inside } from '../placement/inside';
import type { Plan, Stay } from './plan';
import type { Lot } from './supply/lots';

/** What is known of sets that begin with the same lots. */
interface Branch {
  /** null: it cannot be placed; undefined: not looked at yet */
  plan: Plan | null | undefined;
  next: Map<Lot, Branch> | null;
}

/** Sets that keep the same modules. */
export interface Alike {
  stay: Stay;
  plans: Branch;
}

/** Plans that were placed, found again by what they keep and buy. */
export class KnownPlans {
  readonly #byKept = new Map<string, Alike>();
  /** the same by the list itself, which many sets share */
  readonly #byList = new WeakMap<readonly number[], Alike>();
  /** the same plans beside other originals, by what they save */
  readonly #saving = new WeakMap<Plan, Map<number | null, Plan>>();
  #size = 0;

  constructor(private readonly stayOf: (kept: readonly number[]) => Stay) {}

  /** Plans, and sets that cannot be placed. */
  get size(): number {
    return this.#size;
  }

  /** @param kept places in `installed`, ascending */
  alike(kept: readonly number[]): Alike {
    const known = this.#byList.get(kept) ?? this.#byKept.get(kept.join());
    const alike = known ?? { stay: this.stayOf(kept), plans: { plan: undefined, next: null } };
    if (known === undefined) this.#byKept.set(kept.join(), alike);
    this.#byList.set(kept, alike);
    return alike;
  }

  /** A plan that saves something else now; asked for the same again it is the same object. */
  saving(plan: Plan, savingCents: number | null): Plan {
    const known = inside(this.#saving, plan, () => new Map<number | null, Plan>());
    return inside(known, savingCents, () => ({ ...plan, savingCents }));
  }

  /** The plan that buys just these lots, made where it was not looked at yet. */
  plan(alike: Alike, bought: readonly Lot[], make: (stay: Stay) => Plan | null): Plan | null {
    let branch = alike.plans;
    for (const lot of bought) {
      branch.next ??= new Map();
      let next = branch.next.get(lot);
      if (next === undefined) {
        next = { plan: undefined, next: null };
        branch.next.set(lot, next);
      }
      branch = next;
    }
    if (branch.plan === undefined) {
      branch.plan = make(alike.stay);
      this.#size++;
    }
    return branch.plan;
  }
}
