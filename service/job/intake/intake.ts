import { z } from 'zod';
import { daySchema, versionSchema } from '../../../core/bounds';
import { LANGUAGES } from '../../../core/language';
import { boardFault } from '../../../core/machine/models/model';
import { jobSlotSchema, jobSlotsSchema } from '../../../core/machine/slots/job-slot';
import { isOffer } from '../../../core/machine/slots/join-readings';
import { keepTyped } from '../../../core/machine/slots/slots-of-job';
import { overwritten } from '../../../core/overwritten';
import { CASE_LIMITS } from '../../../core/planning/model/case-limits';
import { READ_FAULTS, type SaidKind } from '../../../core/reading/read';
import type { Reading } from '../../../core/reading/reading';
import { readingLine } from '../../../core/reading/reading-line';
import { readApart } from '../../../outward/readings/read-apart';
import { transaction } from '../../../store/database';
import { noteEvent } from '../../../store/events';
import { replaceSlots, setKeep } from '../../../store/job/job-slots';
import { forgetUnbegun, insertJob, type Job, patchIntake, setLimitsAgreed, setModel } from '../../../store/job/jobs';
import { isAccepted } from '../../../store/job/quote-answers';
import { insertReading, setReadingAside } from '../../../store/job/readings';
import { getModel, listModelSlots } from '../../../store/library/models';
import { withdrawOfferOfReading } from '../../../store/market/offers';
import { done, fault, type Result, writtenMeanwhile } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { applyReadings, followSeveral } from './follow-readings';
import { offerOfReading } from './offer-of-reading';
import { reportsOfOthers } from './several';
import { slotsFollowing } from './taken-specifications';

/** Opens a job. It is on nobody's list before something is in it. */
export async function newJob(caller: Caller<'jobs.write'>): Promise<Result<{ id: number }>> {
  return transaction(async (db) => {
    await forgetUnbegun(db);
    const id = await insertJob(db);
    await noteEvent(db, { jobId: id, staffId: caller.id, kind: 'job-opened' });
    return done({ id });
  });
}

const text = (most: number) => z.string().trim().max(most, `At most ${most} characters, please.`);

/** What a writer saw of the fields: anything that was there, also what would not be taken today. */
const intakeSeenSchema = z.record(
  z.string().max(40),
  z.union([z.string().max(4_000), z.number(), z.boolean(), z.null(), z.array(z.string().max(200)).max(64)]),
);

/** What the Intake fields hold; only the named ones are written. Capacity MiB, money minor units. */
export const intakeSchema = z
  .strictObject({
    customerName: text(120),
    phone: text(60),
    email: text(200).refine((value) => value === '' || /^[^\s@]+@[^\s@]+$/.test(value), 'An e-mail address has one @.'),
    language: z.enum(LANGUAGES).nullable(),
    taxExempt: text(120).min(1, 'Enter why no tax is due: the customer reads it.').nullable(),
    street: text(200),
    postalCode: text(20),
    town: text(120),
    country: z
      .string()
      .trim()
      .toUpperCase()
      .regex(/^([A-Z]{2})?$/, 'A country is two letters, such as IE.'),
    taxNumber: text(60),
    machineMaker: text(120),
    machineName: text(160),
    serial: text(120),
    machines: z
      .number()
      .int()
      .min(1, 'One machine at least.')
      .max(CASE_LIMITS.machines, `At most ${CASE_LIMITS.machines} equal machines.`),
    moreSerials: z.array(text(120)).max(CASE_LIMITS.machines - 1, `At most ${CASE_LIMITS.machines - 1} serials.`),
    complaint: text(2000),
    needMiB: z.number().int().positive('The target must be more than 0.').max(67_108_864, 'At most 64 TB.').nullable(),
    budgetCents: z
      .number()
      .int()
      .positive('The budget must be more than 0.')
      .max(100_000_000, 'That is too much.')
      .nullable(),
    cpu: text(120),
    uses: z.array(z.string().min(1).max(60)).max(20),
    fullPart: z.enum(['memory', 'storage', 'both', 'neither']).nullable(),
    inUseMiB: z.number().int().positive('Memory in use is more than 0.').max(67_108_864, 'At most 64 TB.').nullable(),
    neededBy: daySchema.nullable(),
    cover: z.enum(['none', 'warranty', 'support']).nullable(),
    os: text(80),
    osBits: z.literal([32, 64]).nullable(),
    notBought: z.boolean(),
    partsOnly: z.boolean(),
    makerTotalMiB: z.number().int().positive('A total is more than 0.').max(67_108_864, 'At most 64 TB.').nullable(),
    makerCents: z.number().int().positive('An amount is more than 0.').max(100_000_000, 'That is too much.').nullable(),
  })
  .partial();

