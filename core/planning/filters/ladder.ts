import { savingPercent } from '../../pricing/saving';
import type { PlanCase } from '../model/case';
import type { PlanChoice } from '../search/evaluate-choice';
import type { Plan } from '../search/plan';
import { bestOfRung, USUAL_TOLERANCE_BP } from './best-of-rung';

/** The saving from the cheapest original plan of a rung to the best third-party plan of it. */
export interface RungSaving {
  fromCents: number;
  toCents: number;
  cents: number;
  /** whole percent, rounded down */
  percent: number;
}

/** All plans that end at one total capacity. */
export interface Rung {
  totalMiB: number;
  /** by price, then by lane and reuse */
  plans: Plan[];
  /** of the plans that are wanted; where none is, of all */
  best: Plan;
  /** some of its plans are wanted */
  isWanted: boolean;
  saving: RungSaving | null;
}

function savingOf(plans: readonly Plan[], toleranceBp: number): RungSaving | null {
  const originals = plans.filter((plan) => plan.lane === 'original').map((plan) => plan.priceCents);
  const other = bestOfRung(
    plans.filter((plan) => plan.lane === 'third-party'),
    toleranceBp,
  );
  if (originals.length === 0 || other === null) return null;
  const fromCents = Math.min(...originals);
  const cents = fromCents - other.priceCents;
  const percent = savingPercent(cents, other.priceCents);
  return percent === null ? null : { fromCents, toCents: other.priceCents, cents, percent };
}

/** How the best plan of a rung is found. */
export interface RungRule {
  /** hundredths of a percent, see {@link bestOfRung} */
  toleranceBp?: number;
  isWanted?: (plan: Plan) => boolean;
}

/** Plans gathered into rungs, the lowest total first. */
export function rungsOf(plans: readonly Plan[], { toleranceBp = USUAL_TOLERANCE_BP, isWanted }: RungRule = {}): Rung[] {
  const byTotal = new Map<number, Plan[]>();
  for (const plan of plans) {
    const own = byTotal.get(plan.totalMiB);
    if (own === undefined) byTotal.set(plan.totalMiB, [plan]);
    else own.push(plan);
  }
  return [...byTotal]
    .sort(([a], [b]) => a - b)
    .flatMap(([totalMiB, own]) => {
      own.sort((a, b) => a.priceCents - b.priceCents);
      const wanted = isWanted === undefined ? own : own.filter(isWanted);
      const best = bestOfRung(wanted.length > 0 ? wanted : own, toleranceBp);
      const saving = savingOf(own, toleranceBp);
      return best === null ? [] : [{ totalMiB, plans: own, best, isWanted: wanted.length > 0, saving }];
    });
}

/** Names that were made: the ladder asks for them again and again. */
/** No set of 32 slots has a longer name. */
const MOST_KEY = 8_000;

const NAMES = new WeakMap<object, string>();

/** A name for a plan that stays the same when the case is planned again. */
export function planKey(plan: PlanChoice): string {
  const known = NAMES.get(plan);
  if (known !== undefined) return known;
  const name = `${plan.kept.join('+')}|${plan.bought.map(({ offer, count }) => `${count}x${offer}`).join('+')}`;
  NAMES.set(plan, name);
  return name;
}

/** The slots of a machine that a name of kept modules is made of; null: of others. A slot's own name may have a `+`. */
function slotsIn(name: string, slots: readonly string[]): string[] | null {
  if (name === '') return [];
  for (const [nr, slot] of slots.entries()) {
    if (name === slot) return [slot];
    if (!name.startsWith(`${slot}+`)) continue;
    const rest = slotsIn(name.slice(slot.length + 1), slots.slice(nr + 1));
    if (rest !== null) return [slot, ...rest];
  }
  return null;
}

/** The set that {@link planKey} has named; null: the case has no such modules or offers. */
export function setOfKey({ installed, offers }: PlanCase, key: string): Pick<Plan, 'kept' | 'bought'> | null {
  const bar = key.lastIndexOf('|');
  if (bar < 0 || key.length > MOST_KEY) return null;
  const kept = slotsIn(
    key.slice(0, bar),
    installed.map(({ slot }) => slot),
  );
  const parts = key
    .slice(bar + 1)
    .split('+')
    .filter((part) => part !== '');
  const bought = parts.flatMap((part) => {
    const [, count, offer] = /^([1-9]\d{0,3})x(.+)$/s.exec(part) ?? [];
    return offers.some(({ id }) => id === offer) ? [{ offer: offer ?? '', count: Number(count) }] : [];
  });
  return kept === null || bought.length < parts.length ? null : { kept, bought };
}
