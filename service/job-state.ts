import { caseOfJob, type Gap, type JobCase, limitsOfClaims } from '../core/machine/case-of-job';
import { claimsOfArray, claimsOfModules } from '../core/machine/claims-of-reading';
import type { JobSlot } from '../core/machine/job-slot';
import { asClaim, type Claim, LIMIT_NAMES, type LimitName, SOURCE_KINDS, type SourceKind } from '../core/machine/limit';
import { type Station, type StationStanding, stationStandings } from '../core/machine/station';
import type { Limits } from '../core/machine/weigh';
import { pool, type Queryable } from '../store/database';
import { type Decision, getJob, type Job, listDecisions, listSlots, lockJob } from '../store/jobs';
import { getModel, listClaims, type Model, type StoredClaim } from '../store/models';
import { type Draft, getDraft, listSent, type SentQuote } from '../store/quotes';
import { type KeptReading, lastReading } from '../store/readings';
import { getShop, type Shop } from '../store/shop';
import { type Market, marketFor } from './offers-for-job';

/** A job with everything that follows from it, read in one go. */
export interface JobState {
  shop: Shop;
  job: Job;
  model: Model | null;
  reading: KeptReading | null;
  proof: KeptReading | null;
  slots: JobSlot[];
  limits: Limits;
  market: Market;
  jobCase: JobCase;
  gaps: Gap[];
  draft: Draft | null;
  sent: SentQuote[];
  standings: Record<Station, StationStanding>;
}

const isLimit = (name: string): name is LimitName => (LIMIT_NAMES as string[]).includes(name);
const isSource = (kind: string): kind is SourceKind => (SOURCE_KINDS as readonly string[]).includes(kind);

function claimOfStored({ limitName, value, sourceKind, sourceName }: StoredClaim): Claim[] {
  if (!isLimit(limitName) || !isSource(sourceKind)) return [];
  const claim = asClaim(limitName, value, { kind: sourceKind, name: sourceName });
  return claim === null ? [] : [claim];
}

function claimOfDecision({ limitName, value, by }: Decision): Claim[] {
  return claimOfStored({ limitName, value, sourceKind: 'technician', sourceName: by });
}

/** Name of a job's machine as people say it; empty while nobody has said. */
export function machineName(job: Pick<Job, 'machineMaker' | 'machineName'>): string {
  return `${job.machineMaker} ${job.machineName}`.trim();
}

async function limitsFor(db: Queryable, job: Job, slots: JobSlot[], reading: KeptReading | null): Promise<Limits> {
  const stored = job.modelId === null ? [] : await listClaims(db, job.modelId);
  const decisions = await listDecisions(db, job.id);
  const source = { kind: 'reading', name: reading?.sourceName ?? 'modules in the machine' } as const;
  return limitsOfClaims([
    ...decisions.flatMap(claimOfDecision),
    ...stored.flatMap(claimOfStored),
    ...claimsOfModules(slots, source),
    ...claimsOfArray(reading?.result.machine.memory.maxCapacityMiB ?? null, source),
  ]);
}

/** Reads a job and works out its limits, its planning case or gaps, and how its stations stand. */
export async function readJob(db: Queryable, id: number, lock = false): Promise<JobState | null> {
  const job = await (lock ? lockJob(db, id) : getJob(db, id));
  if (job === null) return null;
  const shop = await getShop(db);
  const model = job.modelId === null ? null : await getModel(db, job.modelId);
  const reading = await lastReading(db, id, 'intake');
  const proof = await lastReading(db, id, 'proof');
  const slots = await listSlots(db, id);
  const limits = await limitsFor(db, job, slots, reading);
  const market = await marketFor(db, shop, limits, job.modelId);
  const jobCase = caseOfJob({
    name: machineName(job) || `job ${id}`,
    currency: shop.currency,
    slots,
    limits,
    offers: market.offers,
    labourCents: shop.labourCents,
    goal: {},
  });
  const gaps = jobCase.ok ? [] : jobCase.gaps;
  const draft = await getDraft(db, id);
  const sent = await listSent(db, id);
  const standings = stationStandings({
    customerNamed: job.customer.name !== '',
    slotCount: slots.length,
    gapCount: gaps.length,
    limitsAgreed: job.limitsAgreedAt !== null,
    choiceCount: draft?.choices.length ?? 0,
    quoteSent: sent.length > 0,
    proofRead: proof !== null,
  });
  return { shop, job, model, reading, proof, slots, limits, market, jobCase, gaps, draft, sent, standings };
}

/** A job as the screens show it. */
export async function showJob(id: number): Promise<JobState | null> {
  return readJob(pool(), id);
}
