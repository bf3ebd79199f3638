import type { TaxRounding, TaxWay } from '@/core/pricing/bill';
import type { Charges } from '@/core/pricing/charges';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
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
  };
}

/** The charges that were typed, or what is wrong with them. */
export function readCharges(typed: TypedCharges, currency: string): Read<TypedCharges, Charges> {
  const money = (text: string): number | null => {
    const cents = parseMoneyIn(text, currency);
    return cents === null || cents < 0 ? null : cents;
  };
  const isRate = (text: string): boolean => !isTyped(text) || parsePercent(text) !== null;
  const noRate = 'A tax rate is a percentage from 0 to 100; empty, it is as for parts.';
  const noMoney = 'Type what work costs as an amount, such as 29.00.';
  const taxBp = parsePercent(typed.taxBp);
  const labourHourCents = isTyped(typed.labourHourCents) ? money(typed.labourHourCents) : null;
  const labourStepMinutes = wholeTyped(typed.labourStepMinutes, 3) ?? 0;
  const validityDays = wholeTyped(typed.validityDays, 3) ?? 0;
  const looked = {
    labourCents: money(typed.labourCents) === null && noMoney,
    labourHourCents: isTyped(typed.labourHourCents) && labourHourCents === null && noMoney,
    labourLeastCents: money(typed.labourLeastCents) === null && noMoney,
    labourStepMinutes:
      (labourStepMinutes < 1 || labourStepMinutes > 120) && 'Time counts in steps of 1 to 120 minutes.',
    validityDays: (validityDays < 1 || validityDays > 365) && 'Prices hold for 1 to 365 days.',
    taxBp: taxBp === null && 'A tax rate is a percentage from 0 to 100, such as 20.',
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
  }));
}
