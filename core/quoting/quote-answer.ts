import type { CustomerOption, CustomerQuote } from './customer-view';
import { wordsOf } from './words/in-language';

/** One thing that a customer said to a quote. */
export interface CustomerStatement {
  kind: 'accepted' | 'declined' | 'question';
  place: number | null;
  signed: string | null;
  ticked: readonly string[];
  words: string;
  /** the day, in the shop's zone */
  on: string;
}

/** A question, and what the shop answered; null: nothing yet. */
export interface CustomerQuestion {
  id: number;
  words: string;
  on: string;
  reply: { words: string; on: string } | null;
}

/** What a customer decided on a quote. */
export type CustomerAnswer =
  | { kind: 'accepted'; place: number; signed: string; ticked: readonly string[]; on: string }
  | { kind: 'declined'; words: string; on: string };

/** How a sent quote stands. */
export type VersionStanding = 'open' | 'accepted' | 'declined' | 'lapsed' | 'replaced';

/**
 * How a sent quote stands. What was accepted stays so after its day; what was declined or never answered lapses. A later
 * version replaces all of these.
 *
 * @param answer the last decision; null: there is none
 */
export function standingOf(
  answer: CustomerAnswer | null,
  { replaced, lapsed }: { replaced: boolean; lapsed: boolean },
): VersionStanding {
  if (replaced) return 'replaced';
  if (answer?.kind === 'accepted') return 'accepted';
  if (lapsed) return 'lapsed';
  return answer === null ? 'open' : 'declined';
}

/**
 * The decision among what was said: what was accepted stays accepted, else the last word holds; a question is none.
 *
 * @param said the earliest first
 */
export function decisionOf(said: readonly CustomerStatement[]): CustomerAnswer | null {
  const decided = said.filter(({ kind }) => kind !== 'question');
  const last = decided.find(({ kind }) => kind === 'accepted') ?? decided.at(-1);
  if (last === undefined) return null;
  const { place, signed, ticked, words, on } = last;
  return place === null || signed === null
    ? { kind: 'declined', words, on }
    : { kind: 'accepted', place, signed, ticked, on };
}

/** What a customer sends to say yes. */
export interface Acceptance {
  place: number;
  signed: string;
  ticked: readonly string[];
}

/** Statements of an option that have to be ticked. */
export const statementsOf = ({ statements = [] }: Pick<CustomerOption, 'statements'>): readonly string[] => statements;

/** Of what was ticked the statements of the option that is accepted: nobody agreed to anything else by this yes. */
export function tickedOf({ options }: Acceptable, { place, ticked }: Pick<Acceptance, 'place' | 'ticked'>): string[] {
  const option = options.find((one) => one.place === place);
  return option === undefined ? [] : statementsOf(option).filter((statement) => ticked.includes(statement));
}

/** What of a quote an acceptance is held against. */
export type Acceptable = Pick<CustomerQuote, 'language'> & {
  options: readonly Pick<CustomerOption, 'place' | 'statements'>[];
};

/** Why a quote cannot be accepted like this, in one sentence in its language; null: it can. */
export function faultOfAcceptance(quote: Acceptable, { place, signed, ticked }: Acceptance): string | null {
  const { faults } = wordsOf(quote);
  const option = quote.options.find((one) => one.place === place);
  if (option === undefined) return faults.noOption;
  if (signed.trim() === '') return faults.typeName;
  const missing = statementsOf(option).filter((statement) => !ticked.includes(statement));
  return missing.length === 0 ? null : faults.notTicked(missing.length);
}
