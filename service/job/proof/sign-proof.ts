import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import type { Finding } from '../../../core/proving/compare-proof';
import { insertFollowUp, PROOF_DEPTHS, type Proof, signProof } from '../../../store/job/proofs';
import { insertTrial } from '../../../store/library/trials';
import type { Queryable } from '../../../store/queryable';
import { settlePieces } from '../../market/shelf';
import { done, fault, type Result } from '../../result';
import { type Caller, mayDo } from '../../staff/access';
import { type Accepted, isProved } from '../bench/job-work';
import { changeJob } from '../change-job';
import { trialOfOption } from '../limits/trial-of-option';
import type { JobWith } from '../slices/slice';

export const signSchema = z.strictObject({
  proof: idSchema,
  verdict: z.enum(['kept', 'remark', 'broken']),
  remark: z.string().trim().max(500, 'At most 500 characters, please.').default(''),
  depth: z.enum(PROOF_DEPTHS),
  loadedMinutes: z.number().int().min(1).max(10_000).nullable().default(null),
  /** the other machines of the same kind whose reports keep the promise are signed alike */
  others: z.boolean().optional(),
});

const SEVERITY = ['kept', 'remark', 'broken'] as const;

/** The technician signs what the proof found: then it is the customer's sheet, and evidence of the model. */
export async function signTheProof(
  caller: Caller<'proofs.sign'>,
  jobId: number,
  { proof: id, verdict, remark, depth, loadedMinutes, others = false }: z.infer<typeof signSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'proof-signed',
    detail: { proof: id, verdict, depth },
    needs: ['work', 'readings', 'machine', 'limits'],
    work: async (db, state) => {
      const proof = state.work.proofs.find((one) => one.id === id && one.jobId === jobId);
      const { accepted } = state.work;
      if (proof === undefined || accepted === null) return fault('not-found', 'This proof is not kept any more.');
      if (proof.signedOn !== null) return fault('conflict', 'It is signed already, and stays as it is.');
      if (SEVERITY.indexOf(verdict) < SEVERITY.indexOf(proof.verdict)) {
        return fault('conflict', 'What was found speaks against that: read the machine again, or sign what it says.');
      }
      if (verdict === 'remark' && remark === '')
        return fault('bad-input', 'Say in a sentence what the customer has to know.');
      if (depth === 'loaded' && loadedMinutes === null)
        return fault('bad-input', 'Say for how many minutes it ran loaded.');
      const alike = others && verdict === 'kept' ? readAlike(state, proof) : [];
      const minutes = depth === 'loaded' ? loadedMinutes : null;
      for (const one of [proof, ...alike]) {
        const looked = { findings: one.findings, depth, loadedMinutes, remark, staffId: caller.id };
        const trialId = verdict === 'broken' ? null : await proofTrial(db, state, accepted, looked);
        await signProof(db, one.id, { verdict, remark, depth, loadedMinutes: minutes, trialId, staffId: caller.id });
      }
      const signed = new Set([proof, ...alike].map((one) => one.id));
      const proofs = state.work.proofs.map((one) =>
        signed.has(one.id) ? { ...one, verdict, signedOn: state.today } : one,
      );
      // Pieces of stock that were not fitted are free once the last machine is done.
      if (isProved({ ...state.work, proofs })) await settlePieces(db, state.job.leadId ?? jobId, accepted.whole);
      return done(null);
    },
  });
}

/** Of the other machines of the kind the last reports that nobody signed and that keep the promise. */
function readAlike({ work: { proofs } }: JobWith<'work'>, signed: Proof): Proof[] {
  const others = proofs.filter(
    ({ jobId, quoteId, machine }) => jobId === signed.jobId && quoteId === signed.quoteId && machine !== signed.machine,
  );
  return others.filter(
    (one, nr) =>
      others.findIndex(({ machine }) => machine === one.machine) === nr &&
      one.signedOn === null &&
      one.verdict === 'kept',
  );
}

/** What was proved becomes evidence of the model, as deep as it was looked at. */
async function proofTrial(
  db: Queryable,
  state: JobWith<'limits' | 'machine' | 'readings'>,
  { option }: Accepted,
  {
    findings,
    depth,
    loadedMinutes,
    remark,
    staffId,
  }: {
    findings: readonly Finding[];
    depth: (typeof PROOF_DEPTHS)[number];
    loadedMinutes: number | null;
    remark: string;
    staffId: number;
  },
): Promise<number | null> {
  const { job } = state;
  if (job.modelId === null) return null;
  const ran = depth === 'loaded' && loadedMinutes !== null ? `ran loaded for ${loadedMinutes} minutes` : '';
  const note = [`proof of job ${job.id}`, ran, remark].filter((part) => part !== '').join('; ');
  const trial = trialOfOption(state, option, {
    outcome: 'works',
    depth,
    note: note.slice(0, 500),
    // What it ran at, not what was hoped for.
    rateMTs: findings.find(({ kind }) => kind === 'rate')?.figures.found ?? null,
  });
  return trial === null ? null : insertTrial(db, job.modelId, trial, { jobId: job.id, staffId });
}

export const followUpSchema = z.strictObject({
  proof: idSchema,
  works: z.boolean(),
  note: z.string().trim().max(500, 'At most 500 characters, please.').default(''),
});

/** Weeks later: does it still run? Evidence of the deepest kind, where the person who asked may write that. */
export async function followUp(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { proof: id, works, note }: z.infer<typeof followUpSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'followed-up',
    detail: { proof: id, works },
    needs: ['work', 'readings', 'machine', 'limits'],
    work: async (db, state) => {
      const proof = state.work.proofs.find((one) => one.id === id && one.jobId === jobId && one.signedOn !== null);
      const { accepted } = state.work;
      if (proof === undefined || accepted === null) return fault('not-found', 'There is no signed proof to follow up.');
      const trial = trialOfOption(state, accepted.option, {
        outcome: works ? 'works' : 'starts-with-faults',
        depth: 'weeks',
        note: [`asked after job ${jobId}`, note].filter((part) => part !== '').join('; '),
      });
      const { modelId } = state.job;
      const trialId =
        trial === null || modelId === null || !mayDo(caller, 'library.write')
          ? null
          : await insertTrial(db, modelId, trial, { jobId, staffId: caller.id });
      await insertFollowUp(db, id, { works, note, on: state.today, trialId, staffId: caller.id });
      return done(null);
    },
  });
}
