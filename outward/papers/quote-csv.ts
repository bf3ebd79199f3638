import Papa from 'papaparse';
import { plainMoney } from '../../core/pricing/currency';
import type { CustomerQuote } from '../../core/quoting/customer-view';
import { guarded } from './csv-cell';

const HEADINGS = [
  'quote',
  'of',
  'holds until',
  'option',
  'total MiB',
  'kind',
  'text',
  'quantity',
  'each',
  'amount',
  'tax %',
  'currency',
  'about',
];

/**
 * A quote's lines as CSV (RFC 4180), safe to open in a spreadsheet; each option ends with a row for each tax and one for its
 * total with tax. Amounts have a point and all decimals of their currency.
 */
export function quoteCsv(quote: CustomerQuote): string {
  const { currency } = quote;
  const money = (minor: number): string => plainMoney(minor, currency);
  const percent = (bp: number | null | undefined): string => (bp == null ? '' : String(bp / 100));
  const rows = quote.options.flatMap((option) => {
    const head = [quote.number, quote.sentOn, quote.validUntil, String(option.place), String(option.totalMiB)];
    const { taxCents, totalCents } = option;
    const taxes = option.taxes ?? [{ taxBp: quote.taxBp, netCents: totalCents - taxCents, taxCents }];
    return [
      ...option.lines.map((line) => [
        ...head,
        line.kind,
        guarded(line.text),
        String(line.quantity),
        money(line.eachCents),
        money(line.totalCents),
        percent(line.taxBp ?? (line.taxBp === null ? null : quote.taxBp)),
        currency,
        guarded(line.about ?? ''),
      ]),
      ...taxes.map((tax) => [...head, 'tax', '', '', '', money(tax.taxCents), percent(tax.taxBp), currency, '']),
      [...head, 'total', '', '', '', money(option.totalCents), '', currency, ''],
    ];
  });
  return `${Papa.unparse([HEADINGS, ...rows], { newline: '\r\n' })}\r\n`;
}
