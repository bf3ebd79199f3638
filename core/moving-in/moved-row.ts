import type { KnownModule } from '../machine/slots/job-slot';
import { knownOf } from '../machine/slots/slots-of-reading';
import type { MemoryModule } from '../memory/module';
import { wholeModule } from '../price-list/whole-module';
import { parseMoney } from '../pricing/parse-money';
import { readListing } from '../reading/listing/listing';
import type { MovedColumns, MovedRole } from './columns';

/** A customer with a machine as a former program kept them. */
export interface MovedCustomer {
  line: number;
  name: string;
  phone: string;
  email: string;
  maker: string;
  model: string;
  serial: string;
  note: string;
  /** `YYYY-MM-DD`; null: it is not told, or is no day */
  day: string | null;
}

/** Modules in stock as a former program counted them. Money minor units. */
export interface MovedStock {
  line: number;
  label: string;
  module: MemoryModule;
  quantity: number;
  costCents: number;
  place: string;
  used: boolean;
  serial: string;
}

export type MovedRow<T> = { ok: true; row: T } | { ok: false; line: number; sentence: string };

/** What a row has in the column of a role, blanks in one. */
export const cellOf = (cells: readonly string[], columns: MovedColumns, role: MovedRole, most: number): string => {
  const at = columns[role];
  return at === undefined ? '' : (cells[at] ?? '').replace(/\s+/g, ' ').trim().slice(0, most);
};

/** A day as programs write it: `2024-03-31`, `31.03.2024`, `31/03/2024`; null for anything else. */
export function dayOf(text: string): string | null {
  const iso = /^(\d{4})-(\d{2})-(\d{2})/.exec(text);
  const european = /^(\d{1,2})[./](\d{1,2})[./](\d{4})/.exec(text);
  const [year, month, day] =
    iso !== null ? iso.slice(1, 4) : european !== null ? [european[3], european[2], european[1]] : [];
  if (year === undefined || month === undefined || day === undefined) return null;
  const written = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const date = new Date(`${written}T00:00:00Z`);
  const is = !Number.isNaN(date.getTime()) && date.toISOString().slice(0, 10) === written;
  return is && year >= '1980' && year <= '2100' ? written : null;
}

const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/;

/** Reads a customer with a machine; a row without a name and without a machine is none. */
export function movedCustomer(cells: readonly string[], columns: MovedColumns, line: number): MovedRow<MovedCustomer> {
  const first = cellOf(cells, columns, 'firstName', 60);
  const last = cellOf(cells, columns, 'name', 60);
  const email = cellOf(cells, columns, 'email', 200);
  const row = {
    line,
    name: `${first} ${last}`.trim(),
    phone: cellOf(cells, columns, 'phone', 60),
    email,
    maker: cellOf(cells, columns, 'maker', 120),
    model: cellOf(cells, columns, 'model', 160),
    serial: cellOf(cells, columns, 'serial', 120),
    note: cellOf(cells, columns, 'note', 2_000),
    day: dayOf(cellOf(cells, columns, 'day', 40)),
  };
  if (row.name === '' && row.serial === '' && row.model === '')
    return { ok: false, line, sentence: 'it names no customer and no machine' };
  if (email !== '' && !MAIL.test(email)) return { ok: false, line, sentence: `“${email}” is no mail address` };
  return { ok: true, row };
}

const USED = /used|refurb|gebraucht|occasion|usado|usato|gebruikt|second/i;
const MOST_PIECES = 500;

/** Reads modules in stock; @param decimals of the shop's currency */
export function movedStock(
  cells: readonly string[],
  columns: MovedColumns,
  line: number,
  decimals: number,
): MovedRow<MovedStock> {
  const label = cellOf(cells, columns, 'label', 300);
  if (label === '') return { ok: false, line, sentence: 'it does not say what it is' };
  const reading = readListing(label);
  const known: KnownModule = knownOf(reading.module);
  const module = wholeModule(known);
  if (module === null)
    return { ok: false, line, sentence: 'its text does not tell capacity, generation, form factor and rate' };
  const counted = cellOf(cells, columns, 'quantity', 20);
  const quantity = counted === '' ? 1 : Number(counted.replace(/[.,]0+$/, ''));
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > MOST_PIECES)
    return { ok: false, line, sentence: `“${counted}” is no quantity from 1 to ${MOST_PIECES}` };
  const cost = cellOf(cells, columns, 'cost', 40).replace(/[^\d.,]/g, '');
  const costCents = cost === '' ? null : parseMoney(cost, decimals);
  if (costCents === null || costCents <= 0) return { ok: false, line, sentence: 'it has no purchase price above 0' };
  const used = USED.test(cellOf(cells, columns, 'condition', 40)) || reading.offer.condition === 'used';
  const serial = quantity === 1 ? cellOf(cells, columns, 'serial', 80) : '';
  return {
    ok: true,
    row: { line, label, module, quantity, costCents, place: cellOf(cells, columns, 'place', 80), used, serial },
  };
}
