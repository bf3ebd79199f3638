#!/usr/bin/env node
// npm run migration NAME: the next numbered file in store/migrations, from a template.
import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp, ROOT, say } from './setup.mjs';

const FOLDER = join(ROOT, 'store', 'migrations');
const name = process.argv
  .slice(2)
  .join(' ')
  .trim()
  .toLowerCase()
  .replaceAll(/[^a-z0-9]+/g, '_')
  .replaceAll(/^_|_$/g, '');
if (name === '') giveUp('say what it does: npm run migration mail of orders');
const last = Math.max(0, ...readdirSync(FOLDER).map((file) => Number(file.slice(0, 4)) || 0));
const file = `${String(last + 1).padStart(4, '0')}_${name}.sql`;
// Each runs once, in a transaction of its own; what is out already is never changed, only followed by another.
writeFileSync(join(FOLDER, file), '-- Why this is needed, in a sentence.\n', { flag: 'wx' });
say(`store/migrations/${file}: write it, then start; the next start or test runs it`);
