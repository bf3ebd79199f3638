import type { Language } from '@/core/language';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { percentText } from '@/core/pricing/percent-text';
import type { Deposit, Discount, QuoteTerms } from '@/core/quoting/terms-schema';

/** Terms as they are typed. */
export interface TypedTerms {
  discount: string;
  reason: string;
  fees: readonly { text: string; amount: string }[];
  deposit: string;
  validUntil: string;
  language: Language | '';
  note: string;
}

/** `5 %`, `2.5%` as hundredths of a percent; null: it is no share. A number without its sign is an amount. */
export const parseShare = (text: string): number | null => (text.includes('%') ? parsePercent(text) : null);

/** A share or an amount: `5 %`, `12.50`; null: it is neither. */
function parseEither(
  text: string,
  currency: string,
): { kind: 'share'; bp: number } | { kind: 'amount'; cents: number } | null {
  const bp = parseShare(text);
  if (bp !== null) return { kind: 'share', bp };
  const cents = parseMoneyIn(text, currency);
  return cents === null ? null : { kind: 'amount', cents };
}

const eitherText = (value: Deposit | null, currency: string): string =>
  value === null ? '' : value.kind === 'share' ? percentText(value.bp) : plainMoney(value.cents, currency);

export function typedTerms(terms: QuoteTerms, currency: string): TypedTerms {
  return {
    discount: eitherText(terms.discount, currency),
    reason: terms.discount?.reason ?? '',
    fees: terms.fees.map(({ text, cents }) => ({ text, amount: plainMoney(cents, currency) })),
    deposit: eitherText(terms.deposit, currency),
    validUntil: terms.validUntil ?? '',
    language: terms.language ?? '',
    note: terms.note,
  };
}

/** The terms that were typed, or what is wrong with them in one sentence. */
export function readTerms(
  typed: TypedTerms,
  currency: string,
): { ok: true; terms: QuoteTerms } | { ok: false; sentence: string } {
  const wrong = (sentence: string) => ({ ok: false as const, sentence });
  const off = typed.discount.trim() === '' ? null : parseEither(typed.discount, currency);
  if (typed.discount.trim() !== '' && off === null)
    return wrong('Type the discount as 5 % or as an amount such as 10.00.');
  if (off !== null && typed.reason.trim() === '') return wrong('A discount needs its reason: the customer reads it.');
  const discount: Discount | null = off === null ? null : { ...off, reason: typed.reason.trim() };
  const fees: QuoteTerms['fees'] = [];
  for (const { text, amount } of typed.fees) {
    if (text.trim() === '' && amount.trim() === '') continue;
    const cents = parseMoneyIn(amount, currency);
    if (cents === null) return wrong(`Type what ${text.trim() || 'the fee'} costs, such as 5.00.`);
    fees.push({ text: text.trim(), cents });
  }
  const deposit = typed.deposit.trim() === '' ? null : parseEither(typed.deposit, currency);
  if (typed.deposit.trim() !== '' && deposit === null)
    return wrong('Type the deposit as 20 % or as an amount such as 30.00.');
  const { validUntil, language, note } = typed;
  return {
    ok: true,
    terms: { discount, fees, deposit, validUntil: validUntil || null, language: language || null, note },
  };
}
