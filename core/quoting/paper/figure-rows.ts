import { MIB_PER_GB } from '../../memory/capacity';
import { eachCents } from '../../pricing/each-cents';
import { roundHalfEven } from '../../pricing/round-half-even';
import type { CustomerOption, CustomerQuote } from '../customer-view';
import { capacityIn, languageOfQuote, moneyIn, percentIn, wordsOf } from '../words/in-language';

/** A row of figures under an option's lines. */
export interface FigureRow {
  words: string;
  amount: string;
  /** is it what the customer pays, a part of that, or what adds up to it */
  what: 'total' | 'part' | 'sum';
}

/**
 * What stands under the lines of an option: the total with the tax it holds, or the sum without tax, each tax and the total;
 * for anyone who pays no tax only the total.
 */
export function figureRows(quote: Omit<CustomerQuote, 'options'>, option: CustomerOption): FigureRow[] {
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const money = (minor: number) => moneyIn(language, minor, quote.currency);
  const { totalCents, taxCents } = option;
  const total: FigureRow = { words: words.total, amount: money(totalCents), what: 'total' };
  const each: FigureRow[] = [
    ...eachMachine(option, words.eachOf, money),
    ...(quote.perGb === true ? perGb(option, words.perGb, money) : []),
  ];
  if (quote.exempt !== undefined) return [total, ...each];
  const taxes = option.taxes ?? [{ taxBp: quote.taxBp, netCents: totalCents - taxCents, taxCents }];
  const isAdded = quote.taxWay === 'added';
  const rows = taxes.map(({ taxBp, taxCents: cents }): FigureRow => {
    const rate = percentIn(language, taxBp);
    return {
      words: isAdded ? words.addedTax(rate) : words.containedTax(rate),
      amount: money(cents),
      what: isAdded ? 'sum' : 'part',
    };
  });
  if (!isAdded) return [total, ...each, ...rows];
  return [{ words: words.withoutTax, amount: money(totalCents - taxCents), what: 'sum' }, ...rows, total, ...each];
}

/** What it comes to for a GB of what is in the machines afterwards; nothing where they differ. */
function perGb(
  { machines = 1, totalMiB, totalCents, groups }: CustomerOption,
  words: string,
  money: (minor: number) => string,
): FigureRow[] {
  if (groups !== undefined) return [];
  return [{ words, amount: money(roundHalfEven(totalCents, MIB_PER_GB, machines * totalMiB)), what: 'part' }];
}

/** What it comes to for each of several machines. */
function eachMachine(
  { machines, totalCents }: CustomerOption,
  words: (machines: number) => string,
  money: (minor: number) => string,
): FigureRow[] {
  if (machines === undefined) return [];
  return [{ words: words(machines), amount: money(eachCents(totalCents, machines)), what: 'part' }];
}

/** What is said under these figures: why no tax is charged, what is due at once, what is saved. */
export function figureNotes(quote: Omit<CustomerQuote, 'options'>, option: CustomerOption): string[] {
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const money = (minor: number) => moneyIn(language, minor, quote.currency);
  const { depositCents, totalCents } = option;
  return [
    ...(quote.exempt === undefined ? [] : [words.noTax(quote.exempt)]),
    ...(depositCents === undefined ? [] : [words.deposit(money(depositCents), money(totalCents - depositCents))]),
  ];
}

/** What an option saves against the maker's own parts, and against the maker's own configuration, as sentences. */
export function savingSentences(quote: Omit<CustomerQuote, 'options'>, option: CustomerOption): string[] {
  const { savingCents, savingPercent, groups } = option;
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const money = (minor: number) => moneyIn(language, minor, quote.currency);
  const percent = savingPercent === null ? null : percentIn(language, savingPercent * 100);
  const makerSentence = ({
    maker,
    totalMiB,
    machines = 1,
  }: Pick<CustomerOption, 'maker' | 'totalMiB' | 'machines'>) => {
    if (maker === undefined) return [];
    const { asksCents, savingCents: saved, overMiB, isTyped } = maker;
    const [total, over] = [capacityIn(language, totalMiB), capacityIn(language, overMiB)];
    const told = { asks: money(asksCents), saved: money(saved), total, over };
    return [words.maker({ ...told, whenNew: isTyped !== true, several: machines > 1 })];
  };
  return [
    ...(savingCents === null ? [] : [words.saving(money(savingCents), percent, quote.taxWay === 'added')]),
    ...makerSentence(option),
    ...(groups ?? []).flatMap((group) => makerSentence(group).map((sentence) => `${group.name}: ${sentence}`)),
  ];
}
