import type { Finding, ProofVerdict, ShownMemory } from '../../core/proving/compare-proof';
import { many, one, run } from '../database';
import type { Queryable } from '../queryable';
import { FAMILY } from './groups';

export const PROOF_DEPTHS = ['started', 'total-read', 'loaded'] as const;
export type ProofDepth = (typeof PROOF_DEPTHS)[number];

/** A promise held against a machine. Times ISO 8601, days `YYYY-MM-DD`. */
export interface Proof {
  id: number;
  jobId: number;
  /** which of the job's equal machines, from 1, and its serial; empty: not known */
  machine: number;
  serial: string;
  quoteId: number;
  quoteNumber: string;
  place: number;
  fittingId: number | null;
  readingId: number | null;
  /** what was typed, where there is no report */
  typed: ShownMemory | null;
  findings: Finding[];
  verdict: ProofVerdict;
  takenAt: string;
  takenOn: string;
  takenBy: string | null;
  remark: string;
  depth: ProofDepth | null;
  loadedMinutes: number | null;
  signedBy: string | null;
  signedOn: string | null;
  trialId: number | null;
  followUps: { id: number; works: boolean; note: string; by: string | null; on: string }[];
}

const PROOFS = `select proof.id, proof.job_id as "jobId", machine,
    coalesce((array_prepend(job.serial, job.more_serials))[machine], '') as serial, proof.quote_id as "quoteId", quote.number as "quoteNumber", place,
    fitting_id as "fittingId", reading_id as "readingId", typed, findings, verdict,
    to_char(taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "takenAt",
    (taken_at at time zone shop.time_zone)::date::text as "takenOn", taker.name as "takenBy", remark, depth,
    loaded_minutes as "loadedMinutes", signer.name as "signedBy",
    (signed_at at time zone shop.time_zone)::date::text as "signedOn", proof.trial_id as "trialId",
    (select coalesce(jsonb_agg(jsonb_build_object('id', later.id, 'works', works, 'note', note, 'by', noter.name,
       'on', noted_on::text) order by later.id), '[]')
     from follow_up as later left join staff as noter on noter.id = noted_by where proof_id = proof.id) as "followUps"
  from proof join quote on quote.id = proof.quote_id join job on job.id = proof.job_id cross join shop
    left join staff as taker on taker.id = taken_by left join staff as signer on signer.id = proof.signed_by`;

type Row = Proof & Record<string, unknown>;

/** Proofs of all groups of a job's machines, the latest first. */
export async function listProofs(db: Queryable, jobId: number): Promise<Proof[]> {
  return many<Row>(db, `${PROOFS} where proof.job_id = any(${FAMILY}) order by proof.id desc`, [jobId]);
}

/** The last signed proof of each machine of a quote, in the order of the machines. */
export async function signedProofs(db: Queryable, quoteId: number): Promise<Proof[]> {
  return many<Row>(
    db,
    `${PROOFS.replace('select', 'select distinct on (proof.job_id, machine)')} where proof.quote_id = $1
       and proof.signed_at is not null order by proof.job_id, machine, proof.id desc`,
    [quoteId],
  );
}

export async function insertProof(
  db: Queryable,
  proof: Pick<
    Proof,
    'jobId' | 'machine' | 'quoteId' | 'place' | 'fittingId' | 'readingId' | 'typed' | 'findings' | 'verdict'
  >,
  staffId: number,
): Promise<number> {
  const { jobId, machine, quoteId, place, fittingId, readingId, typed, findings, verdict } = proof;
  const { id } = await one<{ id: number }>(
    db,
    `insert into proof (job_id, quote_id, place, fitting_id, reading_id, typed, findings, verdict, taken_by, machine)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id`,
    [jobId, quoteId, place, fittingId, readingId, typed, JSON.stringify(findings), verdict, staffId, machine],
  );
  return id;
}

