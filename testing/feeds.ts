import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { feedCatalogue } from '../demo/feed-catalogue';
import { ROOT } from '../scripts/setup.mjs';
import { freePort } from '../scripts/start/cluster';

type Catalogue = ReturnType<typeof feedCatalogue>;

export interface TestFeeds {
  /** where a seller's feed answers */
  url: (slug: string) => string;
  stop: () => void;
}

/**
 * The stand-in for the sellers' feeds as a process of its own, in these moods.
 *
 * @param change what the catalogue says otherwise than the demo's
 */
export async function openTestFeeds(
  moods: string,
  change: (catalogue: Catalogue) => Catalogue = (catalogue) => catalogue,
): Promise<TestFeeds> {
  const port = await freePort();
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-feed-'));
  const catalogue = join(folder, 'catalogue.json');
  writeFileSync(catalogue, JSON.stringify(change(feedCatalogue('EUR'))));
  const standin = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'standin', 'seller-feeds.ts')], {
    cwd: ROOT,
    stdio: 'ignore',
    env: {
      ...process.env,
      FENBRIK_FEEDS_PORT: String(port),
      FENBRIK_FEEDS_CATALOGUE: catalogue,
      FENBRIK_FEEDS_MOODS: moods,
      FENBRIK_FEEDS_DAY: '2026-11-25',
    },
  });
  const stop = (): void => {
    standin.kill();
    rmSync(folder, { recursive: true, force: true });
  };
  // A path that is no seller's takes no mood away.
  for (let tries = 0; tries < 300; tries++) {
    if (await fetch(`http://127.0.0.1:${port}/`).catch(() => null))
      return { url: (slug) => `http://127.0.0.1:${port}/${slug}`, stop };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  stop();
  throw new Error('the stand-in for feeds did not come up');
}
