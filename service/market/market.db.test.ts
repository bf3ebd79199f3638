import { makeMarket } from '../../bench/market';
import { OFFER_SORTS, type OfferSort } from '../../core/market/offer-sort';
import { many, pool, run, transaction } from '../../store/database';
import { askFor, specsFor } from '../../store/market/find-offers';
import { narrowingOf, offersForPlanning } from '../../store/market/offers-for-planning';
import { READER } from '../../testing/reader';
import { marketRows, must, openTestShop, readTill } from '../../testing/shop';
import {
  type AskMarket,
  askMarket,
  askMarketSchema,
  type FamilyOffers,
  type MarketRow,
  marketPrices,
  pricesOf,
} from './market';

const shop = openTestShop();

const ask = async (wish: AskMarket) => must(await askMarket(READER, askMarketSchema.parse(wish)));

const largest = (shelves: readonly FamilyOffers[]): FamilyOffers => {
  const [first] = [...shelves].sort((a, b) => b.offers - a.offers);
  if (first === undefined) throw new Error('no shelf');
  return first;
};

const latency = ({ module }: MarketRow) =>
  module.casLatency == null ? Number.POSITIVE_INFINITY : (module.casLatency * 2000) / module.rateMTs;

/** What each sort puts first, as a number or text that only rises. */
const KEYS: Record<OfferSort, (row: MarketRow) => number | string> = {
  price: ({ costCents }) => costCents,
  'per-gib': ({ costCents, modules, module }) => Math.floor((costCents * 1_024_000) / (modules * module.capacityMiB)),
  rate: ({ module }) => -module.rateMTs,
  latency: (row) => Math.round(latency(row) * 1000),
  height: ({ module }) => module.heightMm ?? Number.POSITIVE_INFINITY,
  size: ({ module }) => module.capacityMiB,
  seller: ({ sellerName }) => sellerName?.toLowerCase() ?? '',
  stock: ({ stock }) => -(stock ?? -1),
  delivery: ({ leadDays }) => leadDays ?? -1,
  rating: ({ rating, ratingCount, sellerId }) =>
    sellerId === null
      ? Number.NEGATIVE_INFINITY
      : -(((rating ?? 0) * (ratingCount ?? 0) + 1500) / ((ratingCount ?? 0) + 5)),
};

