import { strToU8, zipSync } from 'fflate';
import { readWhole } from '../../testing/lists';
import { readWorkbook } from './workbook';

const LIMITS = { rows: 1000, columns: 200, bytes: 4 * 1024 * 1024 };
const MAIN = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
const LINKS = 'xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"';

interface Book {
  sheets: { name: string; xml: string; state?: string }[];
  strings?: string[];
  styles?: string;
  more?: Record<string, Uint8Array>;
}

/** A workbook as a program that writes them would pack it. */
function bookOf({ sheets, strings = [], styles, more = {} }: Book): Uint8Array {
  const list = sheets
    .map(
      ({ name, state }, at) =>
        `<sheet name="${name}" sheetId="${at + 1}" r:id="rId${at + 1}"${state === undefined ? '' : ` state="${state}"`}/>`,
    )
    .join('');
  const links = sheets
    .map((_, at) => `<Relationship Id="rId${at + 1}" Type="sheet" Target="worksheets/sheet${at + 1}.xml"/>`)
    .join('');
  return zipSync({
    'xl/workbook.xml': strToU8(`<workbook ${MAIN} ${LINKS}><sheets>${list}</sheets></workbook>`),
    'xl/_rels/workbook.xml.rels': strToU8(`<Relationships>${links}</Relationships>`),
    'xl/sharedStrings.xml': strToU8(`<sst ${MAIN}>${strings.map((text) => `<si>${text}</si>`).join('')}</sst>`),
    ...(styles !== undefined && { 'xl/styles.xml': strToU8(styles) }),
    ...Object.fromEntries(
      sheets.map(({ xml }, at) => [
        `xl/worksheets/sheet${at + 1}.xml`,
        strToU8(`<worksheet ${MAIN}>${xml}</worksheet>`),
      ]),
    ),
    ...more,
  });
}

const text = (reference: string, value: string) => `<c r="${reference}" t="inlineStr"><is><t>${value}</t></is></c>`;
const number = (reference: string, value: number | string, style = 0) =>
  `<c r="${reference}" s="${style}"><v>${value}</v></c>`;
const row = (line: number, ...cells: string[]) => `<row r="${line}">${cells.join('')}</row>`;
const sheet = (...rows: string[]) => `<sheetData>${rows.join('')}</sheetData>`;
const one = (xml: string, more: Partial<Book> = {}) => bookOf({ sheets: [{ name: 'Prices', xml }], ...more });
const cellsOf = async (book: Uint8Array) => {
  const read = await readWorkbook(book, LIMITS);
  if (!read.ok) throw new Error(read.sentence);
  return read.rows;
};

