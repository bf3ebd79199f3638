import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { explainedText, planTable } from '../bin/plan-table';
import { explainOffer, type OfferExplained } from '../core/planning/explain/explain-offer';
import type { Goal, PlanCase } from '../core/planning/model/case';
import { answer } from '../core/planning/search/answer';
import { closePool } from '../store/database';
import { migrate } from '../store/migrate';
import { loadDemo } from './load-demo';
import { ROOT } from './setup.mjs';
import { openCluster } from './start/cluster';

/*
 * npm run explain-demo: what the planner says of three demo jobs, written to docs/explained.md. The shop is played on a
 * day of its own, so that the prices are the same each time.
 */

const DAY = new Date('2026-11-25T09:00:00Z');
/** What is worth showing of an offer. */
const KINDS: readonly OfferExplained['kind'][] = [
  'in-plans',
  'beaten',
  'refused',
  'set-refused',
  'no-room',
  'sold-out',
];
const JOBS: readonly { id: number; wish: Goal }[] = [
  { id: 1, wish: { minMiB: 64 * 1024, maxPriceCents: 10_000 } },
  { id: 2, wish: { minMiB: 32 * 1024, maxPriceCents: 5_000 } },
  { id: 3, wish: { minMiB: 48 * 1024, maxPriceCents: 15_000, minOpenSlots: 3 } },
];
const SHOWN_ROWS = 9;

const fenced = (text: string): string => `\`\`\`text\n${text.trimEnd()}\n\`\`\`\n`;

/** The first offer of each kind. */
function ofEachKind(planCase: PlanCase): { id: string; explained: OfferExplained }[] {
  const all = planCase.offers.flatMap(({ id }) => {
    const explained = explainOffer(planCase, id);
    return explained === null ? [] : [{ id, explained }];
  });
  return KINDS.flatMap((kind) => all.find(({ explained }) => explained.kind === kind) ?? []);
}

function jobText(title: string, planCase: PlanCase, wish: Goal): string {
  const table = planTable(planCase, answer(planCase)).split('\n');
  const more = table.length - SHOWN_ROWS;
  const wished = { ...planCase, goal: wish };
  const explained = ofEachKind(planCase).map(({ id, explained: told }) => fenced(explainedText(planCase, id, told)));
  return [
    `## ${title}\n`,
    fenced([...table.slice(0, SHOWN_ROWS), `… and ${more} lines more`].join('\n')),
    ...explained,
    `With the goal \`${JSON.stringify(wish)}\`:\n`,
    fenced(planTable(wished, answer(wished)).split('\n').slice(0, SHOWN_ROWS).join('\n')),
  ].join('\n');
}

const folder = mkdtempSync(join(tmpdir(), 'fenbrik-explain-'));
chmodSync(folder, 0o755);
const cluster = await openCluster(join(folder, 'cluster'), ['fsync=off']);
process.env.DATABASE_URL = cluster.url;
try {
  await migrate(cluster.url, join(ROOT, 'store', 'migrations'));
  await loadDemo(DAY);
  const { wholeJob } = await import('../service/job/job-state');
  const texts: string[] = [];
  for (const { id, wish } of JOBS) {
    const state = await wholeJob(id);
    if (state === null || !state.jobCase.ok) throw new Error(`demo job ${id} has gaps`);
    const { planCase } = state.jobCase;
    texts.push(jobText(`${state.job.customer.name}: ${planCase.machine.name ?? 'a machine'}`, planCase, wish));
  }
  const head = [
    '# What the planner says of three demo jobs\n',
    'Written by `npm run explain-demo` with `node bin/fenbrik.mjs plan CASE.json --explain OFFER --format table`’s own words:',
    'some of the plans, one offer for each reason why it is in a plan or in none, and a goal that nothing meets.\n',
  ];
  writeFileSync(join(ROOT, 'docs', 'explained.md'), `${[...head, ...texts].join('\n').trimEnd()}\n`);
} finally {
  await closePool();
  cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
