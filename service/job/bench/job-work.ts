import { benchState, minutesTaken } from '../../../core/fitting/bench-state';
import type { JobCase } from '../../../core/machine/case-of-job';
import { evaluateChoice } from '../../../core/planning/search/evaluate-choice';
import { decisionOf } from '../../../core/quoting/quote-answer';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import {
  type BeepCode,
  type EarlierFind,
  type FaultSearch,
  type Fitting,
  findsOfModel,
  fittingsOfModel,
  listBeeps,
  listSearches,
} from '../../../store/job/fittings';
import { listOldModules, listProofs, type OldModule, type Proof } from '../../../store/job/proofs';
import type { StoredAnswer } from '../../../store/job/quote-answers';
import type { SentQuote } from '../../../store/job/quotes';
import { ordersOfJob, type PartOrder, type WantedPart } from '../../../store/orders/orders';
import type { Queryable } from '../../../store/queryable';
import type { Pieces } from '../slices/pieces';

/** The option that the customer said yes to. */
export interface Accepted {
  quote: SentQuote;
  option: QuoteOption;
  signed: string;
  /** `YYYY-MM-DD` */
  on: string;
}

/** What follows a customer's yes: parts, the work on the bench, and the promise held against the machine. */
export interface JobWork {
  accepted: Accepted | null;
  /** parts of the accepted option that nobody ordered yet */
  wanted: WantedPart[];
  orders: PartOrder[];
  /** times on the bench, the latest first */
  fittings: Fitting[];
  searches: FaultSearch[];
  beeps: BeepCode[];
  /** the latest first */
  proofs: Proof[];
  oldModules: OldModule[];
  /** how long it took in machines of this model, minutes, the latest first */
  usual: number[];
  /** what other jobs found to be otherwise in machines of this model, the latest first */
  foundBefore: EarlierFind[];
}

export const NO_WORK: JobWork = {
  accepted: null,
  wanted: [],
  orders: [],
  fittings: [],
  searches: [],
  beeps: [],
  proofs: [],
  oldModules: [],
  usual: [],
  foundBefore: [],
};

/** The accepted option of the quote that is out; null: there is none. */
export function acceptedOf(sent: readonly SentQuote[], answers: readonly StoredAnswer[]): Accepted | null {
  const quote = sent.find(({ state }) => state === 'sent');
  if (quote === undefined) return null;
  const decided = decisionOf(answers.filter(({ quoteId }) => quoteId === quote.id));
  if (decided?.kind !== 'accepted') return null;
  const option = quote.snapshot.options.find(({ place }) => place === decided.place);
  return option === undefined ? null : { quote, option, signed: decided.signed, on: decided.on };
}

/** Minutes that whole times on the bench took in machines of a model, the latest first. */
export async function usualMinutes(db: Queryable, modelId: number): Promise<number[]> {
  return (await fittingsOfModel(db, modelId)).flatMap(({ steps, ticks }) =>
    ticks.length < steps.length ? [] : (minutesTaken(steps, ticks) ?? []),
  );
}

/** Reads what was done for a job since its customer said yes. */
export async function workOf(db: Queryable, jobId: number, pieces: Pieces): Promise<JobWork> {
  const [job, sent, answers, fittings, wanted, orders, searches, proofs, oldModules] = await Promise.all([
    pieces.job(),
    pieces.sent(),
    pieces.answers(),
    pieces.fittings(),
    pieces.wanted(),
    ordersOfJob(db, jobId),
    listSearches(db, jobId),
    listProofs(db, jobId),
    listOldModules(db, jobId),
  ]);
  const accepted = acceptedOf(sent, answers);
  if (sent.length === 0 || (accepted === null && fittings.length === 0)) return NO_WORK;
  const { modelId, machineMaker } = job;
  const [beeps, usual, foundBefore] = await Promise.all([
    listBeeps(db, machineMaker),
    modelId === null ? [] : usualMinutes(db, modelId),
    modelId === null ? [] : findsOfModel(db, modelId, jobId),
  ]);
  return { accepted, wanted, orders, fittings, searches, beeps, proofs, oldModules, usual, foundBefore };
}

/** The time on the bench that is gone on with: the last for the accepted option, unless its proof was signed as not kept. */
export function openFitting({
  fittings,
  accepted,
  proofs,
}: Pick<JobWork, 'fittings' | 'accepted' | 'proofs'>): Fitting | null {
  const [last] = fittings;
  if (last === undefined || accepted === null || last.quoteId !== accepted.quote.id) return null;
  const isBroken = proofs.some(
    ({ fittingId, signedOn, verdict }) => fittingId === last.id && signedOn !== null && verdict === 'broken',
  );
  return isBroken ? null : last;
}

/** All its steps are done or left out. */
export function isFitted(work: Pick<JobWork, 'fittings' | 'accepted' | 'proofs'>): boolean {
  const open = openFitting(work);
  if (open === null || work.accepted === null) return false;
  const { before, after } = work.accepted.option;
  return benchState(open.steps, open.ticks, before, after).next === null;
}

/** A signed proof that was not broken ends the job's work. */
export const isProved = ({ proofs, accepted }: Pick<JobWork, 'proofs' | 'accepted'>): boolean =>
  proofs.some(
    ({ quoteId, signedOn, verdict }) => signedOn !== null && verdict !== 'broken' && quoteId === accepted?.quote.id,
  );

/**
 * Does the accepted option still go into the machine as it is known by now? What its offers cost, or whether more can be had,
 * is no question here: they are bought.
 *
 * @returns one sentence; null: it does
 */
export function whyNoLongerFits({ jobCase, work }: { jobCase: JobCase; work: JobWork }): string | null {
  if (work.accepted === null) return null;
  if (!jobCase.ok) return 'Not everything in the machine is known any more: answer the question on Limits.';
  const { kept, bought } = work.accepted.option.shop;
  const own = new Set(bought.map(({ offer }) => offer));
  const offers = jobCase.planCase.offers.map((offer) => (own.has(offer.id) ? { ...offer, stock: null } : offer));
  const found = evaluateChoice({ ...jobCase.planCase, offers }, { kept, bought });
  if (!found.ok) {
    return found.code === 'refused'
      ? 'A limit is now against it: choose the options again on Quote.'
      : 'A module that should stay, or a part, is no longer there: choose the options again on Quote.';
  }
  const { option } = work.accepted;
  if (found.plan.totalMiB !== option.totalMiB)
    return 'The total would now be different: choose the options again on Quote.';
  if (found.plan.rateMTs < option.rateMTs)
    return 'It would run slower than promised: choose the options again on Quote.';
  return null;
}
