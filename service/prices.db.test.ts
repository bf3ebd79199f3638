import { spawn } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { feedCatalogue } from '../demo/feed-catalogue';
import { DEMO_SELLERS } from '../demo/sellers';
import { freePort } from '../scripts/cluster';
import { marketRows, must, openTestShop } from '../scripts/test-shop';
import { one, pool } from '../store/database';
import { setFeedUrl } from '../store/offers';
import { changePrice, refreshPrices } from './prices';

const shop = openTestShop();
describe('prices', () => {
  it('are refused in a sentence for an offer that is gone', async () => {
    expect(await changePrice(shop.teo, 999_999, { costCents: 100 })).toMatchObject({ code: 'not-found' });
  });

  it('are listed with their history, dearer for the customer than for us', async () => {
    const offers = await marketRows();
    expect(offers.length).toBeGreaterThan(150);
    for (const offer of offers) {
      expect(offer.sellCents).toBeGreaterThan(offer.costCents);
      expect(offer.history.at(-1)?.costCents).toBe(offer.costCents);
    }
  });

  it('come from the sellers’ feeds, and a feed that is away changes nothing', async () => {
    const port = await freePort();
    const catalogue = join(mkdtempSync(join(tmpdir(), 'fenbrik-feed-')), 'catalogue.json');
    writeFileSync(catalogue, JSON.stringify(feedCatalogue('EUR')));
    const [quayside, fennimore] = DEMO_SELLERS;
    await setFeedUrl(pool(), quayside.name, `http://127.0.0.1:${port}/${quayside.slug}`);
    await setFeedUrl(pool(), fennimore.name, 'http://127.0.0.1:9/');
    const standin = spawn(process.execPath, ['--import', 'tsx', join(__dirname, '..', 'standin', 'seller-feeds.ts')], {
      cwd: join(__dirname, '..'),
      stdio: 'ignore',
      env: { ...process.env, FENBRIK_FEEDS_PORT: String(port), FENBRIK_FEEDS_CATALOGUE: catalogue },
    });
    try {
      for (let tries = 0; tries < 100; tries++) {
        if (await fetch(`http://127.0.0.1:${port}/${quayside.slug}`).catch(() => null)) break;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      const before = await one<{ count: number }>(pool(), 'select count(*) from offer_price');
      const outcomes = must(await refreshPrices(shop.teo));
      expect(outcomes[0]?.sentence).toMatch(/^Quayside Components: \d+ of \d+ prices moved\.$/);
      expect(outcomes[1]).toMatchObject({ changed: 0, sentence: expect.stringContaining('prices stay as they were') });
      const after = await one<{ count: number }>(pool(), 'select count(*) from offer_price');
      expect(after.count - before.count).toBe(outcomes[0]?.changed);
      expect(outcomes[0]?.changed).toBeGreaterThan(0);
      // The same prices again are no new prices.
      expect(must(await refreshPrices(shop.teo))[0]?.changed).toBe(0);
    } finally {
      standin.kill();
    }
  }, 60_000);
});
