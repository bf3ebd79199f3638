import type { Language } from '../../core/language';
import { caseOfJob, type Gap, type JobCase } from '../../core/machine/case-of-job';
import type { Trial } from '../../core/machine/limits/evidence';
import type { Claim } from '../../core/machine/limits/limit';
import { loosest } from '../../core/machine/limits/loosest';
import { type Limits, weigh } from '../../core/machine/limits/weigh';
import { type ApartQuestion, tellApart } from '../../core/machine/models/tell-apart';
import type { JobSlot } from '../../core/machine/slots/job-slot';
import { type Joined, joinReadings } from '../../core/machine/slots/join-readings';
import type { ModelSlot, PlacedSlot } from '../../core/machine/slots/slots-of-reading';
import { type Station, type StationStanding, stationStandings } from '../../core/machine/station';
import { makerKey } from '../../core/maker-key';
import type { Labour } from '../../core/pricing/labour';
import type { PricingRule } from '../../core/pricing/pricing-rule';
import type { NamedDrift } from '../../core/quoting/drift/named-drift';
import type { QuoteTerms } from '../../core/quoting/terms-schema';
import type { ReadMachine } from '../../core/reading/reading';
import { pool, type Queryable } from '../../store/database';
import { type EarlierJob, findEarlierJobs } from '../../store/job/earlier-jobs';
import { type JobPicture, listJobPictures } from '../../store/job/job-pictures';
import { getJob, type Job, listSlots, lockJob } from '../../store/job/jobs';
import { listAnswers, type StoredAnswer } from '../../store/job/quote-answers';
import { type Draft, getDraft, listSent, type SentQuote } from '../../store/job/quotes';
import { type KeptReading, listReadings } from '../../store/job/readings';
import {
  findReportedModels,
  getModel,
  listModelSlots,
  type Model,
  type ReportedNames,
  summariesOf,
} from '../../store/library/models';
import { listMail, type Mail } from '../../store/mail/mail';
import { getNeeds, type Needs } from '../../store/shop/needs';
import { getShop, type Shop, shopDay } from '../../store/shop/shop';
import { type TextsInLanguage, textsIn } from '../shop/shop-texts';
import { isFitted, isProved, type JobWork, workOf } from './bench/job-work';
import { likelyOf } from './intake/likely-model';
import { slotsFollowing } from './intake/taken-specifications';
import { claimsOfJob, type JobCpu } from './limits/job-claims';
import { type Market, marketFor, offerOfKey } from './options/offers-for-job';
import { labourOf, languageOf, pricingRule, termsOf } from './quote/job-pricing';
import { driftsOf } from './quote/quote-drift';
import { linksOf, type QuoteLink } from './quote/quote-links';

/** A job with everything that follows from it, read in one go. */
export interface JobState {
  shop: Shop;
  job: Job;
  model: Model | null;
  /** all readings at intake, the last first */
  readings: KeptReading[];
  /** its photographs, in the order of their taking */
  pictures: JobPicture[];
  /** what those that are not set aside come to */
  joined: Joined;
  /** the slots that follow from them and the model, before anybody typed anything */
  derived: PlacedSlot[];
  /** what the readings and the model say of each other that cannot both be true */
  mismatches: string[];
  slots: JobSlot[];
  /** everything that anybody says of the machine's limits */
  claims: Claim[];
  limits: Limits;
  /** what was tried in this model and in its sisters */
  trials: Trial[];
  cpu: JobCpu;
  /** where the readings may mean several models: the question that tells them apart */
  modelQuestion: ApartQuestion | null;
  needs: Needs;
  /** jobs of before of the same customer or machine */
  earlier: EarlierJob[];
  market: Market;
  jobCase: JobCase;
  gaps: Gap[];
  draft: Draft | null;
  /** what holds for the whole draft, and what its papers are written in */
  terms: QuoteTerms;
  language: Language;
  texts: TextsInLanguage;
  /** how tax lies on what this customer is asked, and what work on the machine costs */
  pricing: PricingRule;
  labour: Labour;
  sent: SentQuote[];
  /** how these can be reached; one without a link has had it withdrawn */
  links: Map<number, QuoteLink>;
  /** what was mailed of these, the newest first */
  mail: Mail[];
  /** what the customer said to these */
  answers: StoredAnswer[];
  /** what moved behind the quote that is out */
  drifts: NamedDrift[];
  /** what was done since the customer said yes */
  work: JobWork;
  /** the day where the shop is */
  today: string;
  standings: Record<Station, StationStanding>;
}

/** Name of a job's machine as people say it; empty while nobody has said. */
export function machineName(job: Pick<Job, 'machineMaker' | 'machineName'>): string {
  return `${job.machineMaker} ${job.machineName}`.trim();
}

/** How a job's customer is known again. */
const contactOf = ({ customer: { name, phone, email } }: Job) => ({ name, phone, email });

/** A job's readings as the core joins them: those that were not set aside. */
export function joinKept(readings: readonly KeptReading[]): Joined {
  const used = readings.filter(({ setAside }) => !setAside);
  return joinReadings(used.map(({ id, sourceName, result }) => ({ id, name: sourceName, reading: result })));
}