describe('a workbook', () => {
  it('gives texts, shared or not, numbers as a list prints them, days, and what a formula last showed', async () => {
    const styles = `<styleSheet ${MAIN}><numFmts><numFmt numFmtId="170" formatCode="[$-407]d/ mmm yy;@"/><numFmt numFmtId="171" formatCode="0.00&quot; a day&quot;"/></numFmts>
      <cellStyleXfs><xf numFmtId="14"/></cellStyleXfs><cellXfs><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="170"/><xf numFmtId="171"/></cellXfs></styleSheet>`;
    const book = one(
      sheet(
        row(
          3,
          '<c r="A3" t="s"><v>0</v></c>',
          text('B3', 'as &lt;it&gt; is'),
          number('C3', 19.990000000000002),
          number('D3', 4711),
          number('F3', 46351, 1),
          number('G3', 46351.5, 2),
          number('H3', 1.5, 3),
          '<c r="I3"><f>SUM(A1:A9)</f><v>24.5</v></c>',
          '<c r="J3" t="str"><f>CMD()</f><v>shown</v></c>',
          '<c r="K3"><f>A1</f></c>',
          '<c r="L3" t="e"><v>#REF!</v></c>',
          '<c r="M3" t="b"><v>1</v></c>',
        ),
      ),
      { strings: ['<r><t>two </t></r><r><t>parts</t></r><rPh><t>read out</t></rPh>'], styles },
    );
    expect(await cellsOf(book)).toEqual([
      {
        line: 3,
        cells: [
          'two parts',
          'as <it> is',
          '19.99',
          '4711',
          '',
          '2026-11-25',
          '2026-11-25',
          '1.50',
          '24.50',
          'shown',
          '',
          '',
          'yes',
        ],
      },
    ]);
  });

  it('is its fullest visible sheet', async () => {
    const book = bookOf({
      sheets: [
        { name: 'Cover', xml: sheet(row(1, text('A1', 'Welcome'))) },
        {
          name: 'Costs',
          state: 'hidden',
          xml: sheet(row(1, text('A1', 'x')), row(2, text('A2', 'y')), row(3, text('A3', 'z'))),
        },
        { name: 'Prices', xml: sheet(row(1, text('A1', 'SKU')), row(2, text('A2', 'A-1'))) },
      ],
    });
    expect((await cellsOf(book)).map(({ cells }) => cells)).toEqual([['SKU'], ['A-1']]);
  });

  it('has merged headings in each of their columns', async () => {
    const book = one(
      `${sheet(row(1, text('A1', 'Module')), row(2, text('A2', 'SKU'), text('B2', 'Text')), row(3, text('A3', 'a'), text('B3', 'b')))}
       <mergeCells><mergeCell ref="A1:B1"/><mergeCell ref="C1:XFD1048576"/></mergeCells>`,
    );
    expect((await cellsOf(book)).map(({ cells }) => cells)).toEqual([
      ['Module', 'Module'],
      ['SKU', 'Text'],
      ['a', 'b'],
    ]);
  });

  it('that announces a milliard rows is read as far as it goes', async () => {
    const book = one(
      `<dimension ref="A1:XFD1000000000"/>${sheet(row(1, text('A1', 'SKU')), row(1_000_000_000, text('A1000000000', 'last')))}`,
    );
    expect(await cellsOf(book)).toEqual([
      { line: 1, cells: ['SKU'] },
      { line: 1_000_000_000, cells: ['last'] },
    ]);
  });

  it('runs nothing: macros and links are parts that nobody opens, entities stay what they are', async () => {
    const xml = sheet(row(1, text('A1', 'SKU'), text('B1', '=HYPERLINK(1)')));
    const more = {
      'xl/vbaProject.bin': new Uint8Array(1000).fill(7),
      'xl/externalLinks/externalLink1.xml': strToU8('<broken'),
    };
    expect((await cellsOf(one(xml, { more })))[0]?.cells).toEqual(['SKU', '=HYPERLINK(1)']);
    const bomb = `<!DOCTYPE x [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;">]><worksheet ${MAIN}>${sheet(row(1, text('A1', '&b;')))}</worksheet>`;
    const hostile = one(xml, { more: { 'xl/worksheets/sheet1.xml': strToU8(bomb) } });
    expect(await readWorkbook(hostile, LIMITS)).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('damaged'),
    });
  });

  it.each([
    ['far larger than it looks', one(sheet(row(1, text('A1', 'x'.repeat(5_000_000)))))],
    [
      'At most 1000 rows',
      one(sheet(...Array.from({ length: 1001 }, (_, at) => row(at + 1, number(`A${at + 1}`, at))))),
    ],
    ['over 200 columns', one(sheet(row(1, text('GS1', 'x'))))],
    ['no workbook with sheets', zipSync({ 'word/document.xml': strToU8('<document/>') })],
    ['damaged', one(sheet(row(1, '<c r="A1"><v>'))).slice()],
    ['damaged', one(sheet(row(1, text('A1', 'x')))).slice(0, 200)],
    [
      'too many parts',
      zipSync(Object.fromEntries(Array.from({ length: 4001 }, (_, at) => [`p${at}`, new Uint8Array(0)]))),
    ],
  ])('is refused in a sentence: %s', async (sentence, book) => {
    expect(await readWorkbook(book, LIMITS)).toMatchObject({ ok: false, sentence: expect.stringContaining(sentence) });
  });

  it('that lies of its sizes is read no further than what it said', async () => {
    const book = one(sheet(row(1, text('A1', 'x'.repeat(100_000)))));
    const view = new DataView(book.buffer, book.byteOffset, book.byteLength);
    // Every size in the directory of the package becomes 40 bytes.
    for (let at = 0; at + 46 < book.length; at++) {
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 40, true);
    }
    expect(await readWorkbook(book, LIMITS)).toMatchObject({ ok: false });
  });

  it('never throws, whatever byte of it is another', async () => {
    const book = one(
      sheet(row(1, text('A1', 'SKU'), text('B1', 'Price')), row(2, text('A2', 'A-1'), number('B2', 9.5))),
    );
    for (let round = 0; round < 300; round++) {
      const broken = book.slice();
      const at = (round * 7919) % broken.length;
      broken[at] = (broken[at] ?? 0) ^ (1 + (round % 255));
      expect(typeof (await readWorkbook(broken, LIMITS)).ok).toBe('boolean');
    }
  });
});

test('a price list may be a workbook: its columns are guessed, a day in the price column is a doubt', async () => {
  const styles = `<styleSheet ${MAIN}><cellXfs><xf numFmtId="0"/><xf numFmtId="14"/></cellXfs></styleSheet>`;
  const title = 'Corrick 8GB DDR4-2400 CL17 DIMM';
  const book = one(
    sheet(
      row(1, text('A1', 'Skerrow Trade prices')),
      row(3, text('A3', 'SKU'), text('B3', 'Description'), text('C3', 'Price'), text('D3', 'Stock')),
      row(4, text('A4', 'ST-1'), text('B4', title), number('C4', 24.5), number('D4', 3)),
      row(5, number('A5', 4711), text('B5', title), number('C5', 46351, 1), number('D5', 0)),
    ),
    { styles },
  );
  const { lines, end } = await readWhole(book);
  expect(end.used.columns).toEqual({ sku: 0, title: 1, price: 2, stock: 3 });
  expect(end.passedOver.count).toBe(0);
  expect(lines.map((line) => [line[0], line[1], line[7], line[9], line[13]])).toEqual([
    ['4', 'ST-1', '2450', '3', '\\N'],
    ['5', '4711', '\\N', '0', '{date-price}'],
  ]);
  await expect(readWhole(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1]))).rejects.toThrow('locked');
});
