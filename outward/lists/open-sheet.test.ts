import { strToU8, zipSync } from 'fflate';
import { readWhole } from '../../testing/lists';
import { readWorkbook } from './workbook';

const LIMITS = { rows: 50, columns: 20, bytes: 1024 * 1024 };

const NAMES = [
  'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"',
  'xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"',
  'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"',
  'xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"',
].join(' ');

const p = (text: string) => `<text:p>${text}</text:p>`;
const text = (words: string, more = '') =>
  `<table:table-cell office:value-type="string" ${more}>${p(words)}</table:table-cell>`;
const number = (value: number | string, shown = String(value)) =>
  `<table:table-cell office:value-type="float" office:value="${value}">${p(shown)}</table:table-cell>`;
const empty = (repeated = 1) => `<table:table-cell table:number-columns-repeated="${repeated}"/>`;
const row = (cells: string, repeated = 1) =>
  `<table:table-row table:number-rows-repeated="${repeated}">${cells}</table:table-row>`;
const table = (rows: string, style = 'ta1') =>
  `<table:table table:name="Prices" table:style-name="${style}">${rows}</table:table>`;

/** A spreadsheet as office programs pack it. */
const sheetOf = (tables: string, styles = ''): Uint8Array =>
  zipSync({
    mimetype: strToU8('application/vnd.oasis.opendocument.spreadsheet'),
    'content.xml': strToU8(
      `<?xml version="1.0"?><office:document-content ${NAMES}><office:automatic-styles>${styles}</office:automatic-styles><office:body><office:spreadsheet>${tables}</office:spreadsheet></office:body></office:document-content>`,
    ),
  });

const rowsOf = async (tables: string, styles = '') => {
  const read = await readWorkbook(sheetOf(tables, styles), LIMITS);
  if (!read.ok) throw new Error(read.sentence);
  return read.rows;
};

describe('an OpenDocument sheet', () => {
  it('gives texts, numbers as a list prints them, days, and yes or no', async () => {
    const day = `<table:table-cell office:value-type="date" office:date-value="2026-11-25T00:00:00">${p('25.11.26')}</table:table-cell>`;
    const yes = `<table:table-cell office:value-type="boolean" office:boolean-value="true">${p('WAHR')}</table:table-cell>`;
    const money = `<table:table-cell office:value-type="currency" office:currency="EUR" office:value="19.9">${p('19,90 €')}</table:table-cell>`;
    expect(await rowsOf(table(row(text('Corrick 8GB') + number(12) + money + day + yes)))).toEqual([
      { line: 1, cells: ['Corrick 8GB', '12', '19.90', '2026-11-25', 'yes'] },
    ]);
  });

  it('has its places where rows and cells only repeat, and no notes in its texts', async () => {
    const noted = `<table:table-cell office:value-type="string"><office:annotation>${p('ask Bo')}</office:annotation>${p('A<text:s/>1')}</table:table-cell>`;
    const rows = table(
      row(empty(16_384), 3) +
        row(empty(2) + noted) +
        row(text('x', 'table:number-columns-repeated="3"'), 2) +
        row(empty(16_384), 1_048_000),
    );
    expect(await rowsOf(rows)).toEqual([
      { line: 4, cells: ['', '', 'A 1'] },
      { line: 5, cells: ['x', 'x', 'x'] },
      { line: 6, cells: ['x', 'x', 'x'] },
    ]);
  });

  it('is the fullest table that is not hidden', async () => {
    const styles =
      '<style:style style:name="ta2" style:family="table"><style:table-properties table:display="false"/></style:style>';
    const many = table(row(text('hidden')) + row(text('hidden')) + row(text('hidden')), 'ta2');
    const own = table(row(text('a')) + row(text('b')));
    expect((await rowsOf(many + table(row(text('few'))) + own, styles)).map(({ cells }) => cells[0])).toEqual([
      'a',
      'b',
    ]);
  });

  it.each([
    ['a row said to repeat without end', table(row(text('x'), 900_000_000)), 'At most 50 rows'],
    [
      'a cell said to repeat without end',
      table(row(text('x', 'table:number-columns-repeated="900000"'))),
      'over 20 columns',
    ],
    ['far more than it looks', table(row(text('x'.repeat(2_000_000)))), 'far larger than it looks'],
  ])('with %s is refused in a sentence', async (_, tables, sentence) => {
    const read = await readWorkbook(sheetOf(tables), LIMITS);
    expect(read.ok ? '' : read.sentence).toContain(sentence);
  });

  it('is damaged where it is no XML', async () => {
    const read = await readWorkbook(zipSync({ 'content.xml': strToU8('<office:document <') }), LIMITS);
    expect(read).toMatchObject({ ok: false, sentence: expect.stringContaining('damaged') });
  });

  it('is a price list like any other', async () => {
    const heads = ['Art.-Nr.', 'Bezeichnung', 'EK netto', 'Herkunft'].map((one) => text(one)).join('');
    const offer = (sku: string, price: number, origin: string) =>
      row(text(sku) + text('Corrick 8GB DDR4-2666 SO-DIMM CL19') + number(price) + text(origin));
    const input = sheetOf(table(row(heads) + offer('K-1', 19.9, 'kompatibel') + offer('K-2', 34, 'Original')));
    const { end, lines } = await readWhole(input);
    expect(end?.used.columns).toMatchObject({ sku: 0, title: 1, price: 2, origin: 3 });
    expect(lines).toHaveLength(2);
  });
});
