import type { Offer } from '../model/case';
import { filteredBy, type OfferFacts, type OfferFilters, UNFILTERED } from './offer-filters';

const offer = {
  id: 'a',
  module: { maker: 'Corrick', casLatency: 19, heightMm: 30 },
  stock: 2,
} as unknown as Offer;
const facts: OfferFacts = { seller: 'Halyard Parts', leadDays: 3, rating: 410, isOwn: false };
const by = (filters: Partial<OfferFilters>, known: OfferFacts | undefined = facts, inDays: number | null = 5) =>
  filteredBy({ ...UNFILTERED, ...filters }, () => known, inDays)(offer);

test.each<[keyof OfferFilters, Partial<OfferFilters>, Partial<OfferFilters>]>([
  ['sellersOut', { sellersOut: ['Halyard Parts'] }, { sellersOut: ['Quayside'] }],
  ['makers', { makers: ['Vellamo'] }, { makers: ['corrick '] }],
  ['mostCas', { mostCas: 17 }, { mostCas: 19 }],
  ['mostHeightMm', { mostHeightMm: 29 }, { mostHeightMm: 30 }],
  ['leastRating', { leastRating: 450 }, { leastRating: 400 }],
])('%s leaves an offer out, and is named', (filter, out, kept) => {
  expect(by(out)).toBe(filter);
  expect(by(kept)).toBeNull();
});

test('what comes too late is left out where a day is named, and what nobody knows anything of by every filter on facts', () => {
  expect(by({ inTime: true }, facts, 2)).toBe('inTime');
  expect(by({ inTime: true }, facts, 3)).toBeNull();
  expect(by({ inTime: true }, facts, null)).toBeNull();
  expect(filteredBy({ ...UNFILTERED, inTime: true }, () => undefined, 30)(offer)).toBe('inTime');
  expect(filteredBy({ ...UNFILTERED, inStock: true }, () => facts, 5)({ ...offer, stock: null })).toBe('inStock');
  // What is the shop's own needs no stars.
  expect(by({ leastRating: 450 }, { ...facts, rating: null, isOwn: true })).toBeNull();
});

test('of several filters the first is named', () => {
  expect(by({ makers: ['Vellamo'], mostCas: 10 })).toBe('makers');
});
