import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { DEMO_SELLERS } from '../../demo/sellers';
import { many, one, pool, run } from '../../store/database';
import { listFeeds, setFeedUrl } from '../../store/market/feeds';
import { openTestFeeds, type TestFeeds } from '../../testing/feeds';
import { READER } from '../../testing/reader';
import { must, openTestShop, readTill, stateOf } from '../../testing/shop';
import { askOneFeed, feedHealth, queueDueFeeds, refreshPrices } from './feeds';

const shop = openTestShop();
const [quayside, fennimore] = DEMO_SELLERS;

const prices = async () => (await one<{ count: number }>(pool(), 'select count(*) from offer_price')).count;
/** Minutes until a feed is asked again. */
const rests = async () => {
  const [feed] = await listFeeds(pool());
  return Math.round(((feed?.nextAt.getTime() ?? 0) - Date.now()) / 60_000);
};
const askAll = async () => must(await refreshPrices(shop.teo));

afterEach(async () => {
  await run(pool(), 'delete from seller_feed');
});

describe('a seller’s feed', () => {
  let feeds: TestFeeds | null = null;
  let server: Server | null = null;
  afterEach(() => {
    feeds?.stop();
    server?.close();
  });

  /** A feed that answers this, as it is. */
  async function saying(body: unknown, headers: Record<string, string> = {}): Promise<string> {
    server = createServer((_, response) => response.writeHead(200, headers).end(JSON.stringify(body)));
    await new Promise<void>((resolve) => server?.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  }

  it('goes through its moods: what is sick changes nothing, is said, and is left alone for longer each time', async () => {
    feeds = await openTestFeeds('error,half,nonsense,slow,well');
    await setFeedUrl(pool(), quayside.name, feeds.url(quayside.slug));
    const before = await prices();
    const said = [];
    const rested = [];
    for (let round = 0; round < 4; round++) {
      said.push((await askAll())[0]);
      rested.push(await rests());
    }
    expect(said.map((one) => one?.sentence)).toEqual([
      'Quayside Components: the feed answered 500; prices stay as they were.',
      'Quayside Components: the feed broke off in the middle; prices stay as they were.',
      'Quayside Components: the feed makes no sense at items.0.part; prices stay as they were.',
      'Quayside Components: the feed took longer than 5 seconds; prices stay as they were.',
    ]);
    expect(rested).toEqual([120, 240, 480, 960]);
    expect(await prices()).toBe(before);
    expect(await feedHealth(READER)).toMatchObject([{ ok: false, goodAt: null }]);

    const [well] = await askAll();
    expect(well?.sentence).toMatch(/^Quayside Components: \d+ of \d+ prices moved\.$/);
    expect(well?.changed).toBeGreaterThan(0);
    expect((await prices()) - before).toBe(well?.changed);
    expect(await rests()).toBe(60);
    expect(await feedHealth(READER)).toMatchObject([{ ok: true, goodAt: expect.any(String) }]);
    // Asked again it says that nothing is new, and is not read.
    expect((await askAll())[0]).toMatchObject({
      ok: true,
      changed: 0,
      sentence: 'Quayside Components: nothing is new.',
    });
  }, 60_000);

  it('that is away holds no other back', async () => {
    feeds = await openTestFeeds('well');
    await setFeedUrl(pool(), fennimore.name, 'http://127.0.0.1:9/');
    await setFeedUrl(pool(), quayside.name, feeds.url(quayside.slug));
    const outcomes = await askAll();
    expect(outcomes.find(({ seller }) => seller === fennimore.name)).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('does not answer; prices stay as they were'),
    });
    expect(outcomes.find(({ seller }) => seller === quayside.name)).toMatchObject({ ok: true });
  });

  it('is asked when it is due, by one process and no other', async () => {
    feeds = await openTestFeeds('well');
    await setFeedUrl(pool(), quayside.name, feeds.url(quayside.slug));
    const { id } = await one<{ id: number }>(pool(), 'select id from seller where name = $1', [quayside.name]);
    const queued = await Promise.all([queueDueFeeds(), queueDueFeeds(), queueDueFeeds()]);
    expect(queued.toSorted()).toEqual([0, 0, 1]);
    expect(await queueDueFeeds()).toBe(0);
    expect(await many(pool(), "select key from graphile_worker.jobs where task_identifier = 'ask-feed'")).toEqual([
      { key: `ask-feed:${id}` },
    ]);
    expect(await askOneFeed(id)).toMatchObject({ ok: true, seller: quayside.name });
    expect(await queueDueFeeds()).toBe(0);
    await run(pool(), "update seller_feed set next_at = now() - interval '1 second'");
    expect(await queueDueFeeds()).toBe(1);
  });

  it('may print prices and coupons by its terms, and prices that look like slips are left', async () => {
    const { part, cost } = await one<{ part: string; cost: number }>(
      pool(),
      `select seller_part as part, cost_cents as cost from offer join seller on seller.id = seller_id
       where name = $1 and offer.modules = 1 and cost_cents > 2000 order by offer.id limit 1`,
      [quayside.name],
    );
    const feed = (items: unknown[]) => ({ fenbrik: 'feed/1', currency: 'EUR', items });
    const coupon = { name: 'autumn', percentBp: null, cents: 300, endsOn: null };
    await run(pool(), 'update seller set terms = null where name = $1', [quayside.name]);
    await setFeedUrl(pool(), quayside.name, await saying(feed([{ part, printedCents: cost, coupon, stock: 4 }])));
    expect((await askAll())[0]).toMatchObject({ changed: 1 });
    const now = () =>
      one<{ cost: number; stock: number }>(
        pool(),
        'select cost_cents as cost, stock from offer where seller_part = $1 and seller_id = (select id from seller where name = $2)',
        [part, quayside.name],
      );
    expect(await now()).toEqual({ cost: cost - 300, stock: 4 });
    server?.close();
    await setFeedUrl(pool(), quayside.name, await saying(feed([{ part, costCents: cost * 100, stock: 3 }])));
    expect((await askAll())[0]).toMatchObject({
      changed: 0,
      sentence: expect.stringContaining('1 moved so much that they are left'),
    });
    expect(await now()).toEqual({ cost: cost - 300, stock: 3 });
  });

  it.each([
    [
      { fenbrik: 'feed/1', currency: 'USD', items: [{ part: 'x', costCents: 5, stock: null }] },
      'is in USD and not in EUR',
    ],
    [{ fenbrik: 'feed/9', currency: 'EUR', items: [] }, 'makes no sense at fenbrik'],
    [
      { fenbrik: 'feed/1', currency: 'EUR', items: [{ part: 'x', costCents: -5, stock: null }] },
      'makes no sense at items.0.costCents',
    ],
    ['x'.repeat(9 * 1024 * 1024), 'is too large'],
  ])('is refused in a sentence (%#)', async (body, sentence) => {
    await setFeedUrl(pool(), quayside.name, await saying(body));
    expect((await askAll())[0]).toMatchObject({ ok: false, sentence: expect.stringContaining(sentence) });
  });
});

