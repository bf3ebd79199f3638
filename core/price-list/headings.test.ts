import { isHeadingOf, plainHeading } from './column-headings';
import { COLUMN_ROLES, type ColumnRole } from './column-roles';
import { guessColumns } from './guess-columns';

const guess = (text: string) => guessColumns(text.split('\n').map((line) => line.split('|'))).columns;

/** Lists as sellers in each language send them, abbreviated as spreadsheets are. */
const LISTS: readonly [string, string, Partial<Record<ColumnRole, number>>][] = [
  [
    'German, abbreviated with dots and dashes',
    `Art.-Nr.|Bez.|Herst.|Herst.-Nr.|EK netto €|Lagerbest.|Whg.
4711-1|Corrick 8GB DDR4-2666 DIMM CL19|Corrick|CK4D8-26|19,90|12|EUR
4711-2|Corrick 16GB DDR4-2666 DIMM CL19|Corrick|CK4D16-26|37,40|3|EUR
4711-3|Corrick 32GB DDR4-3200 DIMM CL22|Corrick|CK4D32-32|71,00|0|EUR`,
    { sku: 0, title: 1, maker: 2, part: 3, price: 4, currency: 6 },
  ],
  [
    'German, origin and models',
    `Best.-Nr.|Artikelbezeichnung|Herkunft|Für Modell|HEK|Verfügb.
T-1|Tarnholt 8GB DDR4-2666 SO-DIMM|Original|TC4-1900, TC4-2100|34,00|3
T-2|Corrick 8GB DDR4-2666 SO-DIMM|kompatibel|TC4-1900|19,00|30
T-3|Tarnholt 16GB DDR4-2666 SO-DIMM|Original|TC4-2100|61,00|2`,
    { sku: 0, title: 1, origin: 2, fits: 3, price: 4 },
  ],
  [
    'French',
    `Réf.|Désignation|Marque|PU HT|Qté|Devise
B-10|Brightlode 4GB DDR3-1333 SO-DIMM|Brightlode|8,40|3|EUR
B-11|Brightlode 8GB DDR3-1600 SO-DIMM|Brightlode|16,90|12|EUR`,
    { sku: 0, title: 1, maker: 2, price: 3, stock: 4, currency: 5 },
  ],
  [
    'Spanish',
    `Código|Descripción|Precio neto|Existencias|Fabricante
E-1|Vellamo 8GB DDR4-3200 DIMM|21,50|4|Vellamo
E-2|Vellamo 16GB DDR4-3200 DIMM|39,00|9|Vellamo`,
    { sku: 0, title: 1, price: 2, stock: 3, maker: 4 },
  ],
  [
    'Dutch',
    `Artikelnr.|Omschrijving|Prijs excl. btw|Voorraad|Herkomst
N-1|Corrick 8GB DDR4-3200 SO-DIMM|20,10|7|origineel
N-2|Corrick 16GB DDR4-3200 SO-DIMM|36,80|1|compatibel`,
    { sku: 0, title: 1, price: 2, stock: 3, origin: 4 },
  ],
  [
    'Italian',
    `Cod. art.|Descrizione|Prezzo netto|Giacenza
I-1|Corrick 8GB DDR5-4800 DIMM|27,00|3
I-2|Corrick 16GB DDR5-4800 DIMM|49,50|6`,
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
  [
    'Portuguese',
    `Ref.ª artigo|Descrição|Preço|Stock|Marca
P-1|Corrick 8GB DDR3-1600 DIMM|9,00|3|Corrick
P-2|Corrick 4GB DDR3-1600 DIMM|5,50|6|Corrick`,
    { title: 1, price: 2, stock: 3, maker: 4 },
  ],
  [
    'English, genuine and model',
    `Item code|Product|Genuine|Suitable for|Trade price
G-1|Tarnholt 8GB DDR4-2666 SO-DIMM|yes|TC4-1900|31.00
G-2|Corrick 8GB DDR4-2666 SO-DIMM|no|TC4-1900|18.00`,
    { sku: 0, title: 1, origin: 2, fits: 3, price: 4 },
  ],
];

test.each(LISTS)('columns of a list are guessed: %s', (_, text, wanted) => {
  expect(guess(text)).toMatchObject(wanted);
});

test('a country of origin is no origin of a part', () => {
  const list = `SKU|Description|Country of origin|Price
A-1|Corrick 8GB DDR4-2666 DIMM|original unknown|19.90
A-2|Corrick 16GB DDR4-2666 DIMM|Nordland|37.40`;
  expect(guess(list).origin).toBeUndefined();
});

test.each([
  ['Art.-Nr.', 'art nr'],
  ['  N° d’article ', "n d'article"],
  ['PRIX_HT (€)', 'prix ht €'],
  ['Größe', 'grosse'],
])('the heading "%s" is looked up as "%s"', (heading, plain) => {
  expect(plainHeading(heading)).toBe(plain);
});

test('a heading names few roles, and none stands for both number and price', () => {
  for (const heading of ['art nr', 'ek netto', 'prijs', 'qta', 'descr', 'mpn']) {
    const roles = COLUMN_ROLES.filter((role) => isHeadingOf(role, heading));
    expect(roles).toHaveLength(1);
  }
});
