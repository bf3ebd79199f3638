import type { BrowserContext } from 'playwright-core';
import { DEMO_PASSWORD } from '../../demo/load-shop';

/** Signs in without the page, for tests that are about something else. */
export async function signIn(context: BrowserContext, base: string, name = 'teo'): Promise<void> {
  const answer = await context.request.post(`${base}/api/sign-in`, { data: { name, password: DEMO_PASSWORD } });
  if (!answer.ok()) throw new Error(`signing in as ${name} answered ${answer.status()}`);
}