test('a plan’s offers know that their seller’s feed is sick, and since when', async () => {
  const job = await readTill(shop.teo);
  const sickness = async () => {
    const { market } = await stateOf(job);
    const own = [...market.supplies.values()].filter(({ seller }) => seller === quayside.name);
    expect(own.length).toBeGreaterThan(0);
    return own.map(({ sickSince }) => sickSince);
  };
  expect(new Set(await sickness())).toEqual(new Set([undefined]));
  await setFeedUrl(pool(), quayside.name, 'http://127.0.0.1:9/');
  await askAll();
  expect(new Set(await sickness())).toEqual(new Set([null]));
  await run(pool(), "update seller_feed set good_at = '2026-11-01T00:00:00Z'");
  expect((await sickness())[0]).toEqual(new Date('2026-11-01T00:00:00Z'));
});

test('how old a price is goes by when its seller told it last, not by when it changed last', async () => {
  const job = await readTill(shop.teo);
  const ageOf = async (seller: string) => {
    const { market } = await stateOf(job);
    const ages = [...market.supplies.values()].flatMap((supply) =>
      supply.seller === seller && supply.pricedAt !== null ? [Date.now() - supply.pricedAt.getTime()] : [],
    );
    expect(ages.length).toBeGreaterThan(0);
    return Math.round(Math.max(...ages) / 86_400_000);
  };
  await run(pool(), "update offer set priced_at = now() - interval '40 days' where seller_id is not null");
  const name = quayside?.name ?? '';
  expect(await ageOf(name)).toBe(40);
  await setFeedUrl(pool(), name, 'http://127.0.0.1:9/');
  await run(pool(), 'update seller_feed set good_at = now()');
  expect(await ageOf(name)).toBe(0);
  expect(await ageOf(fennimore?.name ?? '')).toBe(40);
});
