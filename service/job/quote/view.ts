import type { Language } from '../../../core/language';
import type { Labour } from '../../../core/pricing/labour';
import type { PricingRule } from '../../../core/pricing/pricing-rule';
import { type CustomerQuote, customerView } from '../../../core/quoting/customer-view';
import type { SeenDrift } from '../../../core/quoting/drift/seen-drift';
import { type VersionChange, versionChange } from '../../../core/quoting/drift/version-change';
import type {
  CustomerAnswer,
  CustomerQuestion,
  VersionStanding as QuoteStanding,
} from '../../../core/quoting/quote-answer';
import { decisionOf, standingOf } from '../../../core/quoting/quote-answer';
import type { SeenOption } from '../../../core/quoting/staff-view';
import { seenDrift, staffView } from '../../../core/quoting/staff-view';
import type { QuoteTerms } from '../../../core/quoting/terms-schema';
import { textOfUsual } from '../../../core/quoting/usual-line';
import { draftOptions, lowestOf } from '../options/draft-options';
import type { JobWith } from '../slices/slice';

export type SlipOption =
  | {
      place: number;
      ok: true;
      option: SeenOption;
      /** does it bring the shop's lowest margin; `released`: it does not, and an owner lets it go */
      lowest: 'reached' | 'below' | 'released';
    }
  | { place: number; ok: false; sentence: string };

/** A mail of a version, and how far it has come. Times as ISO 8601. */
export interface SentMail {
  id: number;
  kind: 'quote' | 'reminder';
  to: string;
  state: 'waiting' | 'sending' | 'sent' | 'refused' | 'unsure' | 'given-up';
  tries: number;
  nextAt: string;
  /** what the last try came to */
  sentence: string | null;
  sentAt: string | null;
}

export interface SentVersion {
  number: string;
  version: number;
  state: 'sent' | 'replaced';
  /** how the customer reaches it; null: the link was withdrawn. Its unguessable part; null: it can be shown no more */
  link: { token: string | null } | null;
  mail: SentMail[];
  /** what it changes against the version before it; null: it is the first */
  change: VersionChange[] | null;
  sentOn: string;
  sentBy: string | null;
  validUntil: string;
  options: SeenOption[];
  /** what its figures go by */
  paper: Omit<CustomerQuote, 'options'>;
  standing: QuoteStanding;
  /** the day on which the customer first opened it; null: not yet */
  openedOn: string | null;
  answer: CustomerAnswer | null;
  /** what was asked about it, the earliest first */
  questions: CustomerQuestion[];
}

/** What Quote shows of a job, and the slip beside every station. */
export interface QuoteView {
  slip: SlipOption[];
  /** what holds for the whole draft */
  terms: QuoteTerms;
  /** lines that the shop adds time and again, in the language of the papers */
  usualLines: { text: string; cents: number; taxBp: number | null }[];
  /** what its papers are written in */
  language: Language;
  pricing: PricingRule;
  labour: Labour;
  suggested: number | null;
  sent: SentVersion[];
  /** what moved behind the version that is out */
  drifts: SeenDrift[];
}

/** What went out, with what the customer said to it. */
function sentVersions({ sent, links, mail, answers, today }: JobWith<'quote'>, seesCost: boolean): SentVersion[] {
  return sent.map((quote, nr) => {
    const before = sent[nr + 1];
    const said = answers.filter(({ quoteId }) => quoteId === quote.id);
    const answer = decisionOf(said);
    const { options: _, ...paper } = customerView(quote.snapshot);
    return {
      number: quote.number,
      version: quote.version,
      state: quote.state,
      change: before === undefined ? null : versionChange(before.snapshot, quote.snapshot),
      link: links.get(quote.id) ?? null,
      mail: mail
        .filter(({ quoteId }) => quoteId === quote.id)
        .map(({ id, kind, to, state, tries, nextAt, sentence, sentAt }) => ({
          id,
          to,
          state,
          tries,
          sentence,
          kind: kind === 'reminder' ? kind : ('quote' as const),
          nextAt: nextAt.toISOString(),
          sentAt: sentAt?.toISOString() ?? null,
        })),
      sentOn: quote.snapshot.sentOn,
      sentBy: quote.sentBy,
      validUntil: quote.validUntil,
      options: quote.snapshot.options.map((option) => staffView(option, seesCost)),
      paper,
      standing: standingOf(answer, { replaced: quote.state === 'replaced', lapsed: today > quote.validUntil }),
      openedOn: quote.openedOn,
      answer,
      questions: said
        .filter(({ kind }) => kind === 'question')
        .map(({ id, words, on, reply }) => ({ id, words, on, reply })),
    };
  });
}

/** The draft's options, each with whether it may go out as it is. */
function slipOptions(state: JobWith<'quote' | 'market'>, seesCost: boolean): SlipOption[] {
  return draftOptions(state).map((one) =>
    one.ok ? { ...one, option: staffView(one.option, seesCost), lowest: lowestOf(state, one.option) } : one,
  );
}

/** @param seesCost what options cost and leave goes along */
export function quoteView(state: JobWith<'quote' | 'market'>, seesCost: boolean): QuoteView {
  const { terms, language, pricing, labour, draft, drifts, shop } = state;
  return {
    slip: slipOptions(state, seesCost),
    terms,
    usualLines: state.usualLines.map((line) => ({
      text: textOfUsual(line, language, shop.language),
      cents: line.cents,
      taxBp: line.taxBp,
    })),
    language,
    pricing,
    labour,
    suggested: draft?.suggested ?? null,
    sent: sentVersions(state, seesCost),
    drifts: drifts.map((drift) => seenDrift(drift, seesCost)),
  };
}
