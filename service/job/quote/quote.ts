import { z } from 'zod';
import { dayAfter } from '../../../core/day-count';
import type { Language } from '../../../core/language';
import { MOST_CENTS } from '../../../core/pricing/bounds';
import { customerOnPaper } from '../../../core/quoting/customer-on-paper';
import { type CustomerQuote, customerView } from '../../../core/quoting/customer-view';
import { faultOfOptions } from '../../../core/quoting/option';
import { textsForQuote } from '../../../core/quoting/paper-text';
import {
  type CustomerAnswer,
  type CustomerQuestion,
  decisionOf,
  standingOf,
  type VersionStanding,
} from '../../../core/quoting/quote-answer';
import { type QuoteOption, type QuoteSnapshot, snapshotSchema } from '../../../core/quoting/snapshot';
import { validityFault } from '../../../core/quoting/terms';
import { PAPER_WORDS } from '../../../core/quoting/words/papers-in';
import type { AcceptWords } from '../../../core/shop/accept-words';
import { shopOnPaper } from '../../../core/shop/shop-on-paper';
import { pool } from '../../../store/database';
import { emptyDrafts } from '../../../store/job/groups';
import { noteOpened } from '../../../store/job/quote-answers';
import {
  dropChoice,
  findLinked,
  markSent,
  openDraft,
  putChoice,
  releaseOptions,
  suggest,
  takeNumber,
} from '../../../store/job/quotes';
import type { Queryable } from '../../../store/queryable';
import { listPaperTexts } from '../../../store/shop/quote-says';
import type { Shop } from '../../../store/shop/shop';
import { shopDay } from '../../../store/shop/shop';
import { promisePieces } from '../../market/shelf';
import { done, fault, type Result } from '../../result';
import { type Caller, mayDo } from '../../staff/access';
import { testStopsQuote, testsOfGroups } from '../bench/bench-test';
import { changeJob } from '../change-job';
import { allMachines, machinesName } from '../job-names';
import { draftOption, draftOptions, lowestOf } from '../options/draft-options';
import type { JobWith } from '../slices/slice';
import { contentCode } from './quote-content';
import { isToken, linkHash, makeLink } from './quote-links';

const place = z.number().int().min(1).max(3);
const totalSchema = z.number().int().min(-MOST_CENTS).max(MOST_CENTS);

export const choiceSchema = z.strictObject({
  place,
  kept: z.array(z.string().min(1).max(60)).max(64),
  bought: z.array(z.strictObject({ offer: z.string().min(1).max(60), count: z.number().int().min(1).max(64) })).max(8),
});

/** Puts a plan on the slip as option 1, 2 or 3. The figures are made here, never taken from the caller. */
export async function choosePlan(
  caller: Caller<'jobs.write'>,
  jobId: number,
  choice: z.infer<typeof choiceSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'option-chosen',
    detail: choice,
    needs: ['quote', 'market'],
    work: async (db, state) => {
      const option = draftOption(state, choice);
      if (!option.ok) return fault('conflict', option.sentence);
      const draft = await openDraft(db, jobId);
      // The work is the same whatever is fitted: what was typed over it stays.
      const labour = draft.choices.find(({ place: at }) => at === choice.place)?.edits?.labour;
      await putChoice(db, draft.id, { ...choice, edits: labour === undefined ? {} : { labour } });
      return done(null);
    },
  });
}

export async function dropPlan(caller: Caller<'jobs.write'>, jobId: number, at: number): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'option-dropped',
    detail: { place: at },
    needs: ['quote'],
    work: async (db, { draft }) => {
      if (draft !== null) await dropChoice(db, draft.id, at);
      return done(null);
    },
  });
}

export const suggestionSchema = z.strictObject({ place: place.nullable() });

export async function suggestPlan(
  caller: Caller<'jobs.write'>,
  jobId: number,
  at: number | null,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'option-suggested',
    detail: { place: at },
    needs: ['quote'],
    work: async (db, { draft }) => {
      if (draft === null || (at !== null && !draft.choices.some((choice) => choice.place === at))) {
        return fault('conflict', 'This option is no longer in the draft quote.');
      }
      await suggest(db, draft.id, at);
      return done(null);
    },
  });
}

export const releaseSchema = z.strictObject({ place, totalCents: totalSchema });

