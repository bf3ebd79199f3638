import type { TaxRounding, TaxWay } from '@/core/pricing/bill';
import type { Charges } from '@/core/pricing/charges';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped, wholeTyped } from '../kit/form/read-typed';

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
    invoiceDays: String(charges.invoiceDays),
  };
}

/** The charges that were typed, or what is wrong with them. */
export function readCharges(
  t: StaffWords<'settings'>,
  typed: TypedCharges,
  currency: string,
): Read<TypedCharges, Charges> {
  const money = (text: string): number | null => {
    const cents = parseMoneyIn(text, currency);
    return cents === null || cents < 0 ? null : cents;
  };
  const isRate = (text: string): boolean => !isTyped(text) || parsePercent(text) !== null;
  const noRate = t('charges.faults.rate');
  const noMoney = t('charges.faults.work');
  const taxBp = parsePercent(typed.taxBp);
  const labourHourCents = isTyped(typed.labourHourCents) ? money(typed.labourHourCents) : null;
  const labourStepMinutes = wholeTyped(typed.labourStepMinutes, 3) ?? 0;
  const validityDays = wholeTyped(typed.validityDays, 3) ?? 0;
  const invoiceDays = wholeTyped(typed.invoiceDays, 3);
  const looked = {
    labourCents: money(typed.labourCents) === null && noMoney,
    labourHourCents: isTyped(typed.labourHourCents) && labourHourCents === null && noMoney,
    labourLeastCents: money(typed.labourLeastCents) === null && noMoney,
    labourStepMinutes: (labourStepMinutes < 1 || labourStepMinutes > 120) && t('charges.faults.steps'),
    validityDays: (validityDays < 1 || validityDays > 365) && t('charges.faults.days'),
    invoiceDays: (invoiceDays === null || invoiceDays > 365) && t('charges.faults.invoiceDays'),
    taxBp: taxBp === null && t('charges.faults.tax'),
    labourTaxBp: !isRate(typed.labourTaxBp) && noRate,
    feeTaxBp: !isRate(typed.feeTaxBp) && noRate,
    creditTaxBp: !isRate(typed.creditTaxBp) && noRate,
  };
  return readTyped<TypedCharges, Charges>(looked, () => ({
    taxBp: taxBp ?? 0,
    taxWay: typed.taxWay as TaxWay,
    taxRounding: typed.taxRounding as TaxRounding,
    labourTaxBp: parsePercent(typed.labourTaxBp),
    feeTaxBp: parsePercent(typed.feeTaxBp),
    creditTaxBp: parsePercent(typed.creditTaxBp),
    labourCents: money(typed.labourCents) ?? 0,
    labourHourCents,
    labourLeastCents: money(typed.labourLeastCents) ?? 0,
    labourStepMinutes,
    validityDays,
    invoiceDays: invoiceDays ?? 0,
  }));
}