/** Fields to write, and of each what the writer saw there: what somebody else wrote meanwhile is not written over. */
export const writeIntakeSchema = z
  .strictObject({ set: intakeSchema, seen: intakeSeenSchema })
  .refine(({ set, seen }) => Object.keys(set).every((field) => Object.hasOwn(seen, field)), {
    error: 'Say of each field what you saw in it.',
  });

/** What a job's Intake fields hold now. */
function intakeNow({ customer, ...job }: Job): Record<string, unknown> {
  const { name, id: _, ...ofCustomer } = customer;
  const { machineMaker, machineName, serial, machines, moreSerials, complaint, needMiB, budgetCents, cpu, uses } = job;
  const { fullPart, inUseMiB, neededBy, cover, os, osBits, notBought, partsOnly, makerTotalMiB, makerCents } = job;
  return {
    customerName: name,
    ...ofCustomer,
    machineMaker,
    machineName,
    serial,
    machines,
    moreSerials,
    complaint,
    needMiB,
    budgetCents,
    cpu,
    uses,
    fullPart,
    inUseMiB,
    neededBy,
    cover,
    os,
    osBits,
    notBought,
    partsOnly,
    makerTotalMiB,
    makerCents,
  };
}

/** Writes Intake fields. @param seen of each field what the writer saw; absent: whatever is there is written over */
export async function saveIntake(
  caller: Caller<'jobs.write'>,
  jobId: number,
  patch: z.infer<typeof intakeSchema>,
  seen: Record<string, unknown> | null = null,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'intake-changed',
    detail: { fields: Object.keys(patch) },
    needs: [],
    work: async (db, { job }) => {
      const theirs = seen === null ? null : overwritten(intakeNow(job), seen, patch);
      if (theirs !== null) return writtenMeanwhile(theirs);
      const machines = patch.machines ?? job.machines;
      if (machines !== job.machines && (await isAccepted(db, jobId)))
        return fault('conflict', 'The quote for these machines is accepted: open a new job for more of them.');
      if ((patch.moreSerials ?? job.moreSerials).length > machines - 1 && patch.moreSerials !== undefined)
        return fault('bad-input', `That is more serials than the ${machines - 1} further machines.`);
      // With fewer machines the serials of those that are left go.
      const moreSerials = patch.moreSerials ?? job.moreSerials.slice(0, machines - 1);
      await patchIntake(db, job, machines < job.machines ? { ...patch, moreSerials } : patch);
      return done(null);
    },
  });
}

/** An input to read: bytes of a file or of pasted text, and what it is called. */
export interface ReadingInput {
  name: string;
  input: Uint8Array;
  /** what a person says that it is; absent: nobody says */
  as?: SaidKind;
}

/** One of the readings that a text allows, and what it comes to in a line. */
export interface PossibleReading {
  as: SaidKind;
  line: string;
}

/** What one input was, in one line, or why it could not be read, with the readings of which a person must say which is meant. */
export type Recognised =
  | { name: string; ok: true; line: string; warnings: string[] }
  | { name: string; ok: false; sentence: string; either: PossibleReading[] };

export interface TakenIn {
  inputs: Recognised[];
  /** the library's name of the machine; null where it does not know it */
  model: string | null;
}

interface GoodInput extends ReadingInput {
  reading: Reading;
}

