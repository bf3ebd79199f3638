import { read } from '../read';
import type { Reading } from '../reading';

const PRODUCT = {
  '@context': 'https://schema.org',
  '@type': 'Product',
  name: '16GB (2x8GB) DDR4-2666 SO-DIMM CL19 1.2V',
  brand: { '@type': 'Brand', name: 'Vellamo' },
  mpn: 'VE4S8-2666K2',
  sku: 'Q-10442',
  offers: {
    '@type': 'Offer',
    price: '49.90',
    priceCurrency: 'EUR',
    availability: 'https://schema.org/InStock',
    itemCondition: 'https://schema.org/NewCondition',
    seller: { '@type': 'Organization', name: 'Quayside Parts' },
    url: 'https://quayside.example/q-10442',
  },
};

const page = (...data: unknown[]): string =>
  `<!DOCTYPE html><html><head><title>x</title><script>if (a < b) {}</script>${data
    .map((one) => `<script type="application/ld+json">${typeof one === 'string' ? one : JSON.stringify(one)}</script>`)
    .join('\n')}</head><body></body></html>`;

function reading(text: string): Reading {
  const result = read(text);
  if (!result.ok) throw new Error(result.code);
  return result.reading;
}
const offer = (change: object) => reading(page({ ...PRODUCT, offers: { ...PRODUCT.offers, ...change } }));

describe('how long somebody answers for it', () => {
  const months = (durationOfWarranty: unknown) => offer({ warranty: { durationOfWarranty } }).offer?.guaranteeMonths;

  it.each([
    [{ value: 24, unitCode: 'MON' }, 24],
    [{ value: '10', unitCode: 'ANN' }, 120],
    [{ value: 2, unitText: 'years' }, 24],
    [{ value: 6, unitCode: 'DAY' }, undefined],
    [{ value: 0, unitCode: 'MON' }, undefined],
    [{ value: 200, unitCode: 'ANN' }, undefined],
    ['for ever', undefined],
  ])('%j', (told, as) => expect(months(told)).toBe(as));
});

describe('what buyers say of it', () => {
  const rated = (aggregateRating: unknown) => reading(page({ ...PRODUCT, aggregateRating })).offer?.rated;

  it.each([
    [
      { ratingValue: 4.6, reviewCount: 120 },
      { rating: 460, ratingCount: 120 },
    ],
    [
      { ratingValue: '4,6', ratingCount: '1200' },
      { rating: 460, ratingCount: 1200 },
    ],
    [
      { ratingValue: 92, bestRating: 100, worstRating: 0, ratingCount: 7 },
      { rating: 468, ratingCount: 7 },
    ],
    [[{ ratingValue: 10, bestRating: '10', ratingCount: 3 }], { rating: 500, ratingCount: 3 }],
  ])('%j', (told, as) => expect(rated(told)).toEqual(as));

  it.each([
    [undefined],
    ['five stars'],
    [{ ratingValue: 4.6 }],
    [{ ratingValue: 7, ratingCount: 3 }],
    [{ ratingValue: 0, ratingCount: 3 }],
    [{ ratingValue: 'good', ratingCount: 3 }],
    [{ ratingValue: 4, ratingCount: 0 }],
    [{ ratingValue: 4, ratingCount: 2.5 }],
    [{ ratingValue: 4, bestRating: 1, ratingCount: 2 }],
  ])('is nothing where it makes no sense: %j', (told) => expect(rated(told)).toBeUndefined());
});

it('reads a saved page', () => {
  const { module, offer: told, warnings, format } = reading(page({ '@type': 'BreadcrumbList' }, PRODUCT));
  expect(format).toBe('product-page');
  expect(warnings).toEqual([]);
  expect(module).toMatchObject({
    capacityMiB: 8192,
    generation: 'DDR4',
    form: 'SO-DIMM',
    rateMTs: 2666,
    casLatency: 19,
    voltagesMv: [1200],
    maker: 'Vellamo',
    part: 'VE4S8-2666K2',
  });
  expect(told).toEqual({
    title: '16GB (2x8GB) DDR4-2666 SO-DIMM CL19 1.2V',
    modules: 2,
    quantity: null,
    priceCents: 4990,
    currency: 'EUR',
    seller: 'Quayside Parts',
    condition: 'new',
    available: true,
    sku: 'Q-10442',
    url: 'https://quayside.example/q-10442',
  });
});

it('finds the product in a graph, in a list, beside others, and with the vocabulary before its type', () => {
  expect(reading(page({ '@graph': [{ '@type': 'WebPage' }, PRODUCT] })).module?.generation).toBe('DDR4');
  expect(reading(page([{ ...PRODUCT, '@type': ['http://schema.org/Product'] }])).module?.generation).toBe('DDR4');
  const other = { '@type': 'Product', name: 'Cable, 2 m', offers: { price: 5, priceCurrency: 'EUR' } };
  const both = reading(page(other, PRODUCT));
  expect(both.offer?.priceCents).toBe(4990);
  expect(both.warnings).toEqual(['the page holds 2 products: the first that is memory is taken']);
  expect(reading(JSON.stringify(PRODUCT)).offer?.priceCents).toBe(4990);
});

