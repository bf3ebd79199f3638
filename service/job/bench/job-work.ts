import { benchState, minutesTaken } from '../../../core/fitting/bench-state';
import type { JobCase } from '../../../core/machine/case-of-job';
import { evaluateChoice } from '../../../core/planning/search/evaluate-choice';
import { optionOfGroup } from '../../../core/quoting/groups/option-of-group';
import { decisionOf } from '../../../core/quoting/quote-answer';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import type { MachineAt } from '../../../store/job/find-machine';
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
import type { Group } from '../../../store/job/groups';
import { listInvoices, listPayments, type Payment, type StoredInvoice } from '../../../store/job/invoices';
import type { NotWorking } from '../../../store/job/not-working';
import { listOldModules, listProofs, type OldModule, type Proof } from '../../../store/job/proofs';
import type { StoredAnswer } from '../../../store/job/quote-answers';
import type { SentQuote } from '../../../store/job/quotes';
import { ordersOfJob, type PartOrder, type WantedPart } from '../../../store/orders/orders';
import type { Queryable } from '../../../store/queryable';
import type { Pieces } from '../slices/pieces';

/** The option that the customer said yes to. */
export interface Accepted {
  quote: SentQuote;
  /** of a job whose machines differ: what it says of the group at hand */
  option: QuoteOption;
  /** all of it */
  whole: QuoteOption;
  signed: string;
  /** `YYYY-MM-DD` */
  on: string;
}

/** What follows a customer's yes: parts, the work on the bench, and the promise held against the machine. */
export interface JobWork {
  accepted: Accepted | null;
  /** it was settled that the accepted option does not work; null: it was not */
  notWorking: NotWorking | null;
  /** parts of the accepted option that nobody ordered yet */
  wanted: WantedPart[];
  orders: PartOrder[];
  /** the machines that it is about, those that are equal together */
  groups: Group[];
  /** times on the bench, those of all groups, the latest first */
  fittings: Fitting[];
  searches: FaultSearch[];
  beeps: BeepCode[];
  /** those of all groups, the latest first */
  proofs: Proof[];
  oldModules: OldModule[];
  /** the last first; cancelled ones too */
  invoices: StoredInvoice[];
  payments: Payment[];
  /** how long it took in machines of this model, minutes, the latest first */
  usual: number[];
  /** what other jobs found to be otherwise in machines of this model, the latest first */
  foundBefore: EarlierFind[];
}

export const NO_WORK: JobWork = {
  accepted: null,
  notWorking: null,
  wanted: [],
  orders: [],
  groups: [],
  fittings: [],
  searches: [],
  beeps: [],
  proofs: [],
  oldModules: [],
  invoices: [],
  payments: [],
  usual: [],
  foundBefore: [],
};

/** The accepted option of the quote that is out; null: there is none. */
export function acceptedOf(
  sent: readonly SentQuote[],
  answers: readonly StoredAnswer[],
  jobId: number,
): Accepted | null {
  const quote = sent.find(({ state }) => state === 'sent');
  if (quote === undefined) return null;
  const decided = decisionOf(answers.filter(({ quoteId }) => quoteId === quote.id));
  if (decided?.kind !== 'accepted') return null;
  const whole = quote.snapshot.options.find(({ place }) => place === decided.place);
  if (whole === undefined) return null;
  return { quote, option: optionOfGroup(whole, jobId), whole, signed: decided.signed, on: decided.on };
}

/** Minutes that whole times on the bench took in machines of a model, the latest first. */
export async function usualMinutes(db: Queryable, modelId: number): Promise<number[]> {
  return (await fittingsOfModel(db, modelId)).flatMap(({ steps, ticks }) =>
    ticks.length < steps.length ? [] : (minutesTaken(steps, ticks) ?? []),
  );
}

