import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { type JobSlot, knownModuleSchema } from '../../core/machine/slots/job-slot';
import { listSlots, replaceSlots } from '../../store/job/job-slots';
import { getJob, type Job, patchIntake, setCustomer, setLimitsAgreed, setModel } from '../../store/job/jobs';
import { listProofs } from '../../store/job/proofs';
import { answersOfJob } from '../../store/job/quote-answers';
import { listSent } from '../../store/job/quotes';
import { getEditable } from '../../store/market/offers';
import type { Queryable } from '../../store/queryable';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { acceptedOf } from './bench/job-work';
import { changeJob } from './change-job';
import { offerOfKey } from './options/offers-for-job';

export const takeEarlierSchema = z.strictObject({
  from: idSchema,
  /** the customer alone, or the machine as it was known then with them */
  what: z.enum(['customer', 'machine']),
});

/** Slots as an earlier job knew them; what a module was to become was that job's business. */
function asKnownThen(slots: readonly JobSlot[]): JobSlot[] {
  return slots.map((slot) => ({
    ...slot,
    keep: 'may',
    creditCents: 0,
    placeSource: slot.placeSource === 'model' ? 'model' : 'earlier',
    moduleSource: slot.moduleSource === 'model' ? 'model' : 'earlier',
  }));
}

/** Goes on where an earlier job left off: the same customer and, where asked, the same machine with its slots. */
export async function takeEarlier(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { from, what }: z.infer<typeof takeEarlierSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'earlier-job-taken',
    detail: { from, what },
    needs: ['machine'],
    work: async (db, { job, slots }) => {
      const earlier = from === jobId ? null : await getJob(db, from);
      if (earlier === null) return fault('not-found', 'There is no such job.');
      await takeOver(db, { job, slots }, earlier, what);
      return done(null);
    },
  });
}

const UNTOLD = { casLatency: null, ranks: null, maker: null, part: null } as const;

/** Slots as a job left them: with what its accepted option put in, once that was proved; else as they were known. */
async function asLeft(db: Queryable, jobId: number): Promise<JobSlot[]> {
  const slots = asKnownThen(await listSlots(db, jobId));
  const sent = await listSent(db, jobId);
  const answers = await answersOfJob(db, jobId);
  const proofs = await listProofs(db, jobId);
  const accepted = acceptedOf(sent, answers, jobId);
  const isProved = proofs.some(
    ({ quoteId, signedOn, verdict }) => quoteId === accepted?.quote.id && signedOn !== null && verdict !== 'broken',
  );
  if (accepted === null || !isProved || accepted.option.partsOnly) return slots;
  const { placement } = accepted.option.shop;
  const left: JobSlot[] = [];
  for (const slot of slots) {
    const seat = placement[slot.name];
    if (slot.soldered) left.push(slot);
    else if (seat === undefined) left.push({ ...slot, module: null });
    else if ('kept' in seat)
      left.push({ ...slot, module: slots.find(({ name }) => name === seat.kept)?.module ?? null });
    else {
      const module = (await getEditable(db, offerOfKey(seat.offer)))?.module ?? null;
      const known = module === null ? null : knownModuleSchema.strip().parse({ ...UNTOLD, ...module });
      left.push({ ...slot, module: known, moduleSource: 'earlier' });
    }
  }
  return left;
}

/** A job takes over another's customer and, where asked, its machine. */
export async function takeOver(
  db: Queryable,
  { job, slots }: { job: Job; slots: readonly JobSlot[] },
  earlier: Job,
  what: 'customer' | 'machine',
): Promise<void> {
  await setCustomer(db, job, earlier.customer.id);
  if (what === 'customer') return;
  const { machineMaker, machineName, serial, cpu, os, osBits } = earlier;
  await patchIntake(db, { ...job, customer: earlier.customer }, { machineMaker, machineName, serial, cpu, os, osBits });
  await setModel(db, job.id, earlier.modelId);
  // What was read or typed into this job is newer than what an earlier one knew.
  if (slots.length === 0) await replaceSlots(db, job.id, await asLeft(db, earlier.id));
  await setLimitsAgreed(db, job.id, false);
}
