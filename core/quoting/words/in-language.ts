import { type Language, LOCALES } from '../../language';
import { MIB_PER_GB } from '../../memory/capacity';
import { moneyText } from '../../pricing/money-text';
import type { PaperWords } from './paper-words';
import { PAPER_WORDS } from './papers-in';

const NUMBERS = new Map<string, Intl.NumberFormat>();
function numbers(language: Language, options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = `${language} ${options.style ?? ''}`;
  const known = NUMBERS.get(key);
  if (known !== undefined) return known;
  const format = new Intl.NumberFormat(LOCALES[language], options);
  NUMBERS.set(key, format);
  return format;
}

/** A capacity as a customer reads it: `1.5 GB`, `1,5 GB`, `1,5 Go`. */
export function capacityIn(language: Language, mib: number): string {
  const [mb, gb, tb] = PAPER_WORDS[language].units;
  const plain = numbers(language, { maximumFractionDigits: 2 });
  if (mib !== 0 && mib < MIB_PER_GB) return `${plain.format(mib)} ${mb}`;
  const size = mib / MIB_PER_GB;
  return size >= 1024 && size % 1024 === 0 ? `${plain.format(size / 1024)} ${tb}` : `${plain.format(size)} ${gb}`;
}

/** A figure as a customer reads it: `1.35`, `1,35`. */
export const figureIn = (language: Language, value: number): string =>
  numbers(language, { maximumFractionDigits: 2 }).format(value);

/** A rate as a customer reads it: `20%`, `5,5 %`. */
export function percentIn(language: Language, bp: number): string {
  return numbers(language, { style: 'percent', maximumFractionDigits: 2 }).format(bp / 10_000);
}

/** An amount as a customer reads it. */
export const moneyIn = (language: Language, minor: number, currency: string): string =>
  moneyText(minor, currency, LOCALES[language]);

/** What a quote is written in; quotes of before languages were told are in English. */
export const languageOfQuote = ({ language = 'en' }: { language?: Language | undefined }): Language => language;

/** The words of a quote's language. */
export const wordsOf = (quote: { language?: Language | undefined }): PaperWords => PAPER_WORDS[languageOfQuote(quote)];

/** Where its numbers and days are written so (BCP 47). */
export const localeOf = (quote: { language?: Language | undefined }): string => LOCALES[languageOfQuote(quote)];

/** Hebrew and Arabic letters, with their forms. */
export const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/;

/** A name within a sentence: what is read from right to left in it leaves the sentence as it is (Unicode Standard Annex 9, 2.4). */
export const isolated = (name: string): string => (RIGHT_TO_LEFT.test(name) ? `\u2068${name}\u2069` : name);