/** An owner lets an option go below the lowest margin: at this total and no other. */
export async function releaseOption(
  caller: Caller<'quotes.below-lowest'>,
  jobId: number,
  seen: z.infer<typeof releaseSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'option-released',
    detail: seen,
    ofLead: true,
    needs: ['quote', 'market', 'others'],
    work: async (db, state) => {
      const option = draftOptions(state).find((one) => one.place === seen.place);
      if (option?.ok !== true) return fault('conflict', 'This option is no longer in the draft quote.');
      if (option.option.totalCents !== seen.totalCents)
        return fault('conflict', 'Its price has moved since you looked: look again, then release it.');
      const draft = state.draft ?? (await openDraft(db, state.job.id));
      const others = draft.released.filter((one) => one.place !== seen.place);
      await releaseOptions(db, draft.id, [...others, seen], caller.id);
      return done(null);
    },
  });
}

/** Totals as the sender saw them, so that nothing goes out at a price nobody has looked at. */
export const sendSchema = z.strictObject({
  seen: z
    .array(z.strictObject({ place, totalCents: totalSchema }))
    .min(1, 'Add an option to the draft quote first.')
    .max(3),
  /** the customer accepted what is out, and this is to change that */
  changeOrder: z.boolean().default(false),
});

export interface Sent {
  number: string;
  token: string;
}

function whatStopsSending(
  caller: Caller,
  state: JobWith<'quote'>,
  options: QuoteOption[],
  seen: z.infer<typeof sendSchema>['seen'],
): string | null {
  if (state.job.customer.name === '') return 'The quote needs the customer’s name: type it on Intake.';
  if (options.length === 0) return 'Add an option to the draft quote first.';
  const isFree = state.job.guaranteeOf !== null;
  const wrong = faultOfOptions(options, { mayBeFree: isFree }) ?? validityFault(state.terms.validUntil, state.today);
  if (wrong !== null) return wrong;
  const below = isFree ? undefined : options.find((option) => lowestOf(state, option) === 'below');
  if (below !== undefined && !mayDo(caller, 'quotes.below-lowest'))
    return `Option ${below.place} is below the shop’s lowest margin: an owner releases it on this page, or its price goes up.`;
  const unapproved = options.flatMap(({ shop }) => shop.texts ?? []).find((key) => state.texts.unapproved.has(key));
  if (unapproved !== undefined)
    return `The text “${state.texts.texts[unapproved]}” is not approved yet: an owner does that under Settings.`;
  const moved = options.find(
    (option) => seen.find((one) => one.place === option.place)?.totalCents !== option.totalCents,
  );
  if (moved !== undefined)
    return `The price of option ${moved.place} has changed since you looked: check it, then send.`;
  return null;
}

/** What every quote of the shop says on its day, in the quote's language. */
async function saysOf(db: Queryable, shop: Shop, language: Language): Promise<Partial<QuoteSnapshot>> {
  const { guaranteePartsMonths: partsMonths, guaranteeWorkMonths: workMonths, paperPerGb } = shop;
  const texts = textsForQuote(await listPaperTexts(db), language);
  return {
    ...(partsMonths + workMonths > 0 && { guarantee: { partsMonths, workMonths } }),
    ...(paperPerGb && { perGb: true as const }),
    ...(texts.length > 0 && { texts }),
  };
}

async function makeSnapshot(
  db: Queryable,
  state: JobWith<'quote' | 'market' | 'work' | 'machine'>,
  options: QuoteOption[],
) {
  const { shop, job, draft, slots, terms, language, pricing } = state;
  const { accepted } = state.work;
  const sentOn = await shopDay(db);
  return snapshotSchema.parse({
    fenbrik: 'quote/1',
    number: await takeNumber(db, Number(sentOn.slice(0, 4))),
    sentOn,
    validUntil: terms.validUntil ?? dayAfter(sentOn, shop.validityDays),
    currency: shop.currency,
    language,
    taxWay: pricing.exempt === null ? pricing.taxWay : 'added',
    taxRounding: pricing.taxRounding,
    ...(pricing.exempt !== null && { exempt: pricing.exempt }),
    ...(accepted !== null && {
      changes: { number: accepted.quote.number, place: accepted.option.place, on: accepted.on },
    }),
    ...(terms.note !== '' && { note: terms.note }),
    taxBp: shop.taxBp,
    ...(await saysOf(db, shop, language)),
    shop: shopOnPaper(shop),
    customer: customerOnPaper(job.customer),
    machine: {
      name: machinesName({ ...job, machines: allMachines(state.groups) }, PAPER_WORDS[language].yourMachine),
      totalMiB: slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0),
    },
    suggested: draft?.suggested ?? null,
    options,
  });
}