/** Reads what was done for a job since its customer said yes. */
export async function workOf(db: Queryable, jobId: number, pieces: Pieces): Promise<JobWork> {
  const [job, groups, sent, answers, fittings, wanted, orders, searches, proofs, oldModules, invoices, payments] =
    await Promise.all([
      pieces.job(),
      pieces.groups(),
      pieces.sent(),
      pieces.answers(),
      pieces.fittings(),
      pieces.wanted(),
      ordersOfJob(db, jobId),
      listSearches(db, jobId),
      listProofs(db, jobId),
      listOldModules(db, jobId),
      listInvoices(db, jobId),
      listPayments(db, jobId),
    ]);
  const accepted = acceptedOf(sent, answers, jobId);
  if (sent.length === 0 || (accepted === null && fittings.length === 0)) return NO_WORK;
  const { modelId, machineMaker, notWorking } = job;
  const [beeps, usual, foundBefore] = await Promise.all([
    listBeeps(db, machineMaker),
    modelId === null ? [] : usualMinutes(db, modelId),
    modelId === null ? [] : findsOfModel(db, modelId, jobId),
  ]);
  return {
    accepted,
    notWorking: notWorking !== null && notWorking.quoteId === accepted?.quote.id ? notWorking : null,
    groups,
    wanted,
    orders,
    fittings,
    searches,
    beeps,
    proofs,
    oldModules,
    invoices,
    payments,
    usual,
    foundBefore,
  };
}

/** Every machine that the work is about. */
export const machinesAt = ({ groups }: Pick<JobWork, 'groups'>): MachineAt[] =>
  groups.flatMap(({ jobId, machines }) => Array.from({ length: machines }, (_, nr) => ({ jobId, machine: nr + 1 })));

const isOf =
  ({ jobId, machine }: MachineAt) =>
  (one: MachineAt): boolean =>
    one.jobId === jobId && one.machine === machine;

type Benches = Pick<JobWork, 'fittings' | 'accepted' | 'proofs'>;

/**
 * The time on the bench that is gone on with: the last of a machine for the accepted option, unless its proof was signed as
 * not kept.
 */
export function openFitting({ fittings, accepted, proofs }: Benches, at: MachineAt): Fitting | null {
  const last = fittings.find(isOf(at));
  if (last === undefined || accepted === null || last.quoteId !== accepted.quote.id) return null;
  const isBroken = proofs.some(
    ({ fittingId, signedOn, verdict }) => fittingId === last.id && signedOn !== null && verdict === 'broken',
  );
  return isBroken ? null : last;
}

/** All steps for one machine are done or left out. */
export function isFittedAt(work: Benches, at: MachineAt): boolean {
  const open = openFitting(work, at);
  return open !== null && benchState(open.steps, open.ticks, [], []).next === null;
}

/** A signed proof that was not broken ends the work on a machine. */
export const isProvedAt = ({ proofs, accepted }: Pick<JobWork, 'proofs' | 'accepted'>, at: MachineAt): boolean =>
  proofs
    .filter(isOf(at))
    .some(
      ({ quoteId, signedOn, verdict }) => signedOn !== null && verdict !== 'broken' && quoteId === accepted?.quote.id,
    );

/** Every machine is fitted. */
export const isFitted = (work: Benches & Pick<JobWork, 'groups'>): boolean =>
  work.accepted !== null && machinesAt(work).every((at) => isFittedAt(work, at));

/** Every machine is proved, or it is settled that it does not work: that ends the job's work. */
export const isProved = (work: Pick<JobWork, 'proofs' | 'accepted' | 'groups' | 'notWorking'>): boolean =>
  work.accepted !== null && (work.notWorking !== null || machinesAt(work).every((at) => isProvedAt(work, at)));

/**
 * Does the accepted option still go into the machine as it is known by now? What its offers cost, or whether more can be had,
 * is no question here: they are bought.
 *
 * @returns one sentence; null: it does
 */
export function whyNoLongerFits({ jobCase, work }: { jobCase: JobCase; work: JobWork }): string | null {
  if (work.accepted === null || work.notWorking !== null) return null;
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