test.each([
  [{ price: 49.9 }, 4990],
  [{ price: 49 }, 4900],
  [{ price: '1,249.00' }, 124900],
  [{ price: '49,90' }, 4990],
  [{ price: undefined, priceSpecification: { price: '12.5', priceCurrency: 'EUR' } }, 1250],
  [{ price: 'ask' }, null],
  [{ price: -3 }, null],
  [{ price: 5000, priceCurrency: 'JPY' }, 5000],
])('reads the price of %j as %s minor units', (change, cents) => {
  expect(offer(change).offer?.priceCents).toBe(cents);
});

it('takes the lowest of a span of prices, and the first of several offers, and says so', () => {
  const span = offer({ '@type': 'AggregateOffer', price: undefined, lowPrice: '41.00', highPrice: '60' });
  expect(span.offer?.priceCents).toBe(4100);
  expect(span.warnings).toEqual(['the page gives a span of prices: the lowest is taken']);
  const several = reading(page({ ...PRODUCT, offers: [PRODUCT.offers, { price: 1 }] }));
  expect(several.offer?.priceCents).toBe(4990);
  expect(several.warnings).toEqual(['the page holds 2 offers: the first is taken']);
});

it('fills from the properties what the name does not say', () => {
  const properties = [
    { '@type': 'PropertyValue', name: 'Rank', value: 'single' },
    { name: 'Form', value: 'SO-DIMM' },
    { name: 'ECC', value: 'no' },
  ];
  const { module } = reading(page({ ...PRODUCT, name: '8GB DDR4 2666', additionalProperty: properties }));
  expect(module).toMatchObject({ capacityMiB: 8192, rateMTs: 2666, ranks: 1, form: 'SO-DIMM', ecc: false });
});

it('says where the product is no memory, and where no price stands', () => {
  const { warnings } = reading(page({ '@type': 'Product', name: 'Cable, 2 m' }));
  expect(warnings).toEqual(['the product’s name does not say a memory module', 'no price is told']);
});

it('passes over data that is broken, and never takes a time beyond the page’s length', () => {
  expect(reading(page('{"@type": "Product", ', PRODUCT)).offer?.priceCents).toBe(4990);
  expect(read(`<html>${'<script '.repeat(100_000)}`).ok).toBe(false);
  expect(read(`<html>${'<script type="application/ld+json">'.repeat(100_000)}`).ok).toBe(false);
});

describe('a page of a machine maker’s own part', () => {
  const machine = (name: string) => ({ '@type': 'Product', name, brand: { '@type': 'Brand', name: 'Tarnholt' } });
  const original = (change: object) => reading(page({ ...PRODUCT, ...change })).offer?.original;

  it('is told by its brand being that of the machines it is for, which are named', () => {
    const told = reading(
      page({
        ...PRODUCT,
        brand: 'TARNHOLT GmbH',
        isAccessoryOrSparePartFor: [machine('TC4-1900'), machine('TC4-2100')],
      }),
    );
    expect(told.offer?.original).toEqual({ of: 'TARNHOLT GmbH', madeFor: ['TC4-1900', 'TC4-2100'] });
    // The machines are no products that the page sells.
    expect(told.warnings).toEqual([]);
  });

  it('is told by its words, with the machines of its text', () => {
    const name = 'Genuine Tarnholt 8GB DDR4-2666 SO-DIMM for TC4-1900';
    expect(original({ name, brand: 'Tarnholt' })).toEqual({ of: 'Tarnholt', madeFor: ['TC4-1900'] });
    expect(original({ description: 'Original spare part of the maker.', brand: 'Tarnholt' })).toEqual({
      of: 'Tarnholt',
      madeFor: [],
    });
  });

  it('is not one that another brand makes for the machine, nor one that says so', () => {
    expect(original({ isAccessoryOrSparePartFor: machine('TC4-1900') })).toBeUndefined();
    const compatible = { name: 'Compatible 8GB DDR4-2666 SO-DIMM', brand: 'Tarnholt' };
    expect(original({ ...compatible, isAccessoryOrSparePartFor: machine('TC4-1900') })).toBeUndefined();
    expect(original({})).toBeUndefined();
  });

  it('may name its machines without saying more of them, and not without end', () => {
    const many = Array.from({ length: 500 }, (_, nr) => `TC${nr}`);
    const told = original({ description: 'genuine part', brand: 'Tarnholt', isAccessoryOrSparePartFor: many });
    expect(told?.madeFor).toHaveLength(40);
  });
});
