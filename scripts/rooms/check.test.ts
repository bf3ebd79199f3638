import { circles, type Files, faults } from './check';
import type { Import } from './imports';
import { mapOf } from './map';
import { MOST_FILES } from './rules';

const ours = (to: string, isType = false): Import => ({ to, isPackage: false, isType });
const taken = (to: string, isType = false): Import => ({ to, isPackage: true, isType });
const files = (said: Record<string, Import[]>): Files => new Map(Object.entries(said));

describe('imports point down only', () => {
  test.each([
    ['core/planning/a.ts', taken('react')],
    ['core/planning/a.ts', taken('node:fs')],
    ['core/planning/a.ts', taken('pg')],
    ['core/planning/a.ts', ours('store/job/jobs.ts')],
    ['core/planning/a.ts', ours('service/job/quote/quote.ts', true)],
    ['store/a.ts', ours('service/job/quote/quote.ts')],
    ['store/a.ts', taken('zod')],
    ['service/a.ts', ours('app/enter.ts')],
    ['service/a.ts', taken('pg')],
    ['app/counter/a.tsx', ours('store/job/jobs.ts')],
    ['app/a.ts', ours('outward/papers/quote-pdf.ts')],
    ['ui/kit/a.tsx', ours('service/job/quote/quote.ts')],
    ['ui/kit/a.tsx', ours('store/staff/staff.ts', true)],
    ['ui/kit/a.tsx', ours('runtime/log.ts')],
    ['outward/a.ts', ours('store/job/jobs.ts')],
    ['worker/a.ts', taken('node:fs')],
    ['standin/a.ts', ours('core/memory/capacity.ts')],
    ['demo/a.ts', ours('service/job/quote/quote.ts')],
    ['runtime/a.ts', ours('core/bounds.ts')],
    ['gate/a.ts', taken('pg')],
    ['tasks/a.ts', ours('store/queue/queue.ts')],
    ['scripts/a.ts', ours('testing/shop.ts')],
    ['service/a.ts', ours('service/quote.test.ts')],
    ['core/planning/model/a.ts', ours('core/planning/rules/b.ts')],
  ])('%s may not import %j', (file, one) => {
    expect(faults(files({ [file]: [one] }))).toHaveLength(1);
  });

  test.each([
    ['core/planning/a.ts', ours('core/memory/capacity.ts')],
    ['core/planning/a.ts', taken('zod')],
    ['gate/a.ts', ours('runtime/body-limits.ts')],
    ['store/a.ts', ours('core/memory/module.ts')],
    ['service/a.ts', taken('node:crypto')],
    ['app/a.ts', ours('service/job/quote/quote.ts')],
    ['ui/kit/a.tsx', ours('worker/plan-message.ts')],
    ['ui/kit/a.tsx', ours('service/job/quote/quote.ts', true)],
    ['tasks/a.ts', ours('service/mail/mail.ts')],
    ['core/planning/rules/a.ts', ours('core/planning/model/b.ts')],
    ['core/planning/a.test.ts', ours('testing/worked-cases.ts')],
  ])('%s may import %j', (file, one) => {
    expect(faults(files({ [file]: [one] }))).toEqual([]);
  });
});

it('finds circles, of types too, and no others', () => {
  const round = files({
    'core/a.ts': [ours('core/b.ts')],
    'core/b.ts': [ours('core/c.ts', true), ours('core/d.ts')],
    'core/c.ts': [ours('core/a.ts')],
    'core/d.ts': [],
  });
  expect(circles(round)).toEqual([['core/a.ts', 'core/b.ts', 'core/c.ts']]);
  expect(
    circles(files({ 'core/a.ts': [ours('core/b.ts'), ours('core/c.ts')], 'core/b.ts': [ours('core/c.ts')] })),
  ).toEqual([]);
});

it('finds folders that cannot be overseen', () => {
  const full = Object.fromEntries(Array.from({ length: MOST_FILES }, (_, at) => [`core/full/${at}.ts`, []]));
  expect(faults(files(full))).toEqual([]);
  expect(faults(files({ ...full, 'core/full/x.test.ts': [] }))).toEqual([]);
  expect(faults(files({ ...full, 'core/full/x.ts': [] }))).toEqual([
    'core/full has 21 files: at most 20 can be overseen',
  ]);
});

it('draws what is imported at run time, and dotted what is types alone', () => {
  const drawn = mapOf(
    files({
      'ui/a.tsx': [ours('core/b.ts'), ours('service/c.ts', true)],
      'core/b.ts': [],
      'service/c.ts': [ours('core/b.ts', true), ours('core/b.ts')],
    }),
  );
  expect(drawn).toContain('  ui --> core\n  ui -.-> service');
  expect(drawn).toContain('  core["core · 1"]');
});
