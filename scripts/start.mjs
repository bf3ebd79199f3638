#!/usr/bin/env node
// npm start: all set-up that is missing, then the application.
import { giveUp, need } from './setup.mjs';

await need({ packages: process.env.DATABASE_URL ? [] : ['postgresql'] });
const { register } = await import('tsx/esm/api');
register();
const [{ start }, { needBuild }] = await Promise.all([import('./start/start.ts'), import('./start/build.ts')]);
const demo = process.env.FENBRIK_DEMO === 'off' ? null : (await import('./start/demo-shop.ts')).demoShop;
await start({ build: needBuild, demo }).catch((error) =>
  giveUp(error instanceof Error ? error.message : String(error)),
);
