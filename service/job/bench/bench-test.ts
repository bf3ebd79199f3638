import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { dayAfter } from '../../../core/day-count';
import { capacityText } from '../../../core/memory/capacity';
import { type Board, makeBoard } from '../../../core/planning/model/board';
import { effectiveLimits } from '../../../core/planning/rules/effective-limits';
import { refusalsOf } from '../../../core/planning/rules/refuse-offer';
import { nextRun, outcomeOfRun, runsOf, type Tried, takesPairs } from '../../../core/proving/bench-test';
import { pool } from '../../../store/database';
import {
  type BenchTest,
  dropBenchRun,
  endBenchTest,
  type FreeStock,
  holdForTest,
  insertBenchRun,
  insertBenchTest,
  listBenchTests,
  listFreeStock,
  releaseTested,
  reopenBenchTest,
} from '../../../store/job/bench-tests';
import type { Group } from '../../../store/job/groups';
import { insertTrial } from '../../../store/library/trials';
import { getEditable } from '../../../store/market/offers';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { showSlices } from '../slices/read-slices';
import type { JobWith } from '../slices/slice';
import { acceptedOf } from './job-work';

/** So many days modules stay held for a test that nobody ends. */
const HELD_DAYS = 3;

/** A kind of module in stock that can be tried. Capacities MiB. */
export interface TestChoice {
  offerId: number;
  title: string;
  moduleMiB: number;
  /** so many at most: what is free, and what the machine takes */
  most: number;
  /** the largest total that is not off the books; null: nobody says */
  officialMiB: number | null;
}

/** A test, with what comes next and what each run said. */
export interface BenchTestView extends Omit<BenchTest, 'runs' | 'offerId'> {
  /** with so many modules; null: it is known how it goes */
  next: number | null;
  /** how many runs there are at most */
  of: number;
  runs: (Omit<BenchTest['runs'][number], 'trialId'> & { outcome: ReturnType<typeof outcomeOfRun>['outcome'] })[];
}

export interface BenchTests {
  /** the latest first; the first may be open */
  tests: BenchTestView[];
  choices: TestChoice[];
  /** why none can be begun; null: one can */
  sentence: string | null;
}

type State = JobWith<'limits' | 'machine' | 'quote' | 'readings'>;

/** The machine with its rules, and what keeps a test from beginning. */
function machineOf({ bareCase, job, sent, answers }: State): { board: Board; inPairs: boolean } | string {
  if (acceptedOf(sent, answers, job.id) !== null)
    return 'An option is accepted already: what comes now is its fitting.';
  if (job.modelId === null) return 'Say on Intake which model this is: how a test went is kept with the model.';
  if (!bareCase.ok) return 'Not everything in the machine is known yet: answer the question on Limits.';
  const { planCase } = bareCase;
  return { board: makeBoard(planCase), inPairs: takesPairs(planCase.machine) };
}

/** Modules that nothing speaks against but that nobody has vouched for their size. */
function choicesOf(board: Board, stock: readonly FreeStock[]): TestChoice[] {
  const force = effectiveLimits(board);
  return stock.flatMap(({ offerId, title, free, module }): TestChoice[] => {
    const codes = refusalsOf(module, board.machine, force);
    if (codes.some((code) => code !== 'module-size')) return [];
    const most = Math.min(free, board.sockets.length);
    return most < 1 ? [] : [{ offerId, title, moduleMiB: module.capacityMiB, most, officialMiB: force.total.official }];
  });
}

const stockFor = (db: Queryable, { machine }: Board): Promise<FreeStock[]> =>
  listFreeStock(db, { generations: machine.generations, form: machine.form });

const triedOf = (test: BenchTest, inPairs: boolean): Tried => ({ ...test, inPairs });

function viewOf(test: BenchTest, inPairs: boolean): BenchTestView {
  const { offerId: _, ...shown } = test;
  const tried = triedOf(test, inPairs);
  return {
    ...shown,
    next: test.ended === null ? nextRun(tried, test.runs) : null,
    of: runsOf(tried).length,
    runs: test.runs.map(({ trialId: __, ...run }) => ({ ...run, outcome: outcomeOfRun(tried, run).outcome })),
  };
}

