import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { checklistOf, HAND_OVER_STEP } from '../../../core/fitting/checklist';
import { guide, outcomeOf } from '../../../core/fitting/guide';
import { ENDS, type End, SIGNS, type Sign } from '../../../core/fitting/guide-data';
import { CASE_LIMITS } from '../../../core/planning/model/case-limits';
import { pool } from '../../../store/database';
import { noteEvent } from '../../../store/events';
import {
  dropBeep,
  endSearch,
  FIND_KINDS,
  type Fitting,
  insertFind,
  insertFitting,
  insertSearch,
  insertTest,
  insertTick,
  putBeep,
  reopenSearch,
  takeFindBack,
  takeTestBack,
  undoTick,
} from '../../../store/job/fittings';
import { newestPicture } from '../../../store/job/job-pictures';
import { getJob } from '../../../store/job/jobs';
import { listModelSlots } from '../../../store/library/models';
import { insertTrial } from '../../../store/library/trials';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { trialOfOption } from '../limits/trial-of-option';
import type { JobWith } from '../slices/slice';
import { settleHandedOver } from './hand-over';
import { acceptedOf, openFitting } from './job-work';

const NOT_ACCEPTED = 'No option is accepted yet: fitting waits for that.';

/** Which of the job's equal machines; left out: the first. */
export const machineSchema = z.number().int().min(1).max(CASE_LIMITS.machines).optional();
export const beginSchema = z.strictObject({ machine: machineSchema });

/**
 * Begins the work on one of the job's machines: the checklist is made from the model and the accepted option, and stays as it
 * is.
 */
export async function beginFitting(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { machine = 1 }: z.infer<typeof beginSchema> = {},
): Promise<Result<{ id: number }>> {
  return changeJob(caller, jobId, {
    kind: 'fitting-begun',
    detail: { machine },
    needs: ['work', 'machine', 'limits'],
    work: async (db, state) => {
      const { work, job, slots, limits } = state;
      const { accepted, fittings } = work;
      if (accepted === null) return fault('conflict', NOT_ACCEPTED);
      if (machine > job.machines) return fault('not-found', `This job has ${job.machines} such machines.`);
      // Two tablets that begin at once begin the same.
      const at = { jobId, machine };
      const open = openFitting(work, at);
      if (open !== null) return done({ id: open.id });
      const library = job.modelId === null ? [] : await listModelSlots(db, job.modelId);
      const { option } = accepted;
      const steps = checklistOf({
        opening: state.model?.opening ?? [],
        library,
        slots,
        option,
        fillOrder: limits.fillOrder?.value ?? [],
        generation: limits.generations?.value[0] ?? null,
        form: limits.form?.value ?? null,
      });
      const id = await insertFitting(
        db,
        jobId,
        {
          quoteId: accepted.quote.id,
          place: option.place,
          machine,
          round: (fittings.find((one) => one.jobId === jobId && one.machine === machine)?.round ?? 0) + 1,
          // How long a hand-over takes says nothing of the model.
          modelId: option.partsOnly ? null : job.modelId,
          steps,
        },
        caller.id,
      );
      return done({ id });
    },
  });
}

const stepKey = z.string().min(1).max(80);
export const tickSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('done'), step: stepKey }),
  z.strictObject({
    what: z.literal('skip'),
    step: stepKey,
    reason: z.string().trim().min(1, 'Enter why it is skipped.').max(300, 'At most 300 characters, please.'),
  }),
  z.strictObject({ what: z.literal('undo'), step: stepKey }),
  z.strictObject({
    what: z.literal('find'),
    step: stepKey,
    kind: z.enum(FIND_KINDS),
    note: z.string().trim().min(1, 'Enter what is different.').max(500, 'At most 500 characters, please.'),
  }),
  z.strictObject({ what: z.literal('unfind'), step: stepKey, id: idSchema }),
]);
type Ticked = z.infer<typeof tickSchema>;

const FIND_EVENTS = {
  done: 'step-done',
  skip: 'step-left-out',
  undo: 'step-undone',
  find: 'step-found',
  unfind: 'found-taken-back',
};

async function tick(db: Queryable, { id }: Fitting, input: Ticked, staffId: number): Promise<void> {
  const { step } = input;
  if (input.what === 'done') await insertTick(db, id, { step, state: 'done', reason: '' }, staffId);
  else if (input.what === 'skip') await insertTick(db, id, { step, state: 'skipped', reason: input.reason }, staffId);
  else if (input.what === 'undo') await undoTick(db, id, step, staffId);
  else if (input.what === 'find') await insertFind(db, id, { step, kind: input.kind, note: input.note }, staffId);
  else await takeFindBack(db, id, input.id);
}

/**
 * Ticks a step of the checklist, leaves it out, undoes that, or notes what was found different on it. What another tablet did
 * already is as well: it is done, by the person who was first.
 */
export async function tickStep(
  caller: Caller<'jobs.write'>,
  jobId: number,
  fittingId: number,
  input: Ticked,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: FIND_EVENTS[input.what],
    detail: { fittingId, ...input },
    needs: ['bench', 'quote'],
    work: async (db, { job, fittings, sent, answers }) => {
      const fitting = fittings.find((one) => one.id === fittingId && one.jobId === jobId);
      if (fitting === undefined) return fault('not-found', 'This work on the bench is not known.');
      if (!fitting.steps.some(({ key }) => key === input.step)) return fault('not-found', 'The list has no such step.');
      await tick(db, fitting, input, caller.id);
      const accepted = input.step === HAND_OVER_STEP ? acceptedOf(sent, answers, jobId) : null;
      if (accepted !== null) await settleHandedOver(db, job.leadId ?? jobId, accepted);
      return done(null);
    },
  });
}

