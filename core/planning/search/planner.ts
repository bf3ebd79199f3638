import { type Board, makeBoard } from '../model/board';
import type { Goal, Installed, PlanCase } from '../model/case';
import { Places } from '../placement/placement';
import { type EffectiveLimits, effectiveLimits } from '../rules/effective-limits';
import { type Candidate, Candidates } from './candidates';
import { Ranking } from './frontier';
import { JudgedModules } from './judged-modules';
import { keptOf } from './kept';
import { keptSets } from './kept-sets';
import { KnownPlans } from './known-plans';
import { type Answer, asPlan, type Plan, stayOf } from './plan';
import { floorsFor } from './price-floor';
import { Search } from './search';
import { type Stair, Stairs } from './stairs';
import { Structures } from './structures';
import type { Usable } from './supply/lots';
import { Supplies } from './supply/supply';

/** How much longer a search takes with one more different offer in a plan, about. */
const PER_OFFER = 20;
/** Share of the work that is the search; the rest is placing what it found. */
const SEARCHING = 0.7;
/** So many plans are remembered beside those of the last answer and as many again. */
const FORGOTTEN_FROM = 2_000;
/** So many searches are kept: anyone who steers goes to and fro. */
const SEARCHES = 12;
/** So many plans are told before the whole answer is there. */
const NEAREST = 8;
/** Plans placed between two reports of progress. */
const PLACED_AT_ONCE = 100;

/** What may change of a case while it is steered. */
export interface Change {
  goal?: PlanCase['goal'];
  /** what becomes of installed modules, by slot */
  keep?: Readonly<Record<string, Installed['keep']>>;
  /** prices of offers, minor units, by id */
  prices?: Readonly<Record<string, number>>;
}

/** What a search for a goal found. */
interface Searched {
  goal: Goal;
  candidates: readonly Candidate[];
  ranking: Ranking;
}

/** What work that is done step by step comes to. */
function endOf<T>(steps: Generator<number, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}

/** Prices of the cheapest plans of original parts, by the total that they end at. */
function cheapestOriginals(candidates: readonly Candidate[]): Map<number, number> {
  const cheapest = new Map<number, number>();
  for (const { lane, totalMiB, priceCents } of candidates) {
    if (lane !== 'original') continue;
    cheapest.set(totalMiB, Math.min(priceCents, cheapest.get(totalMiB) ?? Number.POSITIVE_INFINITY));
  }
  return cheapest;
}

/**
 * Plans a case, and plans it again when it changes a little: what the change leaves as it was is not worked out again. The
 * case must have passed `caseSchema`.
 */
export class Planner {
  #case: PlanCase;
  readonly #board: Board;
  readonly #force: EffectiveLimits;
  readonly #places: Places;
  readonly #refused: Answer['refusedOffers'] = [];
  readonly #supplies: Supplies;
  /** what was searched since anything but the goal changed, the latest first */
  #searches: Searched[] = [];
  #plans: KnownPlans;
  /** plans of the last answer */
  #shown = 0;
  /** places of offers by id, once they are asked for */
  #placeOf: Map<string, number> | null = null;

