import Papa from 'papaparse';
import { orderTotal, type PartOrderPaper } from '../../core/ordering/part-order';
import { plainMoney } from '../../core/pricing/currency';
import { guarded } from './csv-cell';

const HEADINGS = [
  'order',
  'of',
  'seller',
  'part',
  'title',
  'quantity',
  'modules in a pack',
  'each',
  'amount',
  'currency',
  'for',
];

/** An order's lines as CSV (RFC 4180), safe to open in a spreadsheet; the last row is what they come to. */
export function orderCsv(order: PartOrderPaper): string {
  const money = (minor: number): string => plainMoney(minor, order.currency);
  const head = [order.number, order.orderedOn, guarded(order.seller)];
  const rows = order.lines.map(({ sellerPart, title, quantity, modules, eachCents, job }) => [
    ...head,
    guarded(sellerPart ?? ''),
    guarded(title),
    String(quantity),
    String(modules),
    money(eachCents),
    money(quantity * eachCents),
    order.currency,
    `job ${job}`,
  ]);
  const total = [...head, '', 'total', '', '', '', money(orderTotal(order)), order.currency, ''];
  return `${Papa.unparse([HEADINGS, ...rows, total], { newline: '\r\n' })}\r\n`;
}
