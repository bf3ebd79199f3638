import type { Language } from '@/core/language';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { percentText } from '@/core/pricing/percent-text';
import type { Deposit, QuoteTerms } from '@/core/quoting/terms-schema';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';

/** Terms as they are typed; other lines are not typed with them. */
export interface TypedTerms {
  discount: string;
  reason: string;
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
    deposit: eitherText(terms.deposit, currency),
    validUntil: terms.validUntil ?? '',
    language: terms.language ?? '',
    note: terms.note,
  };
}

/**
 * The terms that were typed, or what is wrong with them.
 *
 * @param extras the other lines, which stay as they are
 */
export function readTerms(
  t: StaffWords<'quote'>,
  typed: TypedTerms,
  { currency, extras }: { currency: string; extras: QuoteTerms['extras'] },
): Read<TypedTerms, QuoteTerms> {
  const off = isTyped(typed.discount) ? parseEither(typed.discount, currency) : null;
  const deposit = isTyped(typed.deposit) ? parseEither(typed.deposit, currency) : null;
  const reason = typed.reason.trim();
  const looked = {
    discount: isTyped(typed.discount) && off === null && t('faults.discount'),
    reason: off !== null && reason === '' && t('faults.reason'),
    deposit: isTyped(typed.deposit) && deposit === null && t('faults.deposit'),
  };
  const { validUntil, language, note } = typed;
  return readTyped<TypedTerms, QuoteTerms>(looked, () => ({
    discount: off === null ? null : { ...off, reason },
    extras,
    deposit,
    validUntil: validUntil || null,
    language: language || null,
    note,
  }));
}
