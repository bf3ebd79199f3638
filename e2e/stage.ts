import type { Browser } from 'playwright-core';
import { App } from './app';
import { openBrowser } from './browser';

export interface Stage {
  app: App;
  browser: Browser;
}

/** The application on its own demo shop and a browser, for all tests of a file. */
export function openStage(): Stage {
  const stage = {} as Stage;
  beforeAll(async () => {
    stage.app = await App.open();
    stage.browser = await openBrowser();
  });
  afterAll(async () => {
    await stage.browser?.close();
    await stage.app?.close();
  });
  return stage;
}