/**
 * Sends the draft: freezes its figures into a snapshot under the next number and behind a new link. Acknowledged
 * only when it is on disk; afterwards nothing changes it.
 */
export async function sendQuote(
  caller: Caller<'quotes.send'>,
  jobId: number,
  { seen, changeOrder = false }: z.input<typeof sendSchema>,
): Promise<Result<Sent>> {
  return changeJob(caller, jobId, {
    kind: changeOrder ? 'change-order-sent' : 'quote-sent',
    ofLead: true,
    needs: ['quote', 'market', 'work', 'machine', 'others'],
    work: async (db, state) => {
      const last = state.sent.find((quote) => quote.state === 'sent');
      const drafted = draftOptions(state);
      if (drafted.length === 0 && last !== undefined)
        return fault('conflict', `It was sent a moment ago as ${last.number}, from another window.`);
      const { accepted } = state.work;
      if (accepted !== null && !changeOrder)
        return fault(
          'conflict',
          `Option ${accepted.option.place} of ${accepted.quote.number} is accepted: send this as a change order.`,
        );
      if (accepted === null && changeOrder) return fault('conflict', 'Nothing is accepted that this could change.');
      const lost = drafted.find((one) => !one.ok);
      if (lost !== undefined && !lost.ok) return fault('conflict', `Option ${lost.place}: ${lost.sentence}`);
      const options = drafted.flatMap((one) => (one.ok ? [one.option] : []));
      const tests = await testsOfGroups(db, state.groups);
      const stop = testStopsQuote(tests) ?? whatStopsSending(caller, state, options, seen);
      if (stop !== null) return fault('conflict', stop);
      const draft = state.draft ?? (await openDraft(db, state.job.id));
      const snapshot = await makeSnapshot(db, state, options);
      const taken = await promisePieces(db, state.job.id, options, snapshot.validUntil);
      if (taken !== null) return fault('conflict', taken);
      await markSent(db, state.job.id, draft.id, { snapshot, staffId: caller.id });
      await emptyDrafts(db, state.job.id);
      const token = await makeLink(db, draft.id, caller.id);
      return done({ number: snapshot.number, token });
    },
  });
}

export interface OpenedQuote {
  quote: CustomerQuote;
  standing: VersionStanding;
  /** what the customer said to it last; null: nothing yet */
  answer: CustomerAnswer | null;
  /** what the customer asked, the earliest first */
  questions: CustomerQuestion[];
  /** what tells this version from any other, see {@link contentCode} */
  code: string;
  /** the shop has a mark on its papers */
  hasLogo: boolean;
  acceptWords: AcceptWords;
  /** its proof sheet is signed */
  isProved: boolean;
  /** it was settled that it does not work: the customer's own modules are back in */
  isNotWorking: boolean;
  /** it is invoiced */
  hasInvoice: boolean;
}

/** Codes of quotes by what opens them: what is sent never changes, so its code is made once. */
const codes = new Map<string, string>();
const MOST_CODES = 2_000;

function codeOf(token: string, quote: CustomerQuote): string {
  const known = codes.get(token);
  if (known !== undefined) return known;
  const code = contentCode(quote);
  if (codes.size >= MOST_CODES) codes.clear();
  codes.set(token, code);
  return code;
}

/**
 * What the link shows: the quote without the shop's side; null for any token that opens nothing.
 *
 * @param byCustomer it is noted that the customer has seen it
 */
export async function openQuote(token: string, byCustomer = false): Promise<OpenedQuote | null> {
  if (!isToken(token)) return null;
  const sent = await findLinked(pool(), linkHash(token));
  if (sent === null) return null;
  if (byCustomer && !sent.isOpened) await noteOpened(pool(), sent.id);
  const { answers, lapsed, hasLogo, acceptWords, isProved, isNotWorking, hasInvoice } = sent;
  const answer = decisionOf(answers);
  const standing = standingOf(answer, { replaced: sent.state === 'replaced', lapsed });
  const quote = customerView(sent.snapshot);
  const questions = answers
    .filter(({ kind }) => kind === 'question')
    .map(({ id, words, on, reply }) => ({ id, words, on, reply }));
  const code = codeOf(token, quote);
  return { quote, standing, answer, questions, code, hasLogo, acceptWords, isProved, isNotWorking, hasInvoice };
}