describe('the market', () => {
  test.each(OFFER_SORTS)('is sorted by %s', async (sort) => {
    await run(pool(), "update seller set rating = 400 + id, rating_count = id * 40 where name like 'Fenn%' or id = 1");
    const { familyId } = largest((await ask({ text: 'DDR4' })).shelves);
    const { rows } = await ask({ text: 'DDR4', sort, familyId, count: 200 });
    expect(rows.length).toBeGreaterThan(20);
    const keys = rows.map(KEYS[sort]);
    expect(keys).toEqual([...keys].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0)));
  });

  test.each(OFFER_SORTS)('by %s has each offer on one page and none on two', async (sort) => {
    const { shelves, familyId } = await ask({ sort });
    const total = shelves.find((shelf) => shelf.familyId === familyId)?.offers ?? 0;
    const seen: number[] = [];
    for (let from = 0; from < total; from += 7) {
      seen.push(...(await ask({ sort, familyId, from, count: 7 })).rows.map(({ id }) => id));
    }
    expect(seen.length).toBe(total);
    expect(new Set(seen).size).toBe(total);
  });

  it('knows what was typed: facts, origin, seller, words', async () => {
    const original = await marketRows('16 GB DDR4 SO-DIMM original');
    expect(original.length).toBeGreaterThan(0);
    for (const { module, origin } of original) {
      expect([module.capacityMiB, module.generation, module.form, origin]).toEqual([
        16_384,
        'DDR4',
        'SO-DIMM',
        'original',
      ]);
    }
    const quayside = await marketRows('quayside DDR3');
    expect(quayside.length).toBeGreaterThan(0);
    expect(new Set(quayside.map(({ sellerName }) => sellerName))).toEqual(new Set(['Quayside Components']));
    expect(await marketRows('nobody makes this')).toEqual([]);
    expect(await marketRows('100% _ \\')).toEqual([]);
  });

  it('finds the twin of what is installed', async () => {
    const [row] = await marketRows('DDR4');
    if (row === undefined) throw new Error('no offer');
    const { module, modules } = row;
    const twins = await marketRows(
      `${modules}x${module.capacityMiB / 1024}GB ${module.generation}-${module.rateMTs} ${module.form} CL${module.casLatency} ${module.maker ?? ''}`,
    );
    expect(twins.map(({ id }) => id)).toContain(row.id);
    for (const twin of twins)
      expect(twin.module).toMatchObject({ rateMTs: module.rateMTs, casLatency: module.casLatency });
  });

  it('shows what fits the machine of a job, all kinds of it at once', async () => {
    const id = await readTill(shop.teo);
    const { shelves, rows } = await ask({ jobId: id, count: 200 });
    expect(shelves).toEqual([{ familyId: 0, label: null, offers: rows.length }]);
    expect(rows.length).toBeGreaterThan(5);
    expect(new Set(rows.map(({ module }) => `${module.generation} ${module.form}`)).size).toBe(1);
    // An original part of another model fits its sockets and is not for it.
    const made = (list: readonly MarketRow[]) => list.filter(({ madeFor }) => madeFor.length > 0);
    expect(made(rows).length).toBeGreaterThan(0);
    for (const { madeFor } of made(rows)) expect(madeFor).toContain('Tarnholt Counter 4');
    const { generation, form } = rows[0]?.module ?? { generation: '', form: '' };
    expect(made(await marketRows(`${generation} ${form} original`)).length).toBeGreaterThan(made(rows).length);
    expect(await askMarket(READER, askMarketSchema.parse({ jobId: 999_999 }))).toMatchObject({ code: 'not-found' });
    const none = await ask({ jobId: id, text: 'DDR2' });
    expect(none).toMatchObject({ familyId: null, rows: [] });
  });

  it('knows what a GB cost month by month, and what most ask for it now', async () => {
    const { families, familyId, months } = await marketPrices(READER, null);
    expect(familyId).toBe(families[0]?.familyId);
    expect(new Set(months.map(({ month }) => month)).size).toBeGreaterThan(4);
    for (const { low, middle, high, offers } of months) {
      expect([low, middle, high]).toEqual([low, middle, high].sort((a, b) => a - b));
      expect(offers).toBeGreaterThan(0);
    }
    // Now: the middle of what stands on the market today, each offer once.
    const last = months.filter(({ month }) => month === months.at(-1)?.month);
    const [first] = last;
    const { rows } = await ask({ familyId, count: 200 });
    const asked = rows
      .filter(({ origin, module }) => origin === 'third-party' && module.capacityMiB === first?.capacityMiB)
      .map(({ costCents, modules, module }) => (costCents * 1024) / (modules * module.capacityMiB))
      .sort((a, b) => a - b);
    expect(asked.length).toBe(first?.offers);
    const half = (asked.length - 1) / 2;
    const middle = ((asked[Math.floor(half)] ?? 0) + (asked[Math.ceil(half)] ?? 0)) / 2;
    expect(first?.middle).toBeCloseTo(middle, 6);
    expect((await marketPrices(READER, 9999)).familyId).toBe(familyId);
  });

  it('tells every price of an offer, the latest first, with where it came from', async () => {
    const [row] = await marketRows();
    const prices = must(await pricesOf(READER, row?.id ?? 0));
    expect(prices[0]).toMatchObject({ costCents: row?.costCents, cameFrom: 'price list' });
    const times = prices.map(({ at }) => at.getTime());
    expect(times).toEqual([...times].sort((a, b) => b - a));
    expect(await pricesOf(READER, 999_999)).toMatchObject({ code: 'not-found' });
  });
});

describe('on a market of many', () => {
  const plan = async (sql: string, values: unknown[]) =>
    (await many<{ 'QUERY PLAN': string }>(pool(), `explain ${sql}`, values)).map((row) => row['QUERY PLAN']).join('\n');
  const LAPTOP = {
    generations: ['DDR4'],
    form: 'SO-DIMM',
    kinds: [{ buffering: 'unbuffered' as const, ecc: false }],
    mostMiB: 16_384,
  };

  beforeAll(async () => {
    await transaction((db) => makeMarket(db, { offers: 30_000, prices: 1, sellers: 20, seed: 5 }));
    await run(pool(), 'vacuum analyze offer');
    await run(pool(), 'analyze');
  }, 120_000);

  it('planning reads lots by their index, never all offers', async () => {
    const sockets = [['DDR4'], 'SO-DIMM', ['unbuffered false'], 16_384, null, 4, null, [], ''];
    const every = narrowingOf(
      {
        ...{ sellersOut: ['Seller 1'], makers: ['Maker 1'], mostCas: 22, mostHeightMm: 32 },
        ...{ leastRating: 400, inStock: true, inTime: true },
      },
      3,
    );
    for (const narrowing of [null, every]) {
      const text = await plan(offersForPlanning(narrowing, 4), [...sockets, ...(narrowing?.values ?? [])]);
      expect(text).toContain('offer_of_lot');
      expect(text).not.toMatch(/Seq Scan on offer\b/);
    }
  });

  test.each(OFFER_SORTS)('the first 200 by %s come along an index', async (sort) => {
    const found = await specsFor(pool(), LAPTOP);
    const asked = await askFor(pool(), found, LAPTOP, sort, { from: 0, count: 200 });
    const text = await plan(asked?.sql ?? '', asked?.values ?? []);
    expect(text).toMatch(/offer_(by|of)_\w+/);
    expect(text).not.toMatch(/Seq Scan on offer\b/);
  });
});
