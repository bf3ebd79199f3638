#!/usr/bin/env node
// npm run dev: like npm start, without a build; what changes in the code is shown on its own.
import { giveUp, need } from './setup.mjs';

await need({ packages: process.env.DATABASE_URL ? [] : ['postgresql'] });
const { register } = await import('tsx/esm/api');
register();
const { start } = await import('./start/start.ts');
const demo = process.env.FENBRIK_DEMO === 'off' ? null : (await import('./start/demo-shop.ts')).demoShop;
await start({ isDev: true, demo }).catch((error) => giveUp(error instanceof Error ? error.message : String(error)));
