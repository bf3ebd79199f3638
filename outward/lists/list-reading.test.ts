import { PLAIN_ORDER, readWhole } from '../../testing/lists';
import { ListReading } from './list-reading';

const bytes = (...lines: string[]) => new TextEncoder().encode(lines.join('\r\n'));
const HEAD = 'SKU;Description;Price;Stock';
const MODULE = 'Corrick 8GB DDR4-2400 CL17 DIMM';
/** fields of a line by their place */
const [LINE, SKU, TITLE, MODULES, SPEC, PRINTED, COST, STEPS, DOUBTS] = [0, 1, 2, 3, 4, 7, 11, 12, 13] as const;
const NULL = '\\N';

test('a list is the same however it is cut, in every encoding', async () => {
  const text = [HEAD, `A-1;${MODULE} für Büro;9,00;3`, `A-2;"${MODULE}\nof two lines";10,50;`, ''].join('\r\n');
  const whole = await readWhole(new TextEncoder().encode(text));
  expect(whole.lines.map((line) => [line[LINE], line[TITLE], line[PRINTED]])).toEqual([
    ['2', `${MODULE} für Büro`, '900'],
    ['3', `${MODULE}\\nof two lines`, '1050'],
  ]);
  for (const encoding of ['utf-8', 'utf-16le', 'latin1'] as const) {
    const input = Buffer.from(encoding === 'utf-16le' ? `\ufeff${text}` : text, encoding);
    for (const size of [1, 2, 13, 1000]) {
      const order = encoding === 'latin1' ? ({ encoding: 'windows-1252' } as const) : ({ encoding } as const);
      expect((await readWhole(input, order, size)).lines).toEqual(whole.lines);
    }
  }
});

test('modules are told once, and rows call them by number', async () => {
  const { lines, modules } = await readWhole(
    bytes(
      HEAD,
      `A-1;${MODULE};9;1`,
      `B-1;${MODULE.replace('Corrick', 'Ostrel')};8;1`,
      'C-1;Corrick 2x16GB DDR4-3200 CL22 SO-DIMM kit;60;1',
    ),
  );
  expect(lines.map((line) => [line[SPEC], line[MODULES]])).toEqual([
    ['1', '1'],
    ['1', '1'],
    ['2', '2'],
  ]);
  expect(modules).toMatchObject([{ capacityMiB: 8192 }, { capacityMiB: 16_384, form: 'SO-DIMM' }]);
});

test('a price is counted by the seller’s terms, with the steps where there are any', async () => {
  const list = bytes(HEAD, `A-1;${MODULE};12,00;1`);
  expect((await readWhole(list)).lines[0]).toMatchObject({ [COST]: '1200', [STEPS]: NULL });
  const { ground } = PLAIN_ORDER;
  const taxed = { ...ground, terms: { ...ground.terms, withTax: true, taxBp: 2000 } };
  const [line] = (await readWhole(list, { ground: taxed })).lines;
  expect(line?.[COST]).toBe('1000');
  expect(JSON.parse(line?.[STEPS] ?? '')).toMatchObject([{ what: 'printed' }, { what: 'tax-off', cents: -200 }]);
  const foreign = { ...ground, terms: { ...ground.terms, currency: 'SKR' } };
  const { lines, end } = await readWhole(list, { ground: foreign });
  expect([lines[0]?.[COST], end.sentence]).toEqual([NULL, 'There is no rate from SKR to EUR up to this day.']);
});

test('what is no offer is passed over and told, what is doubtful keeps how it was read', async () => {
  const { lines, end } = await readWhole(
    bytes(
      'Skerrow Trade;;;',
      HEAD,
      'Memory for desktops;;;',
      `A-1;${MODULE};25.11.2026;1`,
      `B-1;${MODULE};8;1`,
      ';;;',
      'Ask for more;;;',
    ),
    { fixes: { 5: { rateMTs: 2666 } }, told: { headings: 1, columns: { sku: 0, title: 1, price: 2, stock: 3 } } },
  );
  expect(end.used.headings).toBe(1);
  expect(end.passedOver).toEqual({
    count: 2,
    first: [
      { line: 3, text: 'Memory for desktops' },
      { line: 7, text: 'Ask for more' },
    ],
  });
  expect(lines.map((line) => [line[SKU], line[DOUBTS]])).toEqual([
    ['A-1', '{date-price}'],
    ['B-1', NULL],
  ]);
  expect(JSON.parse(lines[0]?.[14] ?? '')).toMatchObject({ doubts: ['date-price'], sku: 'A-1' });
});

test('letters that COPY would take for its own come through', async () => {
  const told = { headings: 0, columns: { sku: 0, title: 1, price: 2 } };
  const { lines } = await readWhole(bytes(HEAD, `A\\1;"${MODULE}\t\\. two\0";9;1`), { told });
  expect([lines[0]?.[SKU], lines[0]?.[TITLE]]).toEqual(['A\\\\1', `${MODULE}\\t\\\\. two`]);
});

test('columns of an earlier list count where the headings are the same', async () => {
  const list = bytes('Ref;Text;Price;Price', `A-1;${MODULE};9;8`);
  const remembered = { headings: 0, columns: { sku: 0, title: 1, price: 3 }, names: ['Ref', 'Text', 'Price', 'Price'] };
  expect((await readWhole(list)).lines[0]?.[PRINTED]).toBe('900');
  expect((await readWhole(list, { remembered })).lines[0]?.[PRINTED]).toBe('800');
  const other = { ...remembered, names: ['Ref', 'Text', 'Price', 'Retail'] };
  expect((await readWhole(list, { remembered: other })).lines[0]?.[PRINTED]).toBe('900');
});

test.each([
  ['nothing', bytes(''), 'There is nothing in this file.'],
  ['empty lines', bytes('', ';;', ''), 'There is nothing in this file.'],
  [
    'a text',
    bytes('hello', 'there'),
    'There is no table in this file: a price list has at least a column for the price.',
  ],
  [
    '200 columns and more',
    bytes(HEAD, Array(201).fill('x').join(';')),
    'Line 2 has over 200 columns: this is no price list.',
  ],
])('%s is told to be no list', async (_, input, sentence) => {
  await expect(readWhole(input)).rejects.toThrow(sentence);
});

test('a workbook that is too large is told before it is unpacked', async () => {
  const reading = new ListReading(PLAIN_ORDER);
  const part = new Uint8Array(17 * 1024 * 1024);
  part.set([0x50, 0x4b, 0x03, 0x04]);
  expect((await reading.take(part, false)).ok).toBe(true);
  expect(await reading.take(part, false)).toMatchObject({
    ok: false,
    sentence: 'A workbook is at most 32 MiB: save it as CSV.',
  });
});
