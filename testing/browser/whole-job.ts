import type { Page } from 'playwright-core';

/** Reports as files that are dropped. */
export const asFiles = (reports: readonly { name: string; text: string }[]) =>
  reports.map(({ name, text }) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) }));

/** Puts what is suggested as enough for 16 GB into the draft. */
export async function choose16(page: Page): Promise<void> {
  await page.getByLabel('Needs at least').fill('16 GB');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: /^1 enough: 16 GB/ }).click();
  await page.getByRole('button', { name: 'Add to quote as option 1' }).click();
  await page.getByRole('region', { name: 'Draft quote' }).getByText('16 GB').first().waitFor();
}

/** Notes at the counter that the customer says yes, and to every statement that is read out. */
export async function acceptSpoken(page: Page): Promise<void> {
  for (const statement of await page.getByRole('checkbox', { name: /^Read out and agreed/ }).all()) {
    await statement.check();
  }
  await page.getByRole('button', { name: 'Record acceptance' }).click();
}

/** Does every step of the checklist that is left. */
export async function fitRest(page: Page): Promise<void> {
  const now = page.getByLabel('Now', { exact: true });
  const inHand = page.getByRole('button', { name: 'Yes, done' });
  while ((await now.count()) > 0) {
    const before = await now.textContent();
    await now.getByRole('button', { name: /^Done/ }).click();
    await page.waitForFunction((step) => {
      const here = document.querySelector('[aria-label="Now"]');
      return here?.textContent !== step || document.querySelector('[aria-label="Now"] [role="alert"]') !== null;
    }, before);
    if (await inHand.isVisible()) {
      await inHand.click();
      await page.waitForFunction(
        (step) => document.querySelector('[aria-label="Now"]')?.textContent !== step,
        await now.textContent(),
      );
    }
  }
}

/** What each group's machines hold after the fitting, MB by slot, as the customer reads it. */
export async function promised(page: Page): Promise<Record<string, number>[]> {
  const boards = await page.getByRole('img', { name: /^After: / }).all();
  const words = await Promise.all(boards.map((board) => board.getAttribute('aria-label')));
  return words.map((text) =>
    Object.fromEntries(
      [...(text ?? '').matchAll(/(\w+) (\d+) GB/g)].map(([, slot = '', gb]) => [slot, 1024 * Number(gb)] as const),
    ),
  );
}
