#!/usr/bin/env node
// npm test [SUITES] [PARTS OF FILES' NAMES]: all set-up that is missing, then format, lint, types, unit, database and browser tests.
import { EVERYTHING, giveUp, need } from '../scripts/setup.mjs';

// The whole run needs all of Debian's packages: they are fetched beside those of npm.
await need({ packages: process.argv.length > 2 ? [] : EVERYTHING });
const { register } = await import('tsx/esm/api');
register();
const { test } = await import('./run-suites.ts');
await test(process.argv.slice(2)).catch((error) => giveUp(error instanceof Error ? error.message : String(error)));
