import type { Offer } from '../model/case';

/** Which offers may be bought at all. A figure that an offer does not tell is not within any bound. */
export interface OfferFilters {
  /** sellers that are not wanted, by name */
  sellersOut: readonly string[];
  /** only modules of these makers; empty: of any */
  makers: readonly string[];
  /** the highest CL, clock cycles at the module's own rate; null: any */
  mostCas: number | null;
  /** the greatest height, mm; null: any */
  mostHeightMm: number | null;
  /** the least that buyers say of it, hundredths of a star; null: anything. See {@link OfferFacts} */
  leastRating: number | null;
  /** only what is known to be there */
  inStock: boolean;
  /** only what comes by the day on which it is needed */
  inTime: boolean;
}

/** So many makers, sellers and characters of a maker's name are taken; CL clock cycles, heights mm. */
export const MOST_MAKERS = 50;
export const MOST_SELLERS = 200;
export const MOST_MAKER_NAME = 200;
export const MOST_CAS = 200;
export const MOST_HEIGHT_MM = 200;

/** Any offer. */
export const UNFILTERED: OfferFilters = {
  sellersOut: [],
  makers: [],
  mostCas: null,
  mostHeightMm: null,
  leastRating: null,
  inStock: false,
  inTime: false,
};

/** What is known of an offer beside its modules. */
export interface OfferFacts {
  seller: string;
  /** null or 0: it is in the house */
  leadDays: number | null;
  /** what buyers say of it, or where they say nothing of it of its seller, hundredths of a star; null: nothing */
  rating: number | null;
  /** it is the shop's own stock, which needs no stars */
  isOwn: boolean;
}

/** How many of these narrow the offers down. */
export const filtersSet = (filters: OfferFilters): number =>
  [
    filters.sellersOut.length > 0,
    filters.makers.length > 0,
    filters.mostCas !== null,
    filters.mostHeightMm !== null,
    filters.leastRating !== null,
    filters.inStock,
    filters.inTime,
  ].filter(Boolean).length;

/** These alone, in an order of their own, so that two can be compared as text. */
export const filtersOf = ({
  sellersOut,
  makers,
  mostCas,
  mostHeightMm,
  leastRating,
  inStock,
  inTime,
}: OfferFilters): OfferFilters => ({ sellersOut, makers, mostCas, mostHeightMm, leastRating, inStock, inTime });

/** Names of makers are the same whatever their case. */
const plainName = (maker: string): string => maker.trim().toLowerCase();

const within = (value: number | null | undefined, most: number | null): boolean =>
  most === null || (value != null && value <= most);

/**
 * By which filter an offer is left out, the first of them.
 *
 * @param factsOf undefined: nobody knows anything of it, so no filter on facts leaves it in
 * @param inDays days until it is needed; null: no day is named
 * @returns what tells it of an offer; null: it is left in
 */
export function filteredBy(
  filters: OfferFilters,
  factsOf: (offer: string) => OfferFacts | undefined,
  inDays: number | null,
): (offer: Offer) => keyof OfferFilters | null {
  const makers = new Set(filters.makers.map(plainName));
  const { leastRating, inTime } = filters;
  return ({ id, module, stock }) => {
    const facts = factsOf(id);
    if (facts !== undefined && filters.sellersOut.includes(facts.seller)) return 'sellersOut';
    if (makers.size > 0 && !makers.has(plainName(module.maker ?? ''))) return 'makers';
    if (!within(module.casLatency, filters.mostCas)) return 'mostCas';
    if (!within(module.heightMm, filters.mostHeightMm)) return 'mostHeightMm';
    if (filters.inStock && (stock == null || stock < 1)) return 'inStock';
    if (leastRating !== null && !facts?.isOwn && (facts?.rating ?? 0) < leastRating) return 'leastRating';
    if (!inTime || inDays === null) return null;
    return facts !== undefined && (facts.leadDays ?? 0) <= Math.max(0, inDays) ? null : 'inTime';
  };
}
