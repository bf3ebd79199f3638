#!/usr/bin/env node
// npm start: all set-up that is missing, then the application.
import { giveUp, needModules, needNode, needPackages } from './setup.mjs';

needNode();
if (!process.env.DATABASE_URL) needPackages(['postgresql']);
needModules();
const { register } = await import('tsx/esm/api');
register();
const { start } = await import('./start/start.ts');
await start().catch((error) => giveUp(error instanceof Error ? error.message : String(error)));
