import { type Steering, UNSTEERED } from '@/core/planning/filters/steering';
import { LANES, type Lane } from '@/core/planning/model/lanes';

/** What a page's address can say of its ladder beside the steering. */
export interface LadderUrl {
  /** null: the address says nothing, what the job remembers holds */
  steering: Steering | null;
  /** the plan that is looked at, by its key */
  plan: string | null;
  /** the plan is put together by hand */
  byHand: boolean;
}

const NAMES = ['need', 'budget', 'free', 'rate', 'without', 'not-from'] as const;

/** A whole number of a range; null: there is none. */
function whole(text: string | null, least: number, most: number): number | null {
  if (text === null || !/^\d{1,9}$/.test(text)) return null;
  const value = Number(text);
  return value < least || value > most ? null : value;
}

const isLane = (name: string): name is Lane => (LANES as readonly string[]).includes(name);

/** Reads what an address says; whatever makes no sense in it is passed over. */
export function readLadderUrl(params: URLSearchParams): LadderUrl {
  const plan = params.get('plan');
  const byHand = params.has('by-hand');
  if (NAMES.every((name) => !params.has(name)) && !params.has('open')) return { steering: null, plan, byHand };
  const lanesOut = LANES.filter((lane) => (params.get('without') ?? '').split(' ').filter(isLane).includes(lane));
  return {
    plan,
    byHand,
    steering: {
      needMiB: whole(params.get('need'), 1, 67_108_864),
      budgetCents: whole(params.get('budget'), 1, 100_000_000),
      freeSlots: whole(params.get('free'), 0, 64) ?? 0,
      leastRateMTs: whole(params.get('rate'), 1, 100_000),
      lanesOut: lanesOut.length < LANES.length ? lanesOut : [],
      sellersOut: [...new Set(params.getAll('not-from'))].filter((name) => name !== '' && name.length <= 120),
    },
  };
}

/**
 * The query of an address that says all of this: need in MiB, budget in minor units. Where nothing is narrowed down, `open`
 * says so, so that going back there does not bring up what the job remembers.
 */
export function ladderQuery(steering: Steering, plan: string | null, byHand = false): string {
  const { needMiB, budgetCents, freeSlots, leastRateMTs, lanesOut, sellersOut } = steering;
  const params = new URLSearchParams();
  if (needMiB !== null) params.set('need', String(needMiB));
  if (budgetCents !== null) params.set('budget', String(budgetCents));
  if (freeSlots > 0) params.set('free', String(freeSlots));
  if (leastRateMTs !== null) params.set('rate', String(leastRateMTs));
  if (lanesOut.length > 0) params.set('without', lanesOut.join(' '));
  for (const seller of sellersOut) params.append('not-from', seller);
  if ([...params].length === 0) params.set('open', '');
  if (plan !== null) params.set('plan', plan);
  if (byHand) params.set('by-hand', '');
  return params.toString();
}

/** Are two steerings the same? */
export function sameSteering(a: Steering, b: Steering): boolean {
  return ladderQuery({ ...UNSTEERED, ...a }, null) === ladderQuery({ ...UNSTEERED, ...b }, null);
}
