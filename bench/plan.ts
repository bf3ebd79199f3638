import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { caseSchema, type PlanCase } from '../core/planning/model/case';
import { answer } from '../core/planning/search/answer';
import { type Change, Planner } from '../core/planning/search/planner';
import { desktopCase, laptopCase, serverCase, withSockets, workstationCase } from './plan-cases';
import { cheapestBySolver } from './plan-solver';

/*
 * npm run bench: how long a whole answer takes, from a checked case to its plans with their places. Printed are medians
 * beside their bounds, each measured in a process of its own; the ratio to a general solver on the same question, whose answers must be the same; how the time
 * grows with offers and sockets; the memory of the process.
 */

interface Timed {
  ms: number;
  plans: number;
}

/** The median of some rounds after a few that warm up, ms. */
function median(rounds: number, work: () => number): Timed {
  let plans = 0;
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const from = performance.now();
    plans = work();
    times.push(performance.now() - from);
  }
  const warm = times.slice(Math.floor(rounds / 3)).sort((a, b) => a - b);
  return { ms: warm[Math.floor(warm.length / 2)] ?? Number.NaN, plans };
}

const checked = (planCase: PlanCase): PlanCase => caseSchema.parse(planCase);

const cell = (value: string | number, width: number) => String(value).padStart(width);
const figure = (ms: number) => (ms < 100 ? ms.toFixed(1) : ms.toFixed(0));

function row(name: string, { ms, plans }: Timed, bound: number, aim: number): void {
  const verdict = ms <= aim ? 'aim held' : ms <= bound ? 'bound held' : 'MISSED';
  console.log(
    `${name.padEnd(58)} ${cell(plans, 6)} ${cell(figure(ms), 8)} ${cell(bound, 7)} ${cell(aim, 6)}  ${verdict}`,
  );
}

/** What is measured, each in a process of its own: the planner as it is where it plans one machine. */
const MEASURES: Record<string, { name: string; make: () => PlanCase; rounds: number; bound: number; aim: number }> = {
  laptop: {
    name: 'laptop: 2 sockets, 1,000 offers',
    make: () => laptopCase(1_000),
    rounds: 150,
    bound: 5,
    aim: 3,
  },
  desktop: {
    name: 'desktop: 4 sockets, 4 installed, 10,000 offers',
    make: () => desktopCase(10_000),
    rounds: 36,
    bound: 50,
    aim: 40,
  },
  workstation: {
    name: 'workstation: 8 sockets, 4 channels, 10,000 offers',
    make: () => workstationCase(10_000),
    rounds: 12,
    bound: 150,
    aim: 120,
  },
  server: {
    name: 'server: 32 sockets, 16 channels, 5,000 offers',
    make: () => serverCase(5_000),
    rounds: 7,
    bound: 1_500,
    aim: 1_000,
  },
};

function measure(of: string): void {
  const one = MEASURES[of];
  if (one === undefined) throw new Error(`nothing is called ${of}`);
  const planCase = checked(one.make());
  answer(planCase);
  // Of one answer: what later ones leave behind is collected when the process likes to.
  const mib = process.resourceUsage().maxRSS / 1024;
  row(
    one.name,
    median(one.rounds, () => answer(planCase).plans.length),
    one.bound,
    one.aim,
  );
  if (of !== 'server') return;
  console.log(
    `memory of that process at most, its first answer given: ${mib.toFixed(0)} MiB (bound 300: ${mib < 300 ? 'held' : 'MISSED'})`,
  );
}

/** What is steered on a desktop: what is known is kept, so that it follows the hand. */
function again(): void {
  const planCase = checked(desktopCase(10_000));
  const planner = new Planner(planCase);
  planner.answer();
  const steps: [string, (round: number) => Change][] = [
    ['budget moved', (round) => ({ goal: { maxPriceCents: 30_000 + round * 137 } })],
    ['need moved', (round) => ({ goal: { minMiB: (16 + 4 * (round % 20)) * 1024 } })],
    ['least rate moved', (round) => ({ goal: { minRateMTs: round % 2 === 0 ? 2400 : 2666 } })],
    ['a lane left out', (round) => ({ goal: { lanes: round % 2 === 0 ? ['used', 'third-party'] : ['original'] } })],
    ['a lock turned', (round) => ({ keep: { A1: round % 2 === 0 ? 'must' : 'may' } })],
    ['a price moved', (round) => ({ prices: { o7: 4_000 + round } })],
  ];
  for (const [name, change] of steps) {
    planner.change({ goal: null, keep: { A1: 'may' } });
    planner.answer();
    let round = 0;
    const label = `  planned again on the desktop: ${name}`;
    const timed = median(45, () => {
      planner.change({ goal: null, ...change(round++) });
      return planner.answer().plans.length;
    });
    // What is wished for is dragged, and has to follow the hand; locks and prices change one by one.
    if (change(0).goal === undefined) row(label, timed, 10, 8);
    else row(label, timed, 4, 3);
  }
}