/** A report without a single slot is no use, but for a system's own text, which may tell of the machine alone. */
const saysNothing = ({ format, machine }: Reading): boolean =>
  machine?.memory.slots.length === 0 && format !== 'machine-text';

const possibleReading = (reading: Reading): PossibleReading => ({
  as: reading.format === 'specification' ? 'specification' : 'listing',
  line: readingLine(reading),
});

/** Reads inputs off the main thread; a machine's report without a single slot is no use, and is said to be. */
async function readInputs(inputs: readonly ReadingInput[]): Promise<{ good: GoodInput[]; told: Recognised[] }> {
  const good: GoodInput[] = [];
  const told: Recognised[] = [];
  for (const one of inputs) {
    const outcome = await readApart(one.input, one.as ?? null);
    const refuse = (sentence: string, either: PossibleReading[] = []): void => {
      told.push({ name: one.name, ok: false, sentence, either });
    };
    if (!outcome.ok) {
      refuse(READ_FAULTS[outcome.code], outcome.code === 'ambiguous' ? outcome.candidates.map(possibleReading) : []);
    } else if (saysNothing(outcome.reading)) {
      refuse('The report names no memory slot: use the whole report.');
    } else {
      const { reading } = outcome;
      good.push({ ...one, reading });
      told.push({ name: one.name, ok: true, line: readingLine(reading), warnings: reading.warnings });
    }
  }
  return { good, told };
}

/**
 * Takes inputs into the job: what each was, the machine, its model where the library knows it, slots and modules, all
 * joined with what was read before. Inputs that cannot be read are named and keep none of the others back.
 */
export async function takeReadings(
  caller: Caller<'jobs.write'>,
  jobId: number,
  inputs: readonly ReadingInput[],
): Promise<Result<TakenIn>> {
  const { good, told } = await readInputs(inputs);
  const isAsked = told.some((one) => !one.ok && one.either.length > 0);
  // Nothing is taken in while a person must still say what the text is.
  if (good.length === 0) return isAsked ? done({ inputs: told, model: null }) : fault('bad-input', faultsOf(told));
  return changeJob(caller, jobId, {
    kind: 'report-read',
    detail: { inputs: good.map(({ name, reading }) => ({ source: name, format: reading.format })) },
    needs: ['readings', 'machine'],
    work: async (db, state) => {
      const became = new Map<string, string>();
      const ids: number[] = [];
      for (const { name, input, reading } of good) {
        const readingId = await insertReading(db, {
          jobId,
          purpose: 'intake',
          optionPlace: null,
          sourceName: name,
          input,
          result: reading,
          staffId: caller.id,
        });
        ids.push(readingId);
        // What is offered to one group of the job's machines is to all.
        const offer = await offerOfReading(db, caller, { jobId: state.job.leadId ?? jobId, readingId }, reading);
        if (offer !== null) became.set(name, offer.sentence);
      }
      // What something costs says nothing of the machine.
      const isOfMachine = good.some(({ reading }) => !isOffer(reading));
      const isSeveral = state.job.machines > 1 || state.groups.length > 1;
      const applied = !isOfMachine
        ? done({ model: state.model })
        : isSeveral
          ? await followSeveral(db, state, ids)
          : await applyReadings(db, state);
      if (!applied.ok) return applied;
      const { model } = applied.value;
      const inputs = told.map((one) =>
        one.ok && became.has(one.name) ? { ...one, line: `${one.line}. ${became.get(one.name)}` } : one,
      );
      return done({ inputs, model: model === null ? null : `${model.maker} ${model.name}` });
    },
  });
}

/** Takes the machines that a job's other reports are of into the job: the person says that they belong to it. */
export async function takeOtherMachines(
  caller: Caller<'jobs.write'>,
  jobId: number,
): Promise<Result<{ machines: number }>> {
  return changeJob(caller, jobId, {
    kind: 'machines-taken',
    needs: ['readings', 'machine'],
    work: async (db, state) => {
      const ids = reportsOfOthers(state.readings).map(({ id }) => id);
      if (ids.length === 0) return fault('conflict', 'All reports are of one machine.');
      const followed = await followSeveral(db, state, ids);
      return followed.ok ? done({ machines: followed.value.machines }) : followed;
    },
  });
}

