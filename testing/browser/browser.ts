import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, chromium, type Page } from 'playwright-core';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** How long a test waits for anything on a page, in milliseconds. */
const PATIENCE = Number(process.env.FENBRIK_TEST_PATIENCE ?? 120_000);

/** Debian's headless Chromium with a new, empty profile. @param more flags beside the usual ones */
export function openBrowser(more: readonly string[] = []): Promise<Browser> {
  return chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: [...FLAGS, ...more] });
}

export interface Visit {
  light?: 'day' | 'back-room';
  width?: number;
  height?: number;
}

/** A browser window of its own; what goes wrong on its pages is gathered in `faults`. */
export async function openWindow(browser: Browser, base: string, visit: Visit = {}) {
  const viewport = { width: visit.width ?? 1280, height: visit.height ?? 800 };
  const context = await browser.newContext({ viewport, baseURL: base, reducedMotion: 'reduce' });
  if (visit.light !== undefined) await context.addCookies([{ name: 'fenbrik-light', value: visit.light, url: base }]);
  // A machine that is busy elsewhere is no fault of the page: wait long before a test fails.
  context.setDefaultTimeout(PATIENCE);
  const page = await context.newPage();
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/status of (401|404|409|422|503)/.test(message.text()))
      faults.push(message.text());
  });
  return { context, page, faults };
}

/** Waits until the whole ladder is drawn: rungs that are out of sight follow the others. */
export async function ladderDrawn(page: Page): Promise<void> {
  await page.locator('.ladder-box[aria-busy="false"] .plan-mark').first().waitFor();
}

const AXE = readFileSync(join(process.cwd(), 'node_modules', 'axe-core', 'axe.min.js'), 'utf8');

interface AxeResult {
  violations: { id: string; help: string; nodes: { html: string; failureSummary?: string }[] }[];
}

/**
 * What axe finds against WCAG 2.2 AA and its best practices, a line each; empty: nothing.
 *
 * @param within only in there, where something open lies over the rest of the page
 */
export async function axeFindings(page: Page, within?: string): Promise<string[]> {
  // A page that is refreshed has no title for a moment: the new one streams in behind it.
  await page.waitForFunction(() => document.title !== '');
  await page.evaluate(AXE);
  const result = (await page.evaluate(
    `axe.run(${within === undefined ? 'document' : JSON.stringify(within)}, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"] })`,
  )) as AxeResult;
  return result.violations.map(
    ({ id, help, nodes }) =>
      `${id}: ${help}: ${nodes
        .map((node) => node.html.slice(0, 160))
        .slice(0, 3)
        .join(' | ')}`,
  );
}