/** The nearest rungs, told before the rest is worked out: from a checked case, or where its offers are known already. */
function first(): void {
  const cases = { desktop: desktopCase(10_000), workstation: workstationCase(10_000), server: serverCase(5_000) };
  for (const [name, planCase] of Object.entries(cases)) {
    const whole = checked(planCase);
    row(
      `  the nearest rungs, ${name}`,
      median(45, () => new Planner(whole).nearest().plans.length),
      10,
      5,
    );
  }
}

/** "The cheapest plan of at least T", for every total that can be reached, by both. */
async function againstSolver(): Promise<void> {
  const planCase = checked(desktopCase(200));
  const { baseline, plans } = new Planner(planCase).answer();
  const totals = [...new Set(plans.map(({ totalMiB }) => totalMiB))].filter((mib) => mib > baseline.totalMiB);
  totals.sort((a, b) => a - b);
  const prices = () => {
    const stairs = new Planner(planCase).leastPrices();
    return totals.map((mib) => stairs.find(({ totalMiB }) => totalMiB >= mib)?.priceCents ?? Number.NaN);
  };
  const ours = median(60, () => prices().length);
  const whole = median(60, () => answer(planCase).plans.length);
  const least = prices();
  const from = performance.now();
  const theirs = await cheapestBySolver(planCase, totals);
  const took = performance.now() - from;
  for (const [at, totalMiB] of totals.entries()) {
    if (least[at] !== theirs[at]) throw new Error(`${totalMiB} MiB: ${least[at]} by us, ${theirs[at]} by the solver`);
  }
  const ratio = took / ours.ms;
  console.log(
    `\nhighs, mixed integers, desktop with 200 offers: the cheapest plan of at least each of ${least.length} totals, the same prices: ${figure(took)} ms against our ${figure(ours.ms)} ms: ${ratio.toFixed(0)} times (bound 400: ${ratio >= 400 ? 'held' : 'MISSED'}, aim 500: ${ratio >= 500 ? 'held' : 'missed'})`,
  );
  console.log(
    `beside our whole answer of ${whole.plans} plans, ${figure(whole.ms)} ms: ${(took / whole.ms).toFixed(0)} times`,
  );
}

function growth(): void {
  console.log('\ndesktop, by offers');
  let before: { offers: number; ms: number } | null = null;
  for (const offers of [1_000, 3_000, 10_000, 30_000, 100_000]) {
    const planCase = checked(desktopCase(offers));
    const { ms, plans } = median(offers > 20_000 ? 5 : 15, () => answer(planCase).plans.length);
    const nLogN = (count: number) => count * Math.log(count);
    const more: string =
      before === null
        ? ''
        : `${(ms / before.ms).toFixed(2)} times the time before, n log n would be ${(nLogN(offers) / nLogN(before.offers)).toFixed(2)}`;
    console.log(`${cell(offers, 8)} offers ${cell(plans, 6)} plans ${cell(figure(ms), 8)} ms  ${more}`);
    before = { offers, ms };
  }
  console.log('\nserver modules, 1,000 offers, by sockets');
  for (const sockets of [2, 4, 8, 16, 32]) {
    const planCase = checked(withSockets(sockets, 1_000));
    const { ms, plans } = median(sockets > 16 ? 7 : 9, () => answer(planCase).plans.length);
    console.log(`${cell(sockets, 8)} sockets ${cell(plans, 6)} plans ${cell(figure(ms), 8)} ms`);
  }
}

const [only] = process.argv.slice(2);
if (only === 'again') again();
else if (only === 'first') first();
else if (only === 'growth') growth();
else if (only === 'solver') await againstSolver();
else if (only !== undefined) measure(only);
else {
  console.log(
    `${'whole answer'.padEnd(58)} ${cell('plans', 6)} ${cell('ms', 8)} ${cell('bound', 7)} ${cell('aim', 6)}`,
  );
  const folder = mkdtempSync(join(import.meta.dirname, '..', 'node_modules', '.fenbrik-bench-'));
  try {
    // As the browser gets it: bundled, without the loader's additions to every function.
    const file = join(folder, 'plan.mjs');
    await build({
      entryPoints: [join(import.meta.dirname, 'plan.ts')],
      outfile: file,
      bundle: true,
      platform: 'node',
      format: 'esm',
      external: ['highs', 'esbuild'],
    });
    for (const part of [...Object.keys(MEASURES), 'first', 'again', 'solver', 'growth']) {
      execFileSync(process.execPath, [file, part], { stdio: 'inherit' });
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