export async function signProof(
  db: Queryable,
  id: number,
  signed: Pick<Proof, 'verdict' | 'remark' | 'loadedMinutes' | 'trialId'> & { depth: ProofDepth; staffId: number },
): Promise<void> {
  await run(
    db,
    `update proof set verdict = $2, remark = $3, depth = $4, loaded_minutes = $5, trial_id = $6, signed_by = $7,
       signed_at = now() where id = $1 and signed_at is null`,
    [id, signed.verdict, signed.remark, signed.depth, signed.loadedMinutes, signed.trialId, signed.staffId],
  );
  // Months later a module is found by its serial.
  if (signed.verdict !== 'broken') await run(db, 'select note_fitted_modules($1)', [id]);
}

/** Takes a proof out that nobody signed: a report of another machine, or one read too soon. */
export async function dropProof(db: Queryable, jobId: number, id: number): Promise<boolean> {
  return (await run(db, 'delete from proof where job_id = $1 and id = $2 and signed_at is null', [jobId, id])) > 0;
}

export async function insertFollowUp(
  db: Queryable,
  proofId: number,
  {
    works,
    note,
    on,
    trialId,
    staffId,
  }: { works: boolean; note: string; on: string; trialId: number | null; staffId: number },
): Promise<void> {
  await run(
    db,
    'insert into follow_up (proof_id, works, note, noted_on, trial_id, noted_by) values ($1, $2, $3, $4, $5, $6)',
    [proofId, works, note, on, trialId, staffId],
  );
}

/** Shares of memory that machines of a model were found to hold back, MiB: what was promised less what was usable, where kept. */
export async function sharesHeld(db: Queryable, modelId: number): Promise<number[]> {
  const rows = await many<{ mib: number }>(
    db,
    `select ((option ->> 'totalMiB')::bigint - (typed ->> 'usableMiB')::bigint) as mib
     from proof join quote on quote.id = proof.quote_id join job on job.id = proof.job_id
       cross join lateral jsonb_array_elements(snapshot -> 'options') as option
     where job.model_id = $1 and (option ->> 'place')::integer = place and proof.signed_at is not null
       and proof.verdict <> 'broken' and typed ->> 'usableMiB' is not null`,
    [modelId],
  );
  return rows.map(({ mib }) => mib).filter((mib) => mib > 0);
}

export const OLD_FATES = ['returned', 'shelf', 'scrapped'] as const;
export type OldFate = (typeof OLD_FATES)[number];

/** What became of a module that came out. */
export interface OldModule {
  machine: number;
  slot: string;
  what: string;
  fate: OldFate;
  pieceId: number | null;
  by: string | null;
}

export async function listOldModules(db: Queryable, jobId: number): Promise<OldModule[]> {
  return many<OldModule & Record<string, unknown>>(
    db,
    `select machine, slot, what, fate, piece_id as "pieceId", staff.name as by
     from old_module left join staff on staff.id = noted_by where job_id = $1 and taken_back_at is null order by old_module.id`,
    [jobId],
  );
}

/** Notes what became of a module; false: that was noted already. */
export async function insertOldModule(
  db: Queryable,
  jobId: number,
  old: Omit<OldModule, 'by'>,
  staffId: number,
): Promise<boolean> {
  const noted = await run(
    db,
    `insert into old_module (job_id, slot, what, fate, piece_id, noted_by, machine) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (job_id, machine, slot) where taken_back_at is null do nothing`,
    [jobId, old.slot, old.what, old.fate, old.pieceId, staffId, old.machine],
  );
  return noted > 0;
}

/** Takes back what was noted; what went to the shelf stays there and is taken off there. */
export async function takeOldModuleBack(
  db: Queryable,
  jobId: number,
  { machine, slot }: Pick<OldModule, 'machine' | 'slot'>,
): Promise<boolean> {
  const taken = await run(
    db,
    `update old_module set taken_back_at = now()
     where job_id = $1 and slot = $2 and machine = $3 and taken_back_at is null and fate <> 'shelf'`,
    [jobId, slot, machine],
  );
  return taken > 0;
}
