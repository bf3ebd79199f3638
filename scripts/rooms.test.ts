import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const ROOT = join(__dirname, '..');

/** What the linter says of a file that imports this, were it in that room. */
function lint(room: string, from: string): string {
  const file = join(ROOT, room, 'zz-room-check.ts');
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, `import { thing } from '${from}';\n\nexport const used = thing;\n`);
  try {
    const done = spawnSync(join(ROOT, 'node_modules', '.bin', 'biome'), ['lint', '--error-on-warnings', file], {
      cwd: ROOT,
      encoding: 'utf8',
    });
    return done.status === 0 ? '' : `${done.stdout}${done.stderr}`;
  } finally {
    rmSync(file);
  }
}

describe('imports point down only', () => {
  test.each([
    ['core/planning', 'react'],
    ['core/planning', 'node:fs'],
    ['core/planning', 'pg'],
    ['core/planning', '../../store/jobs'],
    ['core/planning', '@/service/quote'],
    ['store', '../service/quote'],
    ['store', 'next/headers'],
    ['service', '../app/enter'],
    ['service', '@/ui/kit/button'],
    ['service', 'pg'],
    ['app', '@/store/jobs'],
    ['app', '@/outward/quote-pdf'],
    ['app/counter', '../../store/jobs'],
    ['ui/kit', '@/service/quote'],
    ['ui/kit', '@/store/staff'],
    ['outward', '../store/jobs'],
    ['worker', '../store/jobs'],
    ['worker', 'node:fs'],
    ['standin', '../core/memory/capacity'],
    ['demo', '../service/quote'],
    ['runtime', '../store/jobs'],
    ['runtime', '../core/bounds'],
    ['gate', '../store/session'],
    ['gate', 'pg'],
  ])('%s may not import %s', (room, from) => {
    expect(lint(room, from)).toContain('noRestrictedImports');
  });

  test.each([
    ['core/planning', '../memory/capacity'],
    ['gate', '../runtime/body-limits'],
    ['store', '../runtime/database-faults'],
    ['store', '../core/memory/module'],
    ['service', '../store/jobs'],
    ['app', '@/service/quote'],
    ['ui/kit', '@/core/memory/capacity'],
    ['ui/kit', '@/worker/plan-message'],
  ])('%s may import %s', (room, from) => {
    expect(lint(room, from)).toBe('');
  });
});
