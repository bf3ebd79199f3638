import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { lettersAndDigits } from '../../../core/letters-and-digits';
import {
  channelsIn,
  compareProof,
  type Promised,
  type ShownMemory,
  seenOfReport,
  verdictOf,
} from '../../../core/proving/compare-proof';
import { isSomeTotal, mostHeld, parseShown } from '../../../core/proving/held-share';
import { apartFromJob } from '../../../core/proving/other-machine';
import { parseSockets, whySocketsDiffer } from '../../../core/proving/typed-sockets';
import { READ_FAULTS } from '../../../core/reading/read';
import type { ReadMachine, ReadSlot } from '../../../core/reading/reading';
import { readApart } from '../../../outward/readings/read-apart';
import { pool } from '../../../store/database';
import { listMachines, type MachineAt, type ToldMachine } from '../../../store/job/find-machine';
import { noteSerial } from '../../../store/job/groups';
import { dropProof, insertProof, sharesHeld } from '../../../store/job/proofs';
import { getReading, insertReading } from '../../../store/job/readings';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { machineSchema } from '../bench/fitting';
import type { Accepted } from '../bench/job-work';
import { changeJob } from '../change-job';
import type { ReadingInput } from '../intake/intake';
import type { JobWith } from '../slices/slice';

const NO_MACHINE = 'This is a module or an offer, not the machine: drop the machine’s own report.';
const NO_PROMISE = 'No option is accepted yet: there is no promise to compare this with.';

/** What a machine said of its slots at intake: all its readings together, or its own where it is one of several. */
function slotsRead({ joined, readings }: JobWith<'readings'>, machine: number): readonly ReadSlot[] {
  if (machine === 1) return joined.machine?.memory.slots ?? [];
  const own = readings.find((one) => one.machine === machine && !one.setAside && one.result.machine !== undefined);
  return own?.result.machine?.memory.slots ?? [];
}

/**
 * The promise of an accepted option to one of its machines, each slot with its channel, and what is known of the modules that
 * stay.
 */
export function promiseOf({ option }: Accepted, state: JobWith<'machine' | 'readings'>, machine: number): Promised {
  const { slots } = state;
  const read = slotsRead(state, machine);
  const stays = Object.entries(option.shop.placement).flatMap(([slot, placed]) => {
    const own = 'kept' in placed ? slots.find(({ name }) => name === placed.kept) : undefined;
    if (own === undefined) return [];
    // The others of its kind are alike in what counts, which a part's number is not.
    const seenPart = read.find(({ locator }) => locator === own.name)?.installed?.part ?? null;
    const part = machine === 1 ? (own.module?.part ?? null) : seenPart;
    // A module that was moved on the board since it was read is known by its part alone.
    const seen = read.find(({ locator }) => locator === own.name)?.installed ?? null;
    const serial = seen !== null && seen.part === part ? seen.serial : null;
    return [[slot, { part, serial }] as const];
  });
  return {
    totalMiB: option.totalMiB,
    rateMTs: option.rateMTs,
    after: option.after,
    channelOf: Object.fromEntries(slots.map(({ name, channel }) => [name, channel])),
    stays: Object.fromEntries(stays),
  };
}

/** What is held back at most in this model. */
async function mostHeldIn(db: Queryable, { job }: JobWith<never>, totalMiB: number): Promise<number> {
  return mostHeld(totalMiB, job.modelId === null ? [] : await sharesHeld(db, job.modelId));
}

async function hold(
  db: Queryable,
  state: JobWith<'work' | 'readings' | 'machine'>,
  accepted: Accepted,
  {
    machine,
    seen,
    readingId,
    typed,
    staffId,
  }: { machine: number; seen: ShownMemory; readingId: number | null; typed: ShownMemory | null; staffId: number },
): Promise<number> {
  const promise = promiseOf(accepted, state, machine);
  const findings = compareProof(promise, seen, await mostHeldIn(db, state, promise.totalMiB));
  const fitting = state.work.fittings.find(
    (one) => one.quoteId === accepted.quote.id && one.jobId === state.job.id && one.machine === machine,
  );
  return insertProof(
    db,
    {
      jobId: state.job.id,
      machine,
      quoteId: accepted.quote.id,
      place: accepted.option.place,
      fittingId: fitting?.id ?? null,
      readingId,
      typed,
      findings,
      verdict: verdictOf(findings),
    },
    staffId,
  );
}

