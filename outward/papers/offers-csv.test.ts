import Papa from 'papaparse';
import { MODULE_OF_8_GB } from '../../core/memory/samples';
import { offersCsv } from './offers-csv';

const OFFER = {
  title: 'Corrick 8 GB, "new"',
  sellerName: null,
  origin: 'used',
  modules: 2,
  module: { ...MODULE_OF_8_GB, casLatency: null },
  stock: null,
  leadDays: 0,
  costCents: 905,
  sellCents: 1600,
  pricedAt: '2026-11-25T10:00:00.000Z',
} as const;

const rowsOf = (csv: string) => Papa.parse<string[]>(csv.trimEnd()).data;

test('an offer is a line, what nobody said is empty, and quotes and commas stay in their cell', () => {
  const [headings = [], row = []] = rowsOf(offersCsv([OFFER], 'EUR'));
  const cell = (name: string) => row[headings.indexOf(name)];
  expect(row.length).toBe(headings.length);
  expect(['text', 'seller', 'capacity GB', 'CL', 'stock', 'days', 'cost', 'price with tax'].map(cell)).toEqual([
    'Corrick 8 GB, "new"',
    'Stock',
    '8',
    '',
    '',
    '0',
    '9.05',
    '16.00',
  ]);
});

test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1'])(
  'a text that is a formula is none in the file: %j',
  (title) => {
    const [, row = []] = rowsOf(offersCsv([{ ...OFFER, title, module: OFFER.module }], 'EUR'));
    expect(row[0]).toBe(`'${title}`);
  },
);
