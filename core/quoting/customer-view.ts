import type { Language } from '../language';
import type { QuoteOption, QuoteSnapshot } from './snapshot';

/** An option as the customer may see it: without the shop's side. */
export type CustomerOption = Omit<QuoteOption, 'shop'>;
/** A quote as the customer may see it. */
export type CustomerQuote = Omit<QuoteSnapshot, 'options'> & { options: CustomerOption[] };

/** What a job's draft offers on the screen turned to the customer. Capacity MiB, money minor units. */
export interface CustomerScreen {
  jobId: number;
  language: Language;
  currency: string;
  /** as people say it; empty: nobody has said */
  machine: string;
  todayMiB: number;
  /** the customer pays no tax */
  isExempt: boolean;
  /** tax is added to the shop's prices */
  isTaxAdded: boolean;
  options: CustomerOption[];
}

/**
 * Takes everything off a quote that only the shop may see. What leaves the shop is made from this and from
 * nothing else. Each field is named, so that a new one stays inside until somebody decides otherwise.
 */
export function customerView(quote: QuoteSnapshot): CustomerQuote {
  const { fenbrik, number, sentOn, validUntil, currency, language, taxWay, taxRounding, exempt, changes, note } = quote;
  const { taxBp, suggested, guarantee, perGb, texts } = quote;
  return {
    fenbrik,
    number,
    sentOn,
    validUntil,
    currency,
    ...(language !== undefined && { language }),
    ...(taxWay !== undefined && { taxWay }),
    ...(taxRounding !== undefined && { taxRounding }),
    ...(exempt !== undefined && { exempt }),
    ...(changes !== undefined && { changes }),
    ...(note !== undefined && { note }),
    taxBp,
    ...(guarantee !== undefined && { guarantee }),
    ...(perGb !== undefined && { perGb }),
    ...(texts !== undefined && { texts }),
    suggested,
    shop: quote.shop,
    customer: quote.customer,
    machine: quote.machine,
    options: quote.options.map((option) => ({
      place: option.place,
      lane: option.lane,
      reuse: option.reuse,
      care: option.care,
      totalMiB: option.totalMiB,
      addedMiB: option.addedMiB,
      ...(option.machines !== undefined && { machines: option.machines }),
      ...(option.groups !== undefined && {
        groups: option.groups.map((group) => ({
          name: group.name,
          machines: group.machines,
          lane: group.lane,
          reuse: group.reuse,
          care: group.care,
          totalMiB: group.totalMiB,
          addedMiB: group.addedMiB,
          rateMTs: group.rateMTs,
          channelsText: group.channelsText,
          openSlots: group.openSlots,
          before: group.before,
          after: group.after,
          oldModules: group.oldModules,
          ...(group.maker !== undefined && { maker: group.maker }),
        })),
      }),
      rateMTs: option.rateMTs,
      channelsText: option.channelsText,
      openSlots: option.openSlots,
      before: option.before,
      after: option.after,
      oldModules: option.oldModules,
      warnings: option.warnings,
      ...(option.statements !== undefined && { statements: option.statements }),
      leadDays: option.leadDays,
      lines: option.lines.map(({ kind, text, about, origin, quantity, eachCents, totalCents, taxBp: bp }) => ({
        kind,
        text,
        ...(about !== undefined && { about }),
        origin,
        quantity,
        eachCents,
        totalCents,
        ...(bp !== undefined && { taxBp: bp }),
      })),
      totalCents: option.totalCents,
      taxCents: option.taxCents,
      ...(option.taxes !== undefined && { taxes: option.taxes }),
      ...(option.partsOnly !== undefined && { partsOnly: option.partsOnly }),
      ...(option.depositCents !== undefined && { depositCents: option.depositCents }),
      ...(option.maker !== undefined && { maker: option.maker }),
      savingCents: option.savingCents,
      savingPercent: option.savingPercent,
    })),
  };
}
