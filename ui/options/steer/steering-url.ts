import {
  MOST_CAS,
  MOST_HEIGHT_MM,
  MOST_MAKER_NAME,
  MOST_MAKERS,
  MOST_SELLERS,
  type OfferFilters,
} from '@/core/planning/filters/offer-filters';
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

/** What only narrows the offers down beside their sellers. */
const FILTER_NAMES = ['maker', 'cl', 'height', 'stars', 'in-stock', 'in-time'] as const;
const NAMES = ['need', 'budget', 'free', 'rate', 'without', 'not-from', ...FILTER_NAMES] as const;

/** A whole number of a range; null: there is none. */
function whole(text: string | null, least: number, most: number): number | null {
  if (text === null || !/^\d{1,9}$/.test(text)) return null;
  const value = Number(text);
  return value < least || value > most ? null : value;
}

/** A figure of a range with at most two decimals; null: there is none. */
function figure(text: string | null, least: number, most: number): number | null {
  if (text === null || !/^\d{1,3}(?:\.\d{1,2})?$/.test(text)) return null;
  const value = Number(text);
  return value < least || value > most ? null : value;
}

/** Names of an address, each once, none too long. */
const namesIn = (params: URLSearchParams, name: string, most: number, longest: number): string[] =>
  [...new Set(params.getAll(name))].filter((one) => one !== '' && one.length <= longest).slice(0, most);

function filtersIn(params: URLSearchParams): OfferFilters {
  const stars = figure(params.get('stars'), 1, 5);
  return {
    sellersOut: namesIn(params, 'not-from', MOST_SELLERS, 120),
    makers: namesIn(params, 'maker', MOST_MAKERS, MOST_MAKER_NAME),
    mostCas: figure(params.get('cl'), 1, MOST_CAS),
    mostHeightMm: figure(params.get('height'), 1, MOST_HEIGHT_MM),
    leastRating: stars === null ? null : Math.round(stars * 100),
    inStock: params.has('in-stock'),
    inTime: params.has('in-time'),
  };
}

function writeFilters(params: URLSearchParams, filters: OfferFilters): void {
  for (const seller of filters.sellersOut) params.append('not-from', seller);
  for (const maker of filters.makers) params.append('maker', maker);
  if (filters.mostCas !== null) params.set('cl', String(filters.mostCas));
  if (filters.mostHeightMm !== null) params.set('height', String(filters.mostHeightMm));
  if (filters.leastRating !== null) params.set('stars', String(filters.leastRating / 100));
  if (filters.inStock) params.set('in-stock', '');
  if (filters.inTime) params.set('in-time', '');
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
      ...filtersIn(params),
    },
  };
}

/**
 * The query of an address that says all of this: need in MiB, budget in minor units. Where nothing is narrowed down, `open`
 * says so, so that going back there does not bring up what the job remembers.
 */
export function ladderQuery(steering: Steering, plan: string | null, byHand = false): string {
  const { needMiB, budgetCents, freeSlots, leastRateMTs, lanesOut } = steering;
  const params = new URLSearchParams();
  if (needMiB !== null) params.set('need', String(needMiB));
  if (budgetCents !== null) params.set('budget', String(budgetCents));
  if (freeSlots > 0) params.set('free', String(freeSlots));
  if (leastRateMTs !== null) params.set('rate', String(leastRateMTs));
  if (lanesOut.length > 0) params.set('without', lanesOut.join(' '));
  writeFilters(params, steering);
  if ([...params].length === 0) params.set('open', '');
  if (plan !== null) params.set('plan', plan);
  if (byHand) params.set('by-hand', '');
  return params.toString();
}

/** Are two steerings the same? */
export function sameSteering(a: Steering, b: Steering): boolean {
  return ladderQuery({ ...UNSTEERED, ...a }, null) === ladderQuery({ ...UNSTEERED, ...b }, null);
}
