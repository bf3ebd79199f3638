import { type Files, roomOf } from './check';
import { FOR_TESTS } from './rules';

const count = <Key>(counts: Map<Key, number>, key: Key): void => void counts.set(key, (counts.get(key) ?? 0) + 1);

/** The map of rooms as Mermaid draws it: an arrow for what is imported at run time, a dotted one for types alone. */
export function mapOf(files: Files): string {
  const sizes = new Map<string, number>();
  const arrows = new Map<string, { values: number; types: number }>();
  for (const [file, imports] of files) {
    const room = roomOf(file);
    if (room === '' || FOR_TESTS.test(file)) continue;
    count(sizes, room);
    for (const { to, isPackage, isType } of imports) {
      const other = roomOf(to);
      if (isPackage || other === room || other === '') continue;
      const arrow = arrows.get(`${room} ${other}`) ?? { values: 0, types: 0 };
      arrow[isType ? 'types' : 'values']++;
      arrows.set(`${room} ${other}`, arrow);
    }
  }
  const rooms = [...sizes]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([room, size]) => `  ${room}["${room} · ${size}"]`);
  const lines = [...arrows]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([pair, { values }]) => `  ${pair.replace(' ', values > 0 ? ' --> ' : ' -.-> ')}`);
  return `# The map of rooms

Made by \`npm run rooms -- --draw\` from the imports of every file; \`npm test\` checks that it is current. A number is how many files a
room has beside its tests; a dotted arrow imports types alone.

\`\`\`mermaid
flowchart TD
${[...rooms, ...lines].join('\n')}
\`\`\`
`;
}
