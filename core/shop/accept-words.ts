import type { Language } from '../language';

/** What the button says by which a customer accepts a quote, by language; left out: the usual word. */
export type AcceptWords = Partial<Record<Language, string>>;

/** The longest that fits a button on a telephone, letters. */
export const MOST_ACCEPT_LETTERS = 60;

/** Member states of the European Union (ISO 3166-1 alpha-2). */
const EU = new Set('AT BE BG CY CZ DE DK EE ES FI FR GR HR HU IE IT LT LU LV MT NL PL PT RO SE SI SK'.split(' '));

/**
 * "Order with obligation to pay", which the button has to say where a contract with a consumer is made at a distance (Directive
 * 2011/83/EU, Article 8(2)); in German in the words of BGB section 312j, in French in those of Code de la consommation L221-14.
 */
const WITH_OBLIGATION_TO_PAY: AcceptWords = {
  en: 'Order with obligation to pay',
  de: 'Zahlungspflichtig bestellen',
  fr: 'Commande avec obligation de paiement',
};

/** @param country ISO 3166-1 alpha-2 */
export const isInUnion = (country: string): boolean => EU.has(country);

/** What the button usually says in a country; an owner changes it. @param country ISO 3166-1 alpha-2; empty: not known */
export const acceptWordsIn = (country: string): AcceptWords => (isInUnion(country) ? WITH_OBLIGATION_TO_PAY : {});