const inPairsOf = ({ bareCase }: State): boolean => bareCase.ok && takesPairs(bareCase.planCase.machine);

/** A job's tests on the bench, and what else could be tried. Null: there is no such job. */
export async function showBenchTests(_: Caller<'jobs.read'>, jobId: number): Promise<BenchTests | null> {
  const state = await showSlices(jobId, ['limits', 'machine', 'quote', 'readings']);
  if (state === null) return null;
  const found = machineOf(state);
  const [tests, stock] = await Promise.all([
    listBenchTests(pool(), jobId),
    typeof found === 'string' ? [] : stockFor(pool(), found.board),
  ]);
  return {
    tests: tests.map((test) => viewOf(test, inPairsOf(state))),
    choices: typeof found === 'string' ? [] : choicesOf(found.board, stock),
    sentence: typeof found === 'string' ? found : null,
  };
}

const runSchema = z
  .strictObject({
    starts: z.boolean(),
    seenMiB: z
      .number()
      .int()
      .min(1)
      .max(2 ** 31 - 1)
      .nullable()
      .default(null),
    signs: z.string().trim().max(300, 'At most 300 characters, please.').default(''),
    loadedMinutes: z.number().int().min(1).max(10_000).nullable().default(null),
  })
  .refine(({ starts, seenMiB, loadedMinutes }) => starts || (seenMiB === null && loadedMinutes === null), {
    message: 'A machine that does not start shows no memory and runs nothing.',
  });

export const benchTestSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('begin'), offer: idSchema, modules: z.number().int().min(1).max(64) }),
  z.strictObject({ what: z.literal('run'), run: runSchema }),
  z.strictObject({ what: z.literal('undo') }),
  z.strictObject({ what: z.literal('give-up') }),
]);
type Input = z.infer<typeof benchTestSchema>;

async function begin(
  db: Queryable,
  state: State,
  { offer, modules }: Extract<Input, { what: 'begin' }>,
  staffId: number,
): Promise<Result<null>> {
  const { job, today } = state;
  const found = machineOf(state);
  if (typeof found === 'string') return fault('conflict', found);
  const { board } = found;
  const choice = choicesOf(board, await stockFor(db, board)).find(({ offerId }) => offerId === offer);
  if (choice === undefined) return fault('conflict', 'None of these is free, or they do not go into this machine.');
  if (modules > choice.most) return fault('conflict', `At most ${choice.most} of these can be tried here.`);
  const slots = [...board.sockets]
    .sort((a, b) => (board.fillPosition[a] ?? 0) - (board.fillPosition[b] ?? 0))
    .slice(0, modules)
    .map((slot) => board.machine.slots[slot]?.id ?? '');
  const solderedMiB = board.soldered.reduce((sum, piece) => sum + (piece?.module.capacityMiB ?? 0), 0);
  const until = dayAfter(today, HELD_DAYS);
  const test = { offerId: offer, modules, slots, moduleMiB: choice.moduleMiB, solderedMiB, heldUntil: until };
  const testId = await insertBenchTest(db, job.id, test, staffId);
  if (testId === null) return fault('conflict', 'A test is open already: it goes on where it stands.');
  const held = await holdForTest(db, { jobId: job.id, testId, offerId: offer, modules, until });
  return held ? done(null) : fault('conflict', 'One of these has just been promised to somebody else: choose again.');
}