/**
 * When anything of a job was changed last, and the number of its newest picture (0: it has none): a tablet asks whether another
 * one went on, a desk whether a telephone took a photograph.
 */
export async function jobStamp(
  _: Caller<'jobs.read'>,
  jobId: number,
): Promise<Result<{ stamp: string; picture: string }>> {
  const job = await getJob(pool(), jobId);
  if (job === null) return fault('not-found', 'There is no such job.');
  return done({ stamp: job.touchedAt.toISOString(), picture: String(await newestPicture(pool(), jobId)) });
}

export const searchSchema = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.literal('begin'),
    sign: z.enum(SIGNS),
    beeps: z.string().trim().max(80).default(''),
  }),
  z.strictObject({ what: z.literal('tested'), test: z.string().max(40), outcome: z.string().max(40) }),
  z.strictObject({ what: z.literal('undo') }),
  z.strictObject({
    what: z.literal('end'),
    end: z.enum(ENDS),
    /** the module or socket that it was about */
    about: z.string().trim().max(120).default(''),
  }),
  z.strictObject({ what: z.literal('reopen') }),
]);
type SearchInput = z.infer<typeof searchSchema>;

type SearchedJob = JobWith<'work' | 'limits' | 'machine' | 'readings'>;

/** A limit that is not true, and a module that does not go: both are evidence of the model. */
async function noteEvidence(
  db: Queryable,
  state: SearchedJob,
  end: End,
  about: string,
  staffId: number,
): Promise<void> {
  const { accepted } = state.work;
  if (end !== 'limit-untrue' || accepted === null || state.job.modelId === null) return;
  const trial = trialOfOption(state, accepted.option, {
    outcome: 'fails-to-start',
    depth: 'started',
    note: `searched on the bench${about === '' ? '' : `: ${about}`}`,
  });
  if (trial !== null) await insertTrial(db, state.job.modelId, trial, { jobId: state.job.id, staffId });
}

async function searchOn(db: Queryable, state: SearchedJob, input: SearchInput, staffId: number): Promise<Result<null>> {
  const [last] = state.work.searches;
  if (input.what === 'begin') {
    const fittingId = state.work.fittings[0]?.id ?? null;
    const id = await insertSearch(db, state.job.id, { fittingId, sign: input.sign, beeps: input.beeps }, staffId);
    return id === null ? fault('conflict', 'A search is open already: it goes on where it stands.') : done(null);
  }
  if (last === undefined) return fault('conflict', 'No search was begun.');
  if (input.what === 'reopen') {
    await reopenSearch(db, last.id);
    return done(null);
  }
  if (last.ended !== null) return fault('conflict', 'This search has ended: open it again first.');
  if (input.what === 'undo') {
    return (await takeTestBack(db, last.id)) ? done(null) : fault('conflict', 'Nothing was tested yet.');
  }
  if (input.what === 'tested') {
    if (outcomeOf(input.test, input.outcome) === null) return fault('bad-input', 'There is no such test or outcome.');
    if (last.tests.some(({ test }) => test === input.test))
      return fault('conflict', 'Somebody noted this test already.');
    await insertTest(db, last.id, input, staffId);
    const { end } = guide(last.sign as Sign, [...last.tests, input]);
    if (end !== 'fixed') return done(null);
    await endSearch(db, last.id, { ended: end, about: '', staffId });
    return done(null);
  }
  await endSearch(db, last.id, { ended: input.end, about: input.about, staffId });
  await noteEvidence(db, state, input.end, input.about, staffId);
  return done(null);
}

/** Goes on with the search for why it does not start: each test narrows what is suspected, and is kept. */
export async function searchFault(
  caller: Caller<'jobs.write'>,
  jobId: number,
  input: SearchInput,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: `search-${input.what}`,
    detail: input,
    needs: ['work', 'limits', 'machine', 'readings'],
    work: async (db, state) => searchOn(db, state, input, caller.id),
  });
}

export const beepSchema = z.strictObject({
  maker: z.string().trim().min(1, 'Enter whose machines beep like this.').max(80),
  pattern: z.string().trim().min(1, 'Enter the beeps, such as 2 long, 1 short.').max(80),
  means: z.string().trim().min(1, 'Enter what it means.').max(200),
});

/** Keeps what a maker's beeps mean, as the shop knows it. */
export async function keepBeep(
  caller: Caller<'library.write'>,
  beep: z.infer<typeof beepSchema>,
): Promise<Result<null>> {
  await putBeep(pool(), beep, caller.id);
  await noteEvent(pool(), { jobId: null, staffId: caller.id, kind: 'beep-kept', detail: beep });
  return done(null);
}

export async function forgetBeep(caller: Caller<'library.write'>, id: number): Promise<Result<null>> {
  if (!(await dropBeep(pool(), id))) return fault('not-found', 'It is not kept any more.');
  await noteEvent(pool(), { jobId: null, staffId: caller.id, kind: 'beep-forgotten', detail: { id } });
  return done(null);
}
