#!/usr/bin/env node
// npm run dev: like npm start, without a build; what changes in the code is shown by itself.
import { giveUp, needModules, needNode, needPackages } from './setup.mjs';

needNode();
if (!process.env.DATABASE_URL) needPackages(['postgresql']);
needModules();
const { register } = await import('tsx/esm/api');
register();
const { start } = await import('./start/start.ts');
await start({ isDev: true }).catch((error) => giveUp(error instanceof Error ? error.message : String(error)));