/** One sentence where one input is wrong; each by its name where there are several. */
function faultsOf(told: readonly Recognised[]): string {
  const faults = told.flatMap((one) => (one.ok ? [] : [one]));
  const [only] = faults;
  if (faults.length === 1 && only !== undefined) return only.sentence;
  return faults.map(({ name, sentence }) => `${name}: ${sentence}`).join(' ');
}

/** Sets a reading aside that does not belong to the job's machine, or takes it in again. */
export async function putReadingAside(
  caller: Caller<'jobs.write'>,
  jobId: number,
  reading: { id: number; aside: boolean },
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: reading.aside ? 'reading-set-aside' : 'reading-taken-in',
    detail: { reading: reading.id },
    needs: ['readings', 'machine'],
    work: async (db, state) => {
      if (!(await setReadingAside(db, jobId, reading.id, reading.aside))) {
        return fault('not-found', 'The job has no such reading.');
      }
      await withdrawOfferOfReading(db, reading.id, reading.aside);
      const applied = await applyReadings(db, state);
      return applied.ok ? done(null) : applied;
    },
  });
}

/** Takes a model of the library for the job's machine; what was read and typed goes into its slots of the same name. */
export async function pickModel(caller: Caller<'jobs.write'>, jobId: number, modelId: number): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'model-picked',
    detail: { modelId },
    needs: ['readings', 'machine'],
    work: async (db, { job, slots, joined, derived, readings }) => {
      const model = await getModel(db, modelId);
      if (model === null) return fault('not-found', 'This model is no longer in the library.');
      const next = slotsFollowing(joined, await listModelSlots(db, modelId), readings).map(({ slot }) => slot);
      await setModel(db, jobId, modelId);
      await patchIntake(db, job, { machineMaker: model.maker, machineName: model.name });
      await replaceSlots(
        db,
        jobId,
        keepTyped(
          next,
          slots,
          derived.map(({ slot }) => slot),
        ),
      );
      await setLimitsAgreed(db, jobId, false);
      return done(null);
    },
  });
}

export const slotsSchema = z.strictObject({ version: versionSchema, slots: jobSlotsSchema });

/** Writes the slot board as a person changed it, unless somebody else did meanwhile. */
export async function saveSlots(
  caller: Caller<'jobs.write'>,
  jobId: number,
  input: z.infer<typeof slotsSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'slots-changed',
    needs: [],
    work: async (db, { job }) => {
      if (job.slotsVersion !== input.version) {
        return fault('conflict', 'Somebody else changed the slots meanwhile: look at them, then change again.');
      }
      // Places that a report's names left open may meet; what somebody types must not.
      const typed = input.slots.filter(({ placeSource }) => placeSource === 'typed');
      const wrong = typed.length === 0 ? null : boardFault(input.slots);
      if (wrong !== null) return fault('bad-input', wrong);
      await replaceSlots(db, jobId, input.slots);
      return done(null);
    },
  });
}

export const keepSlotSchema = z.strictObject({ slot: z.string().min(1).max(120), keep: jobSlotSchema.shape.keep });

/** Says what becomes of one installed module: of two who say so at once, the later one is heard. Told is the slots' version. */
export async function keepSlot(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { slot, keep }: z.infer<typeof keepSlotSchema>,
): Promise<Result<{ version: number }>> {
  return changeJob(caller, jobId, {
    kind: 'slots-changed',
    detail: { slot, keep },
    needs: ['machine'],
    work: async (db, { slots }) => {
      const one = slots.find(({ name, module, soldered }) => name === slot && module !== null && !soldered);
      if (one === undefined) return fault('not-found', `There is no module in ${slot} that could stay or go.`);
      return done({ version: await setKeep(db, jobId, slot, keep) });
    },
  });
}
