import { z } from 'zod';
import { type JobSlot, jobSlotsSchema } from '../core/machine/job-slot';
import { slotsOfModel, slotsOfReading } from '../core/machine/slots-of-reading';
import { READ_FAULTS, read } from '../core/reading/read';
import type { Reading } from '../core/reading/reading';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { insertJob, patchIntake, replaceSlots, setLimitsAgreed, setModel } from '../store/jobs';
import { findModelByProduct, getModel, listModelSlots, listModels, type ModelSummary } from '../store/models';
import { insertReading } from '../store/readings';
import type { Caller } from './access';
import { changeJob } from './change-job';
import { done, fault, type Result } from './result';

export async function newJob(caller: Caller): Promise<Result<{ id: number }>> {
  return transaction(async (db) => {
    const id = await insertJob(db);
    await noteEvent(db, { jobId: id, staffId: caller.id, kind: 'job-opened' });
    return done({ id });
  });
}

const text = (most: number) => z.string().trim().max(most, `At most ${most} characters, please.`);

/** What the Intake fields hold; only the named ones are written. Capacity MiB, money minor units. */
export const intakeSchema = z
  .strictObject({
    customerName: text(120),
    phone: text(60),
    email: text(200).refine((value) => value === '' || /^[^\s@]+@[^\s@]+$/.test(value), 'An e-mail address has one @.'),
    machineMaker: text(120),
    machineName: text(160),
    serial: text(120),
    complaint: text(2000),
    needMiB: z.number().int().positive('The target must be more than 0.').max(67_108_864, 'At most 64 TB.').nullable(),
    budgetCents: z
      .number()
      .int()
      .positive('The budget must be more than 0.')
      .max(100_000_000, 'That is too much.')
      .nullable(),
  })
  .partial();

export async function saveIntake(
  caller: Caller,
  jobId: number,
  patch: z.infer<typeof intakeSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'intake-changed',
    detail: { fields: Object.keys(patch) },
    work: async (db, { job }) => {
      await patchIntake(db, job, patch);
      return done(null);
    },
  });
}

/** What a reading filled in, said to the person who dropped it. */
export interface Recognised {
  machine: string;
  model: string | null;
  slotCount: number;
  filled: number;
  warnings: string[];
}

/** Takes a machine's report into the job: the machine, its model where the library knows it, slots and modules. */
export async function takeReading(
  caller: Caller,
  jobId: number,
  input: { text: string; sourceName: string },
): Promise<Result<Recognised>> {
  const outcome = read(input.text);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  const { reading } = outcome;
  const { machine } = reading;
  return changeJob(caller, jobId, {
    kind: 'report-read',
    detail: { source: input.sourceName, format: reading.format },
    work: async (db, { job }) => {
      const product = machine.model ?? machine.board.model;
      const model = product === null ? null : await findModelByProduct(db, product);
      const slots = slotsOfReading(machine, model === null ? null : await listModelSlots(db, model.id));
      if (slots.length === 0) return fault('bad-input', 'The report names no memory slot: take the whole report.');
      if (!jobSlotsSchema.safeParse(slots).success) {
        return fault('bad-input', 'The report’s slots contradict each other or are over 64: type them on the board.');
      }
      await insertReading(db, {
        jobId,
        purpose: 'intake',
        optionPlace: null,
        sourceName: input.sourceName,
        input: input.text,
        result: reading,
        staffId: caller.id,
      });
      await patchIntake(db, job, {
        machineMaker: (model?.maker ?? machine.maker ?? machine.board.maker ?? '').slice(0, 120),
        machineName: (model?.name ?? product ?? '').slice(0, 160),
        serial: (machine.serial ?? '').slice(0, 120),
      });
      await setModel(db, jobId, model?.id ?? null);
      await replaceSlots(db, jobId, slots);
      await setLimitsAgreed(db, jobId, false);
      return done(recognised(reading, model === null ? null : `${model.maker} ${model.name}`, slots));
    },
  });
}

function recognised({ machine, warnings }: Reading, model: string | null, slots: readonly JobSlot[]): Recognised {
  return {
    machine: [machine.maker, machine.model].filter((part) => part !== null).join(' '),
    model,
    slotCount: slots.length,
    filled: slots.filter((slot) => slot.module !== null).length,
    warnings,
  };
}

/** Takes a model of the library for the job's machine; what is known of its modules stays where the slot is the same. */
export async function pickModel(caller: Caller, jobId: number, modelId: number): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'model-picked',
    detail: { modelId },
    work: async (db, { job, slots }) => {
      const model = await getModel(db, modelId);
      if (model === null) return fault('not-found', 'This model is no longer in the library.');
      const known = new Map(slots.filter((slot) => !slot.soldered).map((slot) => [slot.name, slot]));
      const next = slotsOfModel(await listModelSlots(db, modelId)).map((slot) => {
        const before = known.get(slot.name);
        if (before === undefined || slot.soldered) return slot;
        const { module, moduleSource, keep, creditCents } = before;
        return { ...slot, module, moduleSource, keep, creditCents };
      });
      await setModel(db, jobId, modelId);
      await patchIntake(db, job, { machineMaker: model.maker, machineName: model.name });
      await replaceSlots(db, jobId, next);
      await setLimitsAgreed(db, jobId, false);
      return done(null);
    },
  });
}

export const slotsSchema = z.strictObject({ version: z.number().int().nonnegative(), slots: jobSlotsSchema });

/** Writes the slot board as a person changed it, unless somebody else did meanwhile. */
export async function saveSlots(
  caller: Caller,
  jobId: number,
  input: z.infer<typeof slotsSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'slots-changed',
    work: async (db, { job }) => {
      if (job.slotsVersion !== input.version) {
        return fault('conflict', 'Somebody else changed the slots meanwhile: look at them, then change again.');
      }
      await replaceSlots(db, jobId, input.slots);
      return done(null);
    },
  });
}

export async function modelLibrary(): Promise<ModelSummary[]> {
  return listModels(pool());
}
