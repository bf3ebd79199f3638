import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { feedCatalogue } from '../../demo/feed-catalogue';
import { DEMO_SELLERS } from '../../demo/sellers';
import { pool } from '../../store/database';
import { listFeeds, setFeedUrl } from '../../store/market/feeds';
import { maybeShop, updateCustomerAddress } from '../../store/shop/shop';
import { loadDemo } from '../load-demo';
import { ROOT, say } from '../setup.mjs';
import { clusterFolder, freePort } from './cluster';
import { program } from './program';
import type { Supervised } from './supervise';

/** The demo shop beside a start: what loads it, and what stands in for the world outside. */
export const demoShop = { load: loadDemo, standIns, answersAt };
export type DemoShop = typeof demoShop;

/** What answers in the place of sellers and of a mail server, where the demo shop is what is loaded. */
async function standIns(): Promise<Supervised[]> {
  const shop = await maybeShop(pool());
  if (!shop?.demo) return [];
  return [await mailStandIn(), await sellerFeeds(shop.currency)].filter((one) => one !== null);
}

/** The demo sellers' feeds; the sellers learn where they answer. */
async function sellerFeeds(currency: string): Promise<Supervised | null> {
  if (await feedsAnswer()) {
    say('another start serves the demo sellers’ feeds: they are left alone');
    return null;
  }
  const port = await freePort();
  const catalogue = join(mkdtempSync(join(tmpdir(), 'fenbrik-feeds-')), 'catalogue.json');
  writeFileSync(catalogue, JSON.stringify(feedCatalogue(currency)));
  for (const { name, slug } of DEMO_SELLERS) await setFeedUrl(pool(), name, `http://127.0.0.1:${port}/${slug}`);
  return standIn('the sellers’ feeds', 'seller-feeds.ts', {
    FENBRIK_FEEDS_PORT: String(port),
    FENBRIK_FEEDS_CATALOGUE: catalogue,
    FENBRIK_FEEDS_MOODS: process.env.FENBRIK_FEEDS_MOODS ?? '7',
  });
}

/** Do the demo sellers' feeds answer where the database says, for another start on the same database? */
async function feedsAnswer(): Promise<boolean> {
  const url = (await listFeeds(pool())).find(({ url }) => url !== null)?.url;
  if (url == null) return false;
  const answer = await fetch(url, { signal: AbortSignal.timeout(1_000) }).catch(() => null);
  await answer?.body?.cancel();
  return answer !== null;
}

/** The demo shop's mail goes to a server of ours that keeps it in a folder and hands it on to nobody. */
async function mailStandIn(): Promise<Supervised | null> {
  if (process.env.FENBRIK_SMTP) return null;
  const port = await freePort();
  const folder = join(clusterFolder(), 'mail');
  process.env.FENBRIK_SMTP = `smtp://127.0.0.1:${port}`;
  say(`the demo shop’s mail is kept in ${folder}`);
  return standIn('the mail server', 'mail-server.ts', {
    FENBRIK_MAIL_PORT: String(port),
    FENBRIK_MAIL_FOLDER: folder,
    FENBRIK_MAIL_MOODS: process.env.FENBRIK_MAIL_MOODS ?? 'well',
  });
}

const standIn = (name: string, file: string, env: Record<string, string>): Supervised => ({
  name,
  say,
  spawn: () => program(['--import', 'tsx', join(ROOT, 'standin', file)], env),
});

/** The demo shop's customers reach it where it is: its mail goes nowhere else. A shop of one's own confirms its address. */
async function answersAt(port: number): Promise<void> {
  const shop = await maybeShop(pool());
  if (!shop?.demo || process.env.FENBRIK_ADDRESS) return;
  if (shop.customerAddress === '' || /^http:\/\/127\.0\.0\.1:\d+$/.test(shop.customerAddress))
    await updateCustomerAddress(pool(), `http://127.0.0.1:${port}`);
}