  constructor(planCase: PlanCase) {
    this.#case = planCase;
    this.#board = makeBoard(planCase);
    this.#force = effectiveLimits(this.#board);
    this.#places = new Places(this.#board, this.#force, planCase.offers);
    const judged = new JudgedModules(this.#board, this.#force, this.#places.moduleClasses);
    const usable: Usable[] = [];
    for (const [offer, { id, module }] of planCase.offers.entries()) {
      const { codes, moduleClass } = judged.of(module);
      if (moduleClass === null) this.#refused.push({ offer: id, codes: [...codes] });
      else usable.push({ offer, moduleClass });
    }
    this.#supplies = new Supplies(usable, this.#board.sockets.length);
    this.#plans = this.#noPlans();
  }

  #noPlans(): KnownPlans {
    return new KnownPlans((kept) => stayOf(this.#case, this.#board, kept));
  }

  /** The case as it stands now. */
  get planCase(): PlanCase {
    return this.#case;
  }

  /** Changes the case. Slots and offers that it does not have are passed over. */
  change({ goal, keep, prices }: Change): void {
    const before = this.#case;
    this.#case = {
      ...before,
      ...(goal !== undefined && { goal }),
      ...(keep !== undefined && {
        installed: before.installed.map((one) => (one.slot in keep ? { ...one, keep: keep[one.slot] } : one)),
      }),
      ...(prices !== undefined && { offers: this.#offersAt(prices) }),
    };
    if (keep !== undefined || prices !== undefined) this.#searches = [];
    // Most of them come again; those that never do are not kept for ever.
    if (this.#plans.size > 2 * this.#shown + FORGOTTEN_FROM) this.#plans = this.#noPlans();
  }

  /** The offers at other prices, of which those who search are told. */
  #offersAt(prices: Readonly<Record<string, number>>): PlanCase['offers'] {
    const offers = [...this.#case.offers];
    this.#placeOf ??= new Map(offers.map(({ id }, nr) => [id, nr]));
    for (const [id, priceCents] of Object.entries(prices)) {
      const nr = this.#placeOf.get(id) ?? -1;
      const offer = offers[nr];
      if (offer === undefined || offer.priceCents === priceCents) continue;
      offers[nr] = { ...offer, priceCents };
      this.#supplies.change(nr);
    }
    return offers;
  }

  answer(): Answer {
    return endOf(this.steps());
  }

  /**
   * What plans of more than today cost at least: totals and prices ascending, minor units. The first of at least a total is
   * the price of the cheapest plan of at least that.
   */
  leastPrices(): { totalMiB: number; priceCents: number }[] {
    return this.#stairs(Number.POSITIVE_INFINITY).map(({ totalMiB, priceCents }) => ({ totalMiB, priceCents }));
  }

  /**
   * The cheapest plans of the next few totals above today or above the need, which are there long before the whole answer is.
   * Each of them is, or is as good as, one of the answer's; what they save beside original parts is not known yet.
   */
  nearest(): Answer {
    const from = Math.max(this.#force.today.totalMiB, this.#case.goal?.minMiB ?? 0);
    const most = this.#force.today.totalMiB + this.#board.sockets.length * this.#supplies.of(this.#case).largestMiB;
    let upTo = from;
    let stairs: readonly Stair[] = [];
    while (stairs.length < NEAREST && upTo < most) {
      upTo = Math.max(2 * upTo, this.#supplies.of(this.#case).largestMiB);
      stairs = this.#stairs(upTo);
    }
    const plans = stairs.slice(0, NEAREST).flatMap((stair) => this.#plan(stair, undefined) ?? []);
    return this.#told(plans);
  }

  /** @param mostMiB no larger totals are looked at */
  #stairs(mostMiB: number): readonly Stair[] {
    const [planCase, board, force, places] = [this.#case, this.#board, this.#force, this.#places];
    const { offersInPlan, prices } = this.#supplies.of(planCase);
    const context = { board, force, places, prices };
    const stairs = new Stairs(context, planCase.goal ?? {});
    const structures = new Structures(context, (kept, structure) => stairs.take(kept, structure), mostMiB);
    const sets = keptSets(planCase, board, places.moduleClasses).flatMap((set) => keptOf(set, board, planCase) ?? []);
    for (let offers = 1; offers <= offersInPlan; offers++) {
      for (const kept of sets) endOf(structures.of(kept, offers));
    }
    return stairs.all;
  }

  /** A search that finds all that is wanted for a case's goal, from those that were made. */
  *#searched(planCase: PlanCase): Generator<number, Searched> {
    const goal = planCase.goal ?? {};
    const known = this.#searches.find((one) => covers(one.goal, goal));
    let own = known;
    if (own === undefined) {
      const candidates = yield* this.#search(planCase, null);
      own = { goal, candidates, ranking: new Ranking(candidates) };
    }
    this.#searches = [own, ...this.#searches.filter((one) => one !== known)].slice(0, SEARCHES);
    return own;
  }

  /** Works out, step by step, what the case would be answered with for another goal, before anybody asks. */
  *ahead(goal: Goal): Generator<number, Answer> {
    return yield* this.#steps({ ...this.#case, goal });
  }

  /** The best plans of those that buy an offer, whatever other plans there are. */
  plansWith(offerId: string): Plan[] {
    const must = this.#case.offers.findIndex(({ id }) => id === offerId);
    const found = new Ranking(endOf(this.#search(this.#case, must))).shown(this.#case.goal ?? {});
    return found.flatMap((candidate) => this.#plan(candidate, undefined) ?? []);
  }

  /** The answer, step by step; told is the share of the work that is done, 0 to 1. */
  *steps(): Generator<number, Answer> {
    const answer = yield* this.#steps(this.#case);
    this.#shown = answer.plans.length;
    return answer;
  }

  *#steps(planCase: PlanCase): Generator<number, Answer> {
    const { ranking } = yield* this.#searched(planCase);
    const found = ranking.shown(planCase.goal ?? {});
    const originals = cheapestOriginals(found);
    const plans: Plan[] = [];
    for (const [nr, candidate] of found.entries()) {
      const plan = this.#plan(candidate, originals.get(candidate.totalMiB));
      if (plan !== null) plans.push(plan);
      if (nr % PLACED_AT_ONCE === 0) yield SEARCHING + (1 - SEARCHING) * (nr / found.length);
    }
    return this.#told(plans);
  }

  #told(plans: Plan[]): Answer {
    const { totalMiB, rateMTs, bandwidthMBs } = this.#force.today;
    return { baseline: { totalMiB, rateMTs, bandwidthMBs }, refusedOffers: [...this.#refused], plans };
  }

  /** @param must place of an offer that every plan has to buy; null: none */
  *#search(planCase: PlanCase, must: number | null): Generator<number, Candidate[]> {
    const [board, force, places] = [this.#board, this.#force, this.#places];
    const supply = must === null ? this.#supplies.of(planCase) : this.#supplies.apart(planCase, must);
    const { offersInPlan, offerClasses, prices } = supply;
    const moduleClasses = [
      ...offerClasses.flatMap((offerClass) => offerClass.moduleClasses),
      ...places.moduleClassesOf([...board.installed.keys()]),
    ];
    const candidates = new Candidates(floorsFor(board, force, moduleClasses), planCase.goal?.lanes == null);
    const mustOfferClass =
      offerClasses.find(({ lots }) => lots.some((some) => some.some(({ offer }) => offer === must))) ?? null;
    if (must !== null && mustOfferClass === null) return [];
    const context = { planCase, board, force, places, prices, offersInPlan, candidates, must: mustOfferClass };
    const search = new Search(context);
    const sets = keptSets(planCase, board, places.moduleClasses);
    const whole = (PER_OFFER ** (offersInPlan + 1) - 1) / (PER_OFFER - 1);
    let done = 0;
    for (let offers = 0; offers <= offersInPlan; offers++) {
      const own = PER_OFFER ** offers / whole / sets.length;
      for (const set of sets) {
        for (const share of search.take(set, offers)) yield SEARCHING * (done + own * share);
        done += own;
      }
    }
    return candidates.all();
  }

  /** A candidate in its places, which are found once. */
  #plan(candidate: Candidate | Stair, originalCents: number | undefined): Plan | null {
    const { kept, bought, priceCents } = candidate;
    const plan = this.#plans.plan(this.#plans.alike(kept), bought, (stay) => {
      const placed = this.#places.best(kept, bought);
      return placed && asPlan(this.#case, this.#force, candidate, stay, placed, originalCents);
    });
    const savingCents = originalCents === undefined ? null : originalCents - priceCents;
    return plan === null || plan.savingCents === savingCents ? plan : this.#plans.saving(plan, savingCents);
  }
}

/**
 * Does a search for one goal find all that is wanted for the other? Totals, prices and open slots are looked at afterwards, and
 * lanes too, but that mixed plans are held against all others: without those, more of them count.
 */
function covers(searched: Goal, wanted: Goal): boolean {
  const of = ({ minRateMTs, without, maxOffers }: Goal) =>
    JSON.stringify([minRateMTs ?? 0, without ?? [], maxOffers ?? null]);
  if (of(searched) !== of(wanted)) return false;
  const [before, after] = [searched.lanes ?? null, wanted.lanes ?? null];
  if (before === null || after === null) return before === after || (after !== null && !after.includes('mixed'));
  if (after.includes('mixed')) return before.length === after.length && after.every((lane) => before.includes(lane));
  return after.every((lane) => before.includes(lane));
}
