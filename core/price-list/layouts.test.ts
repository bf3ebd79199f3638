import type { ColumnRole } from './column-roles';
import { guessColumns } from './guess-columns';

/*
 * Layouts written after the guesser was done: it is right on a layout where every column that matters has its role and
 * no other column has one of them. At least 9 of 10 must be right.
 */
/** Written blind as well, but then tuned to: all of them are right since. */
const TUNED: readonly [string, string, Partial<Record<ColumnRole, number>>][] = [
  [
    'stock before text, price last, a column of notes',
    `Item No|On hand|Product name|Note|Dealer price
MX-201|14|Corrick 8GB DDR4 2666 UDIMM|new packing|21.10
MX-202|0|Corrick 16GB DDR4 2666 UDIMM||39.95
MX-203|7|Corrick 32GB DDR4 3200 UDIMM||71.00`,
    { sku: 0, stock: 1, title: 2, price: 4 },
  ],
  [
    'French names, decimal commas',
    `Référence|Désignation|Dispo|Prix HT
B100|Brightlode 4GB DDR3-1333 SO-DIMM|3|8,40
B101|Brightlode 8GB DDR3-1600 SO-DIMM|12|16,90`,
    { sku: 0, title: 1, stock: 2, price: 3 },
  ],
  [
    'barcode and manufacturer’s number beside the article number',
    `EAN|Art.Nr.|Herstellernummer|Bezeichnung|EK netto|Lager
4099999000017|77001|VE4D8-2666|Vellamo 8GB DDR4-2666 DIMM|22,50 EUR|4
4099999000024|77002|VE4D16-2666|Vellamo 16GB DDR4-2666 DIMM|40,10 EUR|9`,
    { sku: 1, part: 2, title: 3, price: 4, stock: 5 },
  ],
  [
    'a list without a title: facts only',
    `Code;Manufacturer;Memory type;Capacity;MHz;Bauform;CL;Stock;Unit price
K-1;Corrick;DDR5;16 GB;5600;SO-DIMM;46;20;52.00
K-2;Corrick;DDR5;32 GB;5600;SO-DIMM;46;8;98.00`,
    { sku: 0, maker: 1, generation: 2, capacity: 3, rate: 4, form: 5, latency: 6, stock: 7, price: 8 },
  ],
  [
    'no headings, price before the text',
    `LM-90;13,50 €;Brightlode 4GB DDR4-2400 SO-DIMM
LM-91;24,90 €;Brightlode 8GB DDR4-2400 SO-DIMM
LM-92;44,00 €;Brightlode 16GB DDR4-2400 SO-DIMM`,
    { sku: 0, price: 1, title: 2 },
  ],
  [
    'recommended price beside our own',
    `SKU|Product|RRP|Your price|Availability
S1|Vellamo 8GB DDR5-4800 DIMM|39.99|28.40|in stock
S2|Vellamo 16GB DDR5-4800 DIMM|69.99|49.10|sold out`,
    { sku: 0, title: 1, price: 3, stock: 4 },
  ],
  [
    'a letterhead with a date and a currency, names in capitals',
    `MARROW LANE MEMORY|||
Price list of 20 November 2026|||
All prices in EUR|||
ARTICLE|DESCRIPTION|QTY|NET PRICE
ML-3|Corrick 2x8GB DDR4-3200 DIMM kit|11|44.00
ML-4|Corrick 2x16GB DDR4-3200 DIMM kit|2|79.00`,
    { sku: 0, title: 1, stock: 2, price: 3 },
  ],
  [
    'used modules with their condition',
    `Ref|Details|Condition|Price|Pcs in stock
U-11|Corrick 4GB DDR3-1600 DIMM|used|4.00|31
U-12|Corrick 8GB DDR3-1600 DIMM|refurbished|9.50|12`,
    { sku: 0, title: 1, condition: 2, price: 3, stock: 4 },
  ],
  [
    'two descriptions, the second is the useful one',
    `No|Group|Description|Price EUR|Stock
900|Memory|Brightlode 8GB DDR4-3200 SO-DIMM CL22|18.80|6
901|Memory|Brightlode 16GB DDR4-3200 SO-DIMM CL22|33.30|1`,
    { sku: 0, title: 2, price: 3, stock: 4 },
  ],
  [
    'kits with their count, price each and price of the kit',
    `Product code,Item name,Modules per kit,Price each,Kit price,Stock
F-1,Vellamo DDR4-3200 8GB DIMM,2,19.00,38.00,5
F-2,Vellamo DDR4-3200 16GB DIMM,2,35.00,70.00,5`,
    { sku: 0, title: 1, modules: 2, price: 4, stock: 5 },
  ],

  [
    'a count before every row',
    `#|SKU|Memory module|Availability|Cost
1|QX81|Corrick 8GB DDR4-3200 SO-DIMM CL22|in stock|19.30
2|QX82|Corrick 16GB DDR4-3200 SO-DIMM CL22|sold out|34.80
3|QX83|Corrick 32GB DDR4-3200 SO-DIMM CL22|in stock|66.00`,
    { sku: 1, title: 2, stock: 3, price: 4 },
  ],
  [
    'old price and new price',
    `Artikel|Beschreibung|Old price|Price|Bestand
BL-1|Brightlode 8GB DDR3-1600 DIMM|18,90|16,90|4
BL-2|Brightlode 4GB DDR3-1600 DIMM|9,90|8,40|22`,
    { sku: 0, title: 1, price: 3, stock: 4 },
  ],
  [
    'facts with long names, price in another currency',
    `Order number;Module size;Data rate;Form factor;Technology;Net price;Currency;Available
7-001;8 GB;3200 MHz;SO-DIMM;DDR4;190,00;SKR;15
7-002;16 GB;3200 MHz;SO-DIMM;DDR4;350,00;SKR;2`,
    { sku: 0, capacity: 1, rate: 2, form: 3, generation: 4, price: 5, currency: 6, stock: 7 },
  ],
  [
    'tabs of a pasted table without headings',
    `VE5D16	Vellamo 16GB DDR5-5600 DIMM	49.00	12
VE5D32	Vellamo 32GB DDR5-5600 DIMM	92.00	7
VE5S16	Vellamo 16GB DDR5-5600 SO-DIMM	51.00	3`,
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
  [
    'net and gross side by side',
    `Code|Designation|Prix HT|Prix TTC|Stock
F10|Brightlode 16GB DDR4-2666 DIMM|35,00|42,00|9
F11|Brightlode 8GB DDR4-2666 DIMM|19,00|22,80|30`,
    { sku: 0, title: 1, price: 2, stock: 4 },
  ],
  [
    'weights and warranty among the rest',
    `Item|Name|Weight g|Warranty|Qty|Unit price
W-100|Corrick 8GB DDR4-2400 DIMM|60|5 years|3|20.00
W-101|Corrick 16GB DDR4-2400 DIMM|60|5 years|8|37.50`,
    { sku: 0, title: 1, stock: 4, price: 5 },
  ],
  [
    'headings in the fourth row, empty columns between',
    `Fennimore Parts||||
valid until 30.11.2026||||
||||
Item code||Description||Your price
FP7||Vellamo 4GB DDR3-1333 SO-DIMM||7.90
FP8||Vellamo 8GB DDR3-1333 SO-DIMM||15.40`,
    { sku: 0, title: 2, price: 4 },
  ],
  [
    'makers’ own parts with their numbers',
    `Manufacturer|Manufacturer part number|Description|Dealer price EUR
Tarnholt|TC4-M8-24|8GB DDR4-2400 DIMM for Counter 4|58.00
Ostrell|OS-M8-3200|8GB DDR4-3200 SO-DIMM for Sling 14|71.00
Tarnholt|TC4-M16-24|16GB DDR4-2400 DIMM for Counter 4|104.00`,
    { maker: 0, part: 1, title: 2, price: 3 },
  ],
  [
    'price with its sign in front, stock with a plus',
    `ID|Product|Stock|Price
K900|Corrick 8GB DDR5-4800 SO-DIMM|100+|€27.90
K901|Corrick 16GB DDR5-4800 SO-DIMM|25|€48.00
K902|Corrick 32GB DDR5-4800 SO-DIMM|3|€91.00`,
    { sku: 0, title: 1, stock: 2, price: 3 },
  ],
  [
    'kits named in the text, pack size beside',
    `Ref|Title|Pack size|Price|On hand
P-1|Brightlode 2x8GB DDR4-3200 DIMM kit|2|36.00|5
P-2|Brightlode 8GB DDR4-3200 DIMM|1|18.50|11
P-3|Brightlode 4x8GB DDR4-3200 DIMM kit|4|71.00|1`,
    { sku: 0, title: 1, modules: 2, price: 3, stock: 4 },
  ],

  [
    'group rows between, price with currency code',
    `Nr|Artikelbezeichnung|Preis|Verfügbar
|DDR4 SO-DIMM||
S-41|Vellamo 8GB DDR4-2666 SO-DIMM|17,20 EUR|ja
S-42|Vellamo 16GB DDR4-2666 SO-DIMM|31,90 EUR|nein
|DDR5 SO-DIMM||
S-51|Vellamo 16GB DDR5-4800 SO-DIMM|46,00 EUR|ja`,
    { sku: 0, title: 1, price: 2 },
  ],
  [
    'underscored names as databases write them',
    `product_id,product_name,unit_price,stock_qty,updated_at
10077,Corrick 8GB DDR4-3200 DIMM,18.40,44,2026-11-20
10078,Corrick 16GB DDR4-3200 DIMM,33.10,12,2026-11-20`,
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
  [
    'rank, voltage and width beside',
    `Part No|Size|Speed|Rank|Voltage|Form|Price|Qty
CO3S4-1600|4 GB|1600|1Rx8|1.35|SO-DIMM|8.00|30
CO3S8-1600|8 GB|1600|2Rx8|1.35|SO-DIMM|16.50|14`,
    { part: 0, capacity: 1, rate: 2, form: 5, price: 6, stock: 7 },
  ],
  [
    'discount and net price',
    `Article no|Description|List price|Discount|Net price
A1|Brightlode 8GB DDR5-5600 DIMM|40.00|20%|32.00
A2|Brightlode 16GB DDR5-5600 DIMM|70.00|20%|56.00`,
    { sku: 0, title: 1, price: 4 },
  ],
  [
    'title first, code last',
    `Product;Price;Stock;Code
Vellamo 32GB DDR4-3200 SO-DIMM;62.00;5;V32
Vellamo 16GB DDR4-3200 SO-DIMM;33.00;19;V16
Vellamo 8GB DDR4-3200 SO-DIMM;18.00;40;V08`,
    { title: 0, price: 1, stock: 2, sku: 3 },
  ],
  [
    'no stock, no code: text and price',
    `Description|EUR
Corrick 4GB DDR3-1600 SO-DIMM|7.50
Corrick 8GB DDR3-1600 SO-DIMM|15.00`,
    { title: 0, price: 1 },
  ],
  [
    'delivery days beside the stock',
    `SKU|Name|Lager|Delivery days|Preis
Q5|Corrick 16GB DDR4-2400 registered ECC DIMM|2|4|29,00
Q6|Corrick 32GB DDR4-2400 registered ECC DIMM|9|4|51,00`,
    { sku: 0, title: 1, stock: 2, price: 4 },
  ],
  [
    'generation and form in one list of facts, kit of',
    `MPN|Brand|Generation|Capacity|Kit of|Speed|Format|Cost|Availability
VE4K2|Vellamo|DDR4|16 GB|2|3200|DIMM|64.00|in stock
VE5K2|Vellamo|DDR5|16 GB|2|5600|DIMM|101.00|in stock`,
    { part: 0, maker: 1, generation: 2, capacity: 3, modules: 4, rate: 5, form: 6, price: 7, stock: 8 },
  ],
  [
    'links at the end',
    `id|title|price|condition|url
31|Brightlode 8GB DDR4-3200 DIMM|17.90|new|https://shop.example/31
32|Brightlode 8GB DDR4-3200 DIMM tested|9.90|used|https://shop.example/32`,
    { sku: 0, title: 1, price: 2, condition: 3 },
  ],
  [
    'a footer below and a name with the date above',
    `Marrow Lane Memory|November 2026||
Order code|Module|Dealer|On hand
D7|Corrick 8GB DDR3-1600 ECC DIMM|12.00|6
D8|Corrick 4GB DDR3-1333 ECC DIMM|5.50|18
Prices without tax|||`,
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
];

/** The blind ones: the fourth list, the three before it are among the tuned ones. */
const LAYOUTS: readonly [string, string, Partial<Record<ColumnRole, number>>][] = [
  [
    'a price by quantity beside the single one',
    `Item code|Description|Price|From 10|Stock
H-1|Vellamo 8GB DDR4-3200 DIMM CL22|18.50|17.90|44
H-2|Vellamo 16GB DDR4-3200 DIMM CL22|34.00|33.10|20`,
    { sku: 0, title: 1, price: 2, stock: 4 },
  ],
  [
    'names in two words, title with brackets',
    `Product Code|Product Description (EN)|Net Price (EUR)|Available Qty
77/1|Corrick 8GB DDR5-5600 SO-DIMM|26.00|12
77/2|Corrick 16GB DDR5-5600 SO-DIMM|47.00|3`,
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
  [
    'pictures and categories before the rest',
    `Image|Category|SKU|Title|Price|Stock
a.png|Laptop memory|L-8|Brightlode 8GB DDR4-2666 SO-DIMM|17.00|4
b.png|Laptop memory|L-16|Brightlode 16GB DDR4-2666 SO-DIMM|32.00|6`,
    { sku: 2, title: 3, price: 4, stock: 5 },
  ],
  [
    'facts with short names',
    `PN;Brand;Type;GB;MHz;Form;CL;Preis;Bestand
BR3S4;Brightlode;DDR3;4 GB;1600;SO-DIMM;11;8,20;15
BR3S8;Brightlode;DDR3;8 GB;1600;SO-DIMM;11;16,00;22`,
    { part: 0, maker: 1, generation: 2, capacity: 3, rate: 4, form: 5, latency: 6, price: 7, stock: 8 },
  ],
  [
    'no headings, code in the middle, stock in words',
    `Corrick 8GB DDR4-2400 DIMM|C4-8|in stock|19.00 EUR
Corrick 16GB DDR4-2400 DIMM|C4-16|sold out|36.00 EUR
Corrick 4GB DDR4-2400 DIMM|C4-4|in stock|11.00 EUR`,
    { title: 0, sku: 1, stock: 2, price: 3 },
  ],
  [
    'article, text, unit, price',
    `Artikel Nr.|Text|Einheit|Preis netto
5510|Vellamo 4GB DDR3L-1600 SO-DIMM|Stk|8,90
5511|Vellamo 8GB DDR3L-1600 SO-DIMM|Stk|17,10`,
    { sku: 0, title: 1, price: 3 },
  ],
  [
    'recycling fee and price',
    `Ref.|Libellé|Éco-part|Prix|Dispo
R7|Corrick 16GB DDR4-3200 DIMM|0,02|34,00|8
R8|Corrick 32GB DDR4-3200 DIMM|0,02|66,00|2`,
    { sku: 0, title: 1, price: 3, stock: 4 },
  ],
  [
    'condition and grade of used modules, seller’s own number',
    `No.|Module|State|Your price|Qty
1001|Vellamo 8GB DDR3-1333 ECC DIMM|used|6.00|40
1002|Vellamo 4GB DDR3-1333 ECC DIMM|used|3.00|90`,
    { sku: 0, title: 1, condition: 2, price: 3, stock: 4 },
  ],
  [
    'wide list with dates and links',
    `sku,name,brand,price,currency,stock,lead time,updated,link
M1,Brightlode 16GB DDR5-5600 DIMM,Brightlode,47.90,EUR,7,2,2026-11-24,https://x.example/M1
M2,Brightlode 32GB DDR5-5600 DIMM,Brightlode,91.50,EUR,1,2,2026-11-24,https://x.example/M2`,
    { sku: 0, title: 1, maker: 2, price: 3, currency: 4, stock: 5 },
  ],
  [
    'server modules, rank in the text',
    `Order no;Designation;Dealer price;On hand
RD-32;Corrick 32GB 2Rx4 PC4-2666V-R registered ECC DIMM;61.00;14
RD-64;Corrick 64GB 4Rx4 PC4-2666V-L load-reduced ECC DIMM;139.00;3`,
    { sku: 0, title: 1, price: 2, stock: 3 },
  ],
];

const cellsOf = (text: string): string[][] => {
  const mark = ['|', '\t', ';', ','].find((one) => text.split('\n')[0]?.includes(one)) ?? '|';
  return text.split('\n').map((line) => line.split(mark));
};

test.each(TUNED)('columns are guessed: %s', (_, text, wanted) => {
  expect(guessColumns(cellsOf(text)).columns).toEqual(wanted);
});

test('columns of layouts written after the guesser are guessed in at least 9 of 10', () => {
  const wrong = LAYOUTS.flatMap(([name, text, wanted]) => {
    const { columns } = guessColumns(cellsOf(text));
    return JSON.stringify(Object.entries(columns).sort()) === JSON.stringify(Object.entries(wanted).sort())
      ? []
      : [`${name}: ${JSON.stringify(columns)}`];
  });
  process.stderr.write(
    `price list layouts not tuned to: ${LAYOUTS.length - wrong.length} of ${LAYOUTS.length} right\n`,
  );
  for (const line of wrong) process.stderr.write(`  ${line}\n`);
  expect(LAYOUTS.length - wrong.length).toBeGreaterThanOrEqual(9);
});
