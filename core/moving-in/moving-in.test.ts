import { guessMovedColumns } from './columns';
import { dayOf, movedCustomer, movedStock } from './moved-row';

test.each([
  [
    ['Name', 'Phone', 'E-Mail', 'Brand', 'Model', 'Serial No.', 'Notes', 'Created'],
    { name: 0, phone: 1, email: 2, maker: 3, model: 4, serial: 5, note: 6, day: 7 },
  ],
  [
    ['Kd.-Nr.', 'Nachname', 'Vorname', 'Telefon', 'Hersteller', 'Gerät', 'Seriennr.'],
    { name: 1, firstName: 2, phone: 3, maker: 4, model: 5, serial: 6 },
  ],
  [
    ['Nom', 'Prénom', 'Courriel', 'Marque', 'Modèle', 'N° de série'],
    { name: 0, firstName: 1, email: 2, maker: 3, model: 4, serial: 5 },
  ],
  [['Klant', 'Telefoon', 'Merk', 'Toestel'], { name: 0, phone: 1, maker: 2, model: 3 }],
] as const)('columns of customers are guessed: %j', (headings, wanted) => {
  expect(guessMovedColumns('customers', headings)).toEqual(wanted);
});

test.each([
  [
    ['Description', 'Qty', 'Purchase price', 'Location', 'Condition'],
    { label: 0, quantity: 1, cost: 2, place: 3, condition: 4 },
  ],
  [['Artikel', 'Bestand', 'EK', 'Lagerort'], { label: 0, quantity: 1, cost: 2, place: 3 }],
] as const)('columns of stock are guessed: %j', (headings, wanted) => {
  expect(guessMovedColumns('stock', headings)).toEqual(wanted);
});

test.each([
  ['2024-03-31', '2024-03-31'],
  ['2024-03-31T10:00:00', '2024-03-31'],
  ['1.3.2024', '2024-03-01'],
  ['31/03/2024', '2024-03-31'],
  ['31.02.2024', null],
  ['soon', null],
  ['', null],
  ['0001-01-01', null],
])('the day "%s" is %s', (text, day) => {
  expect(dayOf(text)).toBe(day);
});

describe('a customer', () => {
  const columns = { name: 0, firstName: 1, email: 2, maker: 3, model: 4, serial: 5 };
  const read = (...cells: string[]) => movedCustomer(cells, columns, 7);

  it('comes with the machine, names in their order', () => {
    expect(read('Vane', ' Hedda ', 'hedda@vane.example', 'Tarnholt', 'Lumen 5', 'LM5-1')).toMatchObject({
      ok: true,
      row: { line: 7, name: 'Hedda Vane', maker: 'Tarnholt', serial: 'LM5-1', day: null },
    });
  });

  it('is none without a name and a machine, and not one with half an address', () => {
    expect(read('', '', '', 'Tarnholt', '', '')).toEqual({
      ok: false,
      line: 7,
      sentence: 'it names no customer and no machine',
    });
    expect(read('Vane', '', 'hedda at vane', '', '', '')).toMatchObject({
      ok: false,
      sentence: '“hedda at vane” is no mail address',
    });
  });
});

describe('stock', () => {
  const columns = { label: 0, quantity: 1, cost: 2, condition: 3 };
  const read = (...cells: string[]) => movedStock(cells, columns, 3, 2);
  const LABEL = 'Corrick 8GB DDR4-2666 CL19 SO-DIMM';

  it('is counted with its price, new or used', () => {
    expect(read(LABEL, '4,00', '19,50 €', '')).toMatchObject({
      ok: true,
      row: { quantity: 4, costCents: 1950, used: false },
    });
    expect(read(LABEL, '', '9.00', 'gebraucht')).toMatchObject({ ok: true, row: { quantity: 1, used: true } });
  });

  it.each([
    [['', '1', '9'], 'it does not say what it is'],
    [['mouse', '1', '9'], 'does not tell capacity'],
    [[LABEL, 'many', '9'], 'is no quantity'],
    [[LABEL, '900', '9'], 'is no quantity'],
    [[LABEL, '1', ''], 'no purchase price'],
  ])('%j is told what is wrong', (cells, sentence) => {
    const made = read(...(cells as string[]));
    expect(made.ok ? '' : made.sentence).toContain(sentence);
  });
});
