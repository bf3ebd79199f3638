import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { benchTestSchema, changeBenchTest, showBenchTests } from '@/service/job/bench/bench-test';
import { done, fault } from '@/service/result';

/** A job's tests on the bench, and what in stock could be tried. */
export const GET = handle('jobs.read', z.null(), async (caller, _, params) => {
  const tests = await showBenchTests(caller, idOf(params));
  return tests === null ? fault('not-found', 'There is no such job.') : done(tests);
});

/** Begins a test, notes how a run went, takes that back, or gives the test up. */
export const POST = handle('jobs.write', benchTestSchema, (caller, input, params) =>
  changeBenchTest(caller, idOf(params), input),
);
