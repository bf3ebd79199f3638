import type { PlanCase } from '../../model/case';
import type { ModuleClass } from '../../placement/module-classes';
import { groupsOf, type OfferClass, offerClassOf, type Usable } from './lots';
import { PriceBoard } from './price-board';

/** Different offers in one plan where the goal does not say. */
const DEFAULT_MAX_OFFERS = 2;

/** What a search may buy. */
export interface Supply {
  offersInPlan: number;
  offerClasses: readonly OfferClass[];
  prices: PriceBoard;
  /** of a module, MiB; 0: nothing can be bought */
  largestMiB: number;
}

interface Known extends Supply {
  key: string;
  groups: readonly Usable[][][];
}

/** What may be bought, worked out once for as long as neither the goal's choice of offers nor a price changes. */
export class Supplies {
  #known: Known | null = null;
  /** offers whose price has changed since */
  readonly #changed = new Set<number>();

  /** @param usable the offers that fit the machine */
  constructor(
    private readonly usable: readonly Usable[],
    private readonly sockets: number,
  ) {}

  /** Takes note that an offer's price has changed. */
  change(offer: number): void {
    this.#changed.add(offer);
  }

  /** What may be bought now. */
  of(planCase: PlanCase): Supply {
    const { maxOffers, without, lanes } = planCase.goal ?? {};
    const key = JSON.stringify([maxOffers ?? null, without ?? [], lanes ?? null]);
    const known = this.#known?.key === key ? this.#known : null;
    if (known !== null && this.#changed.size === 0) return known;
    const groups = known?.groups ?? groupsOf(planCase, this.#wanted(planCase));
    const old = known === null ? new Set<ModuleClass>() : this.#changedClasses();
    const isOld = (some: readonly Usable[]) =>
      old.has(some[0]?.moduleClass as ModuleClass) && some.some(({ offer }) => this.#changed.has(offer));
    const supply = this.#supply(planCase, groups, known?.offerClasses ?? [], isOld);
    this.#changed.clear();
    this.#known = { ...supply, key, groups };
    return supply;
  }

  /** The same with one offer, by its place, as an offer class of its own. */
  apart(planCase: PlanCase, offer: number): Supply {
    return this.#supply(planCase, groupsOf(planCase, this.#wanted(planCase), offer), [], () => true);
  }

  /** Module classes of offers whose price has changed. */
  #changedClasses(): Set<ModuleClass> {
    const found = new Set<ModuleClass>();
    if (this.#changed.size === 0) return found;
    for (const { offer, moduleClass } of this.usable) if (this.#changed.has(offer)) found.add(moduleClass);
    return found;
  }

  #supply(
    planCase: PlanCase,
    groups: readonly Usable[][][],
    known: readonly OfferClass[],
    isOld: (moduleClass: readonly Usable[]) => boolean,
  ): Supply {
    const { sockets } = this;
    const offersInPlan = planCase.goal?.maxOffers ?? DEFAULT_MAX_OFFERS;
    const offerClasses = groups.map((group, nr) => {
      const before = known[nr] ?? null;
      if (before !== null && !group.some(isOld)) return before;
      return offerClassOf(planCase, nr, group, { sockets, offersInPlan, before, isOld });
    });
    const prices = new PriceBoard(offerClasses, offersInPlan);
    return { offersInPlan, offerClasses, prices, largestMiB: prices.shelves[0]?.placementClass.capacityMiB ?? 0 };
  }

  #wanted({ offers, goal }: PlanCase): readonly Usable[] {
    const { without, lanes } = goal ?? {};
    if ((without ?? []).length === 0 && (lanes == null || lanes.includes('mixed'))) return this.usable;
    const leftOut = new Set(without ?? []);
    return this.usable.filter(({ offer }) => {
      const { id, origin } = offers[offer] ?? { id: '', origin: 'used' as const };
      return !leftOut.has(id) && (lanes == null || lanes.includes('mixed') || lanes.includes(origin));
    });
  }
}