/** What comes of a report: it is held against the promise, or kept apart until somebody says that it is this machine's. */
export type TakenProof =
  | { held: true; at: MachineAt; serial: string }
  | { held: false; reading: number; sentence: string };

/**
 * Which of a job's machines a report is of: the one with its serial; else the one that is looked at, unless another is known
 * by then; else the next whose serial nobody knows and of which there is no report.
 */
async function machineOfReport(jobId: number, serial: string | null, looked: number): Promise<ToldMachine> {
  const machines = await listMachines(pool(), jobId);
  const here = machines.find((one) => one.jobId === jobId && one.machine === looked);
  const alone: ToldMachine = here ?? { jobId, machine: 1, serial: '', isHeld: false };
  if (machines.length < 2 || serial === null) return alone;
  const known = machines.find((one) => one.serial !== '' && lettersAndDigits(one.serial) === lettersAndDigits(serial));
  if (known !== undefined) return known;
  const untold = (one: ToldMachine) => one.jobId === jobId && one.serial === '' && !one.isHeld;
  return untold(alone) ? alone : (machines.find(untold) ?? alone);
}

/**
 * What a machine said of itself at intake. Where nobody read it, the others of its kind say what it is called, and nothing of
 * its serial or of what was in it.
 */
function readBefore({ readings }: JobWith<'readings'>, machine: number): ReadMachine[] {
  const all = readings.flatMap(({ result, setAside, machine: of }) =>
    result.machine === undefined || setAside ? [] : [{ of, read: result.machine }],
  );
  const own = all.filter(({ of }) => of === machine).map(({ read }) => read);
  if (own.length > 0) return own;
  return all.map(({ read }) => ({ ...read, serial: null, memory: { ...read.memory, slots: [] } }));
}

/** Takes the report of a machine after fitting, to be held against the accepted option. */
export async function takeProof(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { name, input }: ReadingInput,
  looked = 1,
): Promise<Result<TakenProof>> {
  const outcome = await readApart(input);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  const { reading } = outcome;
  const { machine } = reading;
  if (machine === undefined) return fault('bad-input', NO_MACHINE);
  const at = await machineOfReport(jobId, machine.serial, looked);
  return changeJob(caller, at.jobId, {
    kind: 'proof-read',
    detail: { source: name, machine: at.machine },
    needs: ['work', 'readings', 'machine'],
    work: async (db, state): Promise<Result<TakenProof>> => {
      const { accepted } = state.work;
      if (accepted === null) return fault('conflict', NO_PROMISE);
      const readingId = await insertReading(db, {
        jobId: at.jobId,
        machine: at.machine,
        purpose: 'proof',
        optionPlace: accepted.option.place,
        sourceName: name,
        input,
        result: reading,
        staffId: caller.id,
      });
      const before = readBefore(state, at.machine);
      const sentence = apartFromJob(machine, { before, serial: at.serial, changes: changesOf(accepted) });
      if (sentence !== null) return done({ held: false, reading: readingId, sentence });
      const seen = seenOfReport(promiseOf(accepted, state, at.machine), machine);
      await hold(db, state, accepted, { machine: at.machine, seen, readingId, typed: null, staffId: caller.id });
      if (at.serial === '' && machine.serial !== null && state.job.machines > 1)
        await noteSerial(db, at.jobId, at.machine, machine.serial.slice(0, 120));
      return done({
        held: true,
        at: { jobId: at.jobId, machine: at.machine },
        serial: at.serial === '' ? (machine.serial ?? '') : at.serial,
      });
    },
  });
}

/** An accepted option that changes anything makes the machine say something else than before. */
const changesOf = ({ option: { before, after } }: Accepted): boolean =>
  JSON.stringify(before.map(({ capacityMiB }) => capacityMiB)) !==
  JSON.stringify(after.map(({ capacityMiB }) => capacityMiB));

