import type { Browser, Page } from 'playwright-core';
import { App } from './app';
import { openBrowser } from './browser';

export interface Stage {
  app: App;
  browser: Browser;
}

/**
 * Waits until a page hears: what is pressed or typed before that is lost, as it is for everybody who is quicker than half a
 * second. Pages without our scripts, such as a customer's, hear at once.
 */
async function hears(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    if (document.querySelector('script[src*="/_next/"]') === null) return true;
    const parts = document.querySelectorAll('button, a, input, select, textarea');
    const last = parts[parts.length - 1];
    return last === undefined || Object.keys(last).some((key) => key.startsWith('__reactProps'));
  });
}

/** Whatever page a test opens, it goes on once the page hears. */
export function hearing(browser: Browser): Browser {
  const newContext = browser.newContext.bind(browser);
  browser.newContext = async (options) => {
    const context = await newContext(options);
    context.on('page', (page) => {
      const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
      page.goto = async (...to) => {
        const answer = await goto(...to);
        await hears(page);
        return answer;
      };
      page.reload = async (...how) => {
        const answer = await reload(...how);
        await hears(page);
        return answer;
      };
    });
    return context;
  };
  return browser;
}

/** The application on its own demo shop and a browser, for all tests of a file. */
export function openStage(): Stage {
  const stage = {} as Stage;
  beforeAll(async () => {
    stage.app = await App.open();
    stage.browser = hearing(await openBrowser());
  });
  afterAll(async () => {
    await stage.browser?.close();
    await stage.app?.close();
  });
  return stage;
}
