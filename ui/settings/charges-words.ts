import type { TaxRounding, TaxWay } from '@/core/pricing/bill';
import type { Charges } from '@/core/pricing/charges';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';

export type TypedCharges = Record<keyof Charges, string>;
const percentText = (bp: number | null): string => (bp === null ? '' : String(bp / 100));

export function typedCharges(charges: Charges, currency: string): TypedCharges {
  return {
    taxBp: percentText(charges.taxBp),
    taxWay: charges.taxWay,
    taxRounding: charges.taxRounding,
    labourTaxBp: percentText(charges.labourTaxBp),
    feeTaxBp: percentText(charges.feeTaxBp),
    creditTaxBp: percentText(charges.creditTaxBp),
    labourCents: plainMoney(charges.labourCents, currency),
    labourHourCents: charges.labourHourCents === null ? '' : plainMoney(charges.labourHourCents, currency),
    labourLeastCents: plainMoney(charges.labourLeastCents, currency),
    labourStepMinutes: String(charges.labourStepMinutes),
    validityDays: String(charges.validityDays),
  };
}

/** The charges that were typed, or what is wrong with them. */
export function readCharges(
  typed: TypedCharges,
  currency: string,
): { ok: true; charges: Charges } | { ok: false; sentence: string } {
  const money = (text: string): number | null => {
    const cents = parseMoneyIn(text, currency);
    return cents === null || cents < 0 ? null : cents;
  };
  const whole = (text: string): number | null => (/^\d{1,3}$/.test(text.trim()) ? Number(text) : null);
  const taxBp = parsePercent(typed.taxBp);
  if (taxBp === null) return { ok: false, sentence: 'A tax rate is a percentage from 0 to 100, such as 20.' };
  const others = [typed.labourTaxBp, typed.feeTaxBp, typed.creditTaxBp].map((text) =>
    text.trim() === '' ? { ok: true, bp: null } : { ok: parsePercent(text) !== null, bp: parsePercent(text) },
  );
  if (others.some(({ ok }) => !ok))
    return { ok: false, sentence: 'A tax rate is a percentage from 0 to 100; empty, it is as for parts.' };
  const labourCents = money(typed.labourCents);
  const labourLeastCents = money(typed.labourLeastCents);
  const labourHourCents = typed.labourHourCents.trim() === '' ? null : money(typed.labourHourCents);
  if (
    labourCents === null ||
    labourLeastCents === null ||
    (typed.labourHourCents.trim() !== '' && labourHourCents === null)
  )
    return { ok: false, sentence: 'Type what work costs as an amount, such as 29.00.' };
  const labourStepMinutes = whole(typed.labourStepMinutes);
  if (labourStepMinutes === null || labourStepMinutes < 1 || labourStepMinutes > 120)
    return { ok: false, sentence: 'Time counts in steps of 1 to 120 minutes.' };
  const validityDays = whole(typed.validityDays);
  if (validityDays === null || validityDays < 1 || validityDays > 365)
    return { ok: false, sentence: 'Prices hold for 1 to 365 days.' };
  return {
    ok: true,
    charges: {
      taxBp,
      taxWay: typed.taxWay as TaxWay,
      taxRounding: typed.taxRounding as TaxRounding,
      labourTaxBp: others[0]?.bp ?? null,
      feeTaxBp: others[1]?.bp ?? null,
      creditTaxBp: others[2]?.bp ?? null,
      labourCents,
      labourHourCents,
      labourLeastCents,
      labourStepMinutes,
      validityDays,
    },
  };
}