/** What a run says becomes a compatibility test of the model; the limits, the ladder and the draft follow. */
async function noteRun(
  db: Queryable,
  state: State,
  test: BenchTest,
  { run: typed }: Extract<Input, { what: 'run' }>,
  staffId: number,
): Promise<Result<null>> {
  const { job, joined, today } = state;
  const tried = triedOf(test, inPairsOf(state));
  const modules = nextRun(tried, test.runs);
  if (modules === null) return fault('conflict', 'It is known how it goes: there is no run left.');
  const run = { ...typed, modules };
  const { outcome, depth } = outcomeOfRun(tried, run);
  const stock = (await getEditable(db, test.offerId))?.module ?? null;
  const { modelId } = job;
  const loaded = run.loadedMinutes === null ? '' : `ran loaded for ${run.loadedMinutes} minutes`;
  const note = [`tried for job ${job.id}`, loaded, run.signs].filter((part) => part !== '').join('; ');
  const trialId =
    modelId === null || stock === null
      ? null
      : await insertTrial(
          db,
          modelId,
          {
            moduleMiB: test.moduleMiB,
            generation: stock.generation,
            buffering: stock.buffering,
            ecc: stock.ecc,
            rateMTs: null,
            modules,
            slots: test.slots.slice(0, modules),
            totalMiB: test.solderedMiB + modules * test.moduleMiB,
            firmware: joined.machine?.firmware.version ?? '',
            cpu: job.cpu,
            outcome,
            depth,
            note: note.slice(0, 500),
            on: today,
          },
          { jobId: job.id, staffId },
        );
  await insertBenchRun(db, test.id, { ...run, trialId }, staffId);
  if (nextRun(tried, [...test.runs, run]) !== null) return done(null);
  await endBenchTest(db, test.id, 'done', staffId);
  await releaseTested(db, test.id);
  return done(null);
}

/** Takes the last run back; a test that it ended is open again, if its modules are still free. */
async function undoRun(db: Queryable, state: State, test: BenchTest, heldBefore: boolean): Promise<Result<null>> {
  const last = test.runs.at(-1);
  if (last === undefined) return fault('conflict', 'Nothing was noted yet.');
  await dropBenchRun(db, last);
  if (heldBefore) return done(null);
  const { offerId, modules, id } = test;
  const until = dayAfter(state.today, HELD_DAYS);
  await reopenBenchTest(db, id);
  const held = await holdForTest(db, { jobId: state.job.id, testId: id, offerId, modules, until });
  return held ? done(null) : fault('conflict', 'Its modules are promised to somebody else by now.');
}

/** Tries modules from stock in a customer's machine before anything is promised of them. */
export async function changeBenchTest(
  caller: Caller<'jobs.write'>,
  jobId: number,
  input: Input,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: `bench-test-${input.what}`,
    detail: input,
    needs: ['limits', 'machine', 'quote', 'readings'],
    work: async (db, state) => {
      if (input.what === 'begin') return begin(db, state, input, caller.id);
      const [test] = await listBenchTests(db, jobId);
      if (test === undefined) return fault('conflict', 'No test was begun.');
      if (input.what === 'undo') return undoRun(db, state, test, test.ended === null);
      if (test.ended !== null) return fault('conflict', 'This test has ended: begin another.');
      if (input.what === 'run') return noteRun(db, state, test, input, caller.id);
      await endBenchTest(db, test.id, 'given-up', caller.id);
      await releaseTested(db, test.id);
      return done(null);
    },
  });
}

/** Tests of all groups of a job's machines. */
export async function testsOfGroups(db: Queryable, groups: readonly Pick<Group, 'jobId'>[]): Promise<BenchTest[]> {
  const tests: BenchTest[] = [];
  for (const { jobId } of groups) tests.push(...(await listBenchTests(db, jobId)));
  return tests;
}

/** Gives up the tests that are open, and lets go of their modules. */
export async function giveUpTests(
  db: Queryable,
  groups: readonly Pick<Group, 'jobId'>[],
  staffId: number,
): Promise<void> {
  for (const { id, ended } of await testsOfGroups(db, groups)) {
    if (ended !== null) continue;
    await endBenchTest(db, id, 'given-up', staffId);
    await releaseTested(db, id);
  }
}

/** What keeps a quote in; null: nothing. A promise made while its test runs would not know how it goes. */
export function testStopsQuote(tests: readonly BenchTest[]): string | null {
  const open = tests.find(({ ended }) => ended === null);
  if (open === undefined) return null;
  return `A test of ${open.modules} × ${capacityText(open.moduleMiB)} is open on the bench: note how it went, or give it up.`;
}
