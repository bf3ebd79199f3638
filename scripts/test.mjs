#!/usr/bin/env node
// npm test: all set-up that is missing, then format, lint, types, unit, database and browser tests.
import { giveUp, needModules, needNode, needPackages } from './setup.mjs';

needNode();
needPackages(['postgresql', 'chromium', 'poppler-utils', 'qpdf', 'nginx-light', 'openssl', 'fonts-dejavu-core']);
needModules();
const { register } = await import('tsx/esm/api');
register();
const { test } = await import('./test.ts');
await test(process.argv.slice(2)).catch((error) => giveUp(error instanceof Error ? error.message : String(error)));
