import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { faults } from './rooms/check';
import { importsOf, sourceFiles } from './rooms/imports';
import { mapOf } from './rooms/map';

/*
 * npm run rooms [-- --draw]: says where a file imports what its room may not, where files go round in circles and where a folder
 * has more files than can be overseen; draws the map of rooms, or says that the one in docs/ is old.
 */

const ROOT = join(import.meta.dirname, '..');
const MAP = join(ROOT, 'docs', 'rooms.md');

const files = new Map(sourceFiles(ROOT).map((file) => [file, importsOf(ROOT, file)]));
const found = faults(files);
const map = mapOf(files);
if (process.argv.includes('--draw')) writeFileSync(MAP, map);
else if (readFileSync(MAP, 'utf8') !== map) found.push('docs/rooms.md is old: npm run rooms -- --draw');
for (const line of found) console.error(line);
console.log(`${files.size} files looked at, ${found.length} faults`);
process.exitCode = found.length === 0 ? 0 : 1;