/** What a machine's readings call it. */
export function reportedNames({ model, board, serial }: ReadMachine): ReportedNames {
  return { product: model ?? board.model, board: board.model, serial };
}

/** Readings that may mean several models ask the one thing that tells these apart. */
async function questionOn(db: Queryable, { machine }: Joined): Promise<ApartQuestion | null> {
  if (machine === null) return null;
  const ids = await findReportedModels(db, reportedNames(machine));
  return ids.length < 2 ? null : tellApart((await summariesOf(db, ids)).map(likelyOf));
}

/** The library's model and the machine's own word on how many slots there are. */
function slotMismatch({ machine }: Joined, model: readonly ModelSlot[] | null): string[] {
  const said = machine?.memory.slotCount ?? null;
  if (said === null || model === null || said === model.length) return [];
  return [`the machine’s report counts ${said} slots, the library’s model has ${model.length}`];
}

/** Reads a job and works out its limits, its planning case or gaps, and how its stations stand. */
export async function readJob(db: Queryable, id: number, lock = false): Promise<JobState | null> {
  const job = await (lock ? lockJob(db, id) : getJob(db, id));
  if (job === null) return null;
  const shop = await getShop(db);
  const model = job.modelId === null ? null : await getModel(db, job.modelId);
  const readings = await listReadings(db, id);
  const pictures = await listJobPictures(db, id);
  const joined = joinKept(readings);
  const modelSlots = job.modelId === null ? null : await listModelSlots(db, job.modelId);
  const slots = await listSlots(db, id);
  const needs = await getNeeds(db);
  const { claims, trials, cpu } = await claimsOfJob(db, {
    job,
    model,
    slots,
    readings,
    joined,
    systems: needs.systems,
  });
  const limits = weigh(claims);
  const sockets = slots.filter(({ soldered }) => !soldered).length;
  const draft = await getDraft(db, id);
  const sent = await listSent(db, id);
  const current = sent.find(({ state }) => state === 'sent') ?? null;
  const terms = termsOf(draft);
  const language = languageOf(shop, job, terms);
  const pricing = pricingRule(shop, job.customer.taxExempt);
  const labour = labourOf(shop, model, pricing);
  const market = await marketFor(db, { markUp: shop, pricing }, limits, {
    ...loosest(claims, slots),
    modelId: job.modelId,
    makerKey: makerKey(model?.maker ?? job.machineMaker),
    sockets,
    jobId: id,
    chosen: [...(draft?.choices ?? []), ...(current?.snapshot.options ?? []).map(({ shop: side }) => side)].flatMap(
      ({ bought }) => bought.map(({ offer }) => offerOfKey(offer)),
    ),
    sellersOut: job.steering.sellersOut,
  });
  const jobCase = caseOfJob({
    name: machineName(job) || `job ${id}`,
    currency: shop.currency,
    slots,
    limits,
    offers: market.offers,
    labourCents: labour.cents,
    goal: {},
  });
  const gaps = jobCase.ok ? [] : jobCase.gaps;
  const answers =
    sent.length === 0
      ? []
      : await listAnswers(
          db,
          sent.map((quote) => quote.id),
        );
  const today = await shopDay(db);
  const work = await workOf(db, id, { sent, answers, maker: job.machineMaker, modelId: job.modelId });
  const standings = stationStandings({
    customerNamed: job.customer.name !== '',
    slotCount: slots.length,
    gapCount: gaps.length,
    limitsAgreed: job.limitsAgreedAt !== null,
    choiceCount: draft?.choices.length ?? 0,
    quoteSent: sent.length > 0,
    questionOpen: answers.some(
      ({ kind, reply, quoteId }) => kind === 'question' && reply === null && quoteId === current?.id,
    ),
    fitted: isFitted(work),
    proved: isProved(work),
  });
  return {
    shop,
    job,
    model,
    readings,
    pictures,
    joined,
    derived: slotsFollowing(joined, modelSlots, readings),
    mismatches: [...joined.warnings, ...slotMismatch(joined, modelSlots)],
    slots,
    claims,
    limits,
    trials,
    cpu,
    modelQuestion: model === null ? await questionOn(db, joined) : null,
    needs,
    earlier: await findEarlierJobs(db, {
      jobId: id,
      customerId: job.customer.id,
      serial: job.serial,
      ...contactOf(job),
    }),
    market,
    jobCase,
    gaps,
    draft,
    terms,
    language,
    texts: await textsIn(db, language),
    pricing,
    labour,
    sent,
    mail: sent.length === 0 ? [] : await listMail(db, id),
    links: await linksOf(
      db,
      sent.map((quote) => quote.id),
    ),
    answers,
    work,
    drifts: current === null ? [] : await driftsOf(db, id, current),
    today,
    standings,
  };
}

/** A job as the screens show it. */
export async function showJob(id: number): Promise<JobState | null> {
  return readJob(pool(), id);
}
