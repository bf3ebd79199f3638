import { guessMovedColumns } from './columns';
import { movedModel } from './moved-model';

const HEADINGS = ['Maker', 'Model', 'Year', 'Memory type', 'Form', 'Slots', 'Max per slot', 'Max memory'];
const columns = guessMovedColumns('models', HEADINGS);
const read = (...cells: string[]) => movedModel(cells, columns, 3);

test('columns of models are guessed', () => {
  expect(columns).toEqual({
    maker: 0,
    model: 1,
    year: 2,
    generation: 3,
    form: 4,
    slots: 5,
    moduleMost: 6,
    totalMost: 7,
  });
  expect(guessMovedColumns('models', ['Hersteller', 'Modell', 'Baujahr', 'Speichertyp', 'Steckplätze'])).toEqual({
    maker: 0,
    model: 1,
    year: 2,
    generation: 3,
    slots: 4,
  });
});

test.each([
  [['Tarnholt', 'Lumen 5', '2019', 'DDR4', 'Laptop', '2', '16', '32 GB'], 'laptop', 16_384, 32_768],
  [['Tarnholt', 'Lumen 5', '2019', 'SO-DIMM DDR 4', 'notebook', '1', '', ''], 'laptop-one', null, null],
  [['Tarnholt', 'Mast', '05/2016', 'DDR3', 'Tower', '4', '', '32'], 'desktop', null, 32_768],
] as const)('%j is made of a usual board', (cells, template, moduleMiB, totalMiB) => {
  expect(read(...cells)).toMatchObject({ ok: true, row: { template, moduleMiB, totalMiB, maker: 'Tarnholt' } });
});

test.each([
  [['', 'Lumen 5', '2019', 'DDR4', 'Laptop', '2'], 'does not name a maker'],
  [['Tarnholt', 'Lumen 5', 'old', 'DDR4', 'Laptop', '2'], 'no year'],
  [['Tarnholt', 'Lumen 5', '2019', 'fast', 'Laptop', '2'], 'no generation'],
  [['Tarnholt', 'Lumen 5', '2019', 'DDR4', 'Laptop', '3'], 'no usual board has “3” slots'],
  [['Tarnholt', 'Lumen 5', '2019', 'SDR', 'Laptop', '2'], 'takes SDR'],
  [['Tarnholt', 'Lumen 5', '2019', 'DDR4', 'Laptop', '2', 'plenty'], 'no capacity'],
])('%j is refused: %s', (cells, sentence) => {
  expect(read(...cells)).toMatchObject({ ok: false, line: 3, sentence: expect.stringContaining(sentence) });
});