export const confirmProofSchema = z.strictObject({ reading: idSchema });

/** Holds a report against the promise that was kept apart: somebody says that it is this machine's all the same. */
export async function confirmProof(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { reading }: z.infer<typeof confirmProofSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'proof-confirmed',
    detail: { reading },
    needs: ['work', 'readings', 'machine'],
    work: async (db, state) => {
      const { accepted, proofs } = state.work;
      if (accepted === null) return fault('conflict', NO_PROMISE);
      const kept = await getReading(db, jobId, reading);
      if (kept?.result.machine === undefined) return fault('not-found', 'This report is not kept any more.');
      if (proofs.some(({ readingId }) => readingId === reading)) return done(null);
      const seen = seenOfReport(promiseOf(accepted, state, kept.machine), kept.result.machine);
      await hold(db, state, accepted, {
        machine: kept.machine,
        seen,
        readingId: reading,
        typed: null,
        staffId: caller.id,
      });
      return done(null);
    },
  });
}

const UNREAD = 'Enter the total as the screen shows it, such as 15.9 GB or 16096 MB.';

export const typedProofSchema = z.strictObject({
  machine: machineSchema,
  total: z.string().trim().min(1, UNREAD).max(30),
  /** does the screen count the modules, or what its system can use? */
  counts: z.enum(['installed', 'usable']),
  rateMTs: z.number().int().min(60, 'No memory is that slow.').max(20_000, 'No memory is that fast.').nullable(),
  channels: z.number().int().min(1).max(16).nullable(),
  /** what the screen shows in each socket, as it was typed; one that is left out is not told */
  sockets: z.record(z.string().max(60), z.string().trim().max(30)).default({}),
});

/** Takes what somebody read off the machine's screen. */
export async function typeProof(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { machine = 1, total, counts, rateMTs, channels, sockets }: z.infer<typeof typedProofSchema>,
): Promise<Result<null>> {
  const mib = parseShown(total);
  if (mib === null) return fault('bad-input', UNREAD);
  return changeJob(caller, jobId, {
    kind: 'proof-typed',
    detail: { machine, total, counts, rateMTs, channels, sockets },
    needs: ['work', 'readings', 'machine'],
    work: async (db, state) => {
      const { accepted } = state.work;
      if (accepted === null) return fault('conflict', NO_PROMISE);
      const { before, after, totalMiB } = accepted.option;
      const modules = [...before.filter(({ fate }) => fate !== 'built-in'), ...after].flatMap(
        ({ capacityMiB }) => capacityMiB ?? [],
      );
      const held = counts === 'usable' ? await mostHeldIn(db, state, totalMiB) : 0;
      if (!isSomeTotal(mib, modules, held)) {
        return fault('bad-input', 'No set of this machine’s modules comes to that total: look at the screen again.');
      }
      if (machine > state.job.machines) return fault('not-found', `This job has ${state.job.machines} such machines.`);
      const promise = promiseOf(accepted, state, machine);
      const told = parseSockets(after, sockets);
      if (!told.ok) return fault('bad-input', told.sentence);
      const why = whySocketsDiffer(told.slots, after, { mib, heldMiB: held });
      if (why !== null) return fault('bad-input', why);
      const seen: ShownMemory = {
        installedMiB: counts === 'installed' ? mib : null,
        usableMiB: counts === 'usable' ? mib : null,
        rateMTs,
        channels: channels ?? channelsIn(promise, told.slots),
        slots: told.slots,
      };
      await hold(db, state, accepted, { machine, seen, readingId: null, typed: seen, staffId: caller.id });
      return done(null);
    },
  });
}

export const dropProofSchema = z.strictObject({ proof: idSchema });

/** Takes a proof out that nobody signed. */
export async function takeProofOut(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { proof }: z.infer<typeof dropProofSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'proof-taken-out',
    detail: { proof },
    needs: [],
    work: async (db) =>
      (await dropProof(db, jobId, proof))
        ? done(null)
        : fault('conflict', 'It is signed, and stays; or it is gone already.'),
  });
}
