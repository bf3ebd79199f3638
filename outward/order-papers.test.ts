import Papa from 'papaparse';
import { orderText } from '../core/ordering/order-text';
import type { PartOrderPaper } from '../core/ordering/part-order';
import { ublOrder } from '../core/ordering/ubl-order';
import { orderCsv } from './papers/order-csv';
import { ublXml } from './papers/ubl-xml';

const order: PartOrderPaper = {
  number: 'PO-2026-0007',
  orderedOn: '2026-11-26',
  note: '',
  currency: 'EUR',
  language: 'en',
  shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '14 Petrel Street' },
  seller: 'Marrow Lane Memory',
  lines: [
    {
      sellerPart: 'CO4D16-2666K2',
      title: 'Corrick 2 x 16 GB DDR4-2666 CL19 DIMM',
      quantity: 2,
      modules: 2,
      eachCents: 6632,
      job: 5,
    },
    { sellerPart: null, title: '=1+1 "Vellamo", 8 GB', quantity: 1, modules: 1, eachCents: 2105, job: 9 },
  ],
};
const changed = (patch: Partial<PartOrderPaper>): PartOrderPaper => ({ ...order, ...patch });

describe('an order as the words of a mail', () => {
  it('names each line with its pack, its price and the job that it is for, and what all come to', () => {
    expect(orderText(order).split('\n')).toEqual([
      'Order PO-2026-0007 of 26 November 2026',
      '',
      '2 × CO4D16-2666K2, Corrick 2 x 16 GB DDR4-2666 CL19 DIMM (pack of 2), €66.32 each, for job 5',
      '1 × =1+1 "Vellamo", 8 GB, €21.05 each, for job 9',
      '',
      'Total without shipping: €153.69',
      '',
      'Petrel Street Repair Co-op, Skerrow',
      '14 Petrel Street',
    ]);
  });

  it('is in the language of the shop’s papers', () => {
    const german = orderText(changed({ language: 'de' })).split('\n');
    expect(german[0]).toBe('Bestellung PO-2026-0007 vom 26. November 2026');
    expect(german[2]).toMatch(/\(Packung mit 2\), je 66,32\s€, für Auftrag 5$/);
    expect(german[5]).toMatch(/^Gesamt ohne Versand: 153,69\s€$/);
    const french = orderText(changed({ language: 'fr' }));
    expect(french).toMatch(/^Commande PO-2026-0007 du 26 novembre 2026\n/);
    expect(french).toMatch(/\(lot de 2\), 66,32\s€ pièce, pour le dossier 5\n/);
  });

  it('has a word to the seller where there is one, and the currency’s own decimals', () => {
    const text = orderText(changed({ note: 'By the back door, please.', currency: 'JPY' }));
    expect(text).toContain('\n\nBy the back door, please.\n\n');
    expect(text).toContain('¥6,632 each');
    expect(text).toContain('¥15,369');
  });
});

describe('an order as CSV', () => {
  const rowsOf = (paper: PartOrderPaper) => {
    const { data, errors } = Papa.parse<Record<string, string>>(orderCsv(paper), {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).toEqual([]);
    return data;
  };

  it('has a row for each line, and at last what all come to', () => {
    const rows = rowsOf(order);
    expect(
      rows.map((row) => [row.part, row.quantity, row['modules in a pack'], row.each, row.amount, row.for]),
    ).toEqual([
      ['CO4D16-2666K2', '2', '2', '66.32', '132.64', 'job 5'],
      ['', '1', '1', '21.05', '21.05', 'job 9'],
      ['', '', '', '', '153.69', ''],
    ]);
    for (const row of rows) {
      expect(row).toMatchObject({ order: 'PO-2026-0007', of: '2026-11-26', seller: 'Marrow Lane Memory' });
      expect(row.currency).toBe('EUR');
    }
  });

  it('runs nothing in a spreadsheet, and ends its lines as RFC 4180 has it', () => {
    const [, second] = rowsOf(order);
    expect(second?.title).toBe(`'=1+1 "Vellamo", 8 GB`);
    expect(rowsOf(changed({ seller: '@lane' }))[0]?.seller).toBe("'@lane");
    expect(orderCsv(order).split('\r\n')).toHaveLength(5);
    expect(orderCsv(order).replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });

  it('writes amounts of a currency without decimals as whole numbers', () => {
    expect(rowsOf(changed({ currency: 'JPY' })).map(({ amount }) => amount)).toEqual(['13264', '2105', '15369']);
  });
});

describe('an order as UBL', () => {
  const xml = (paper: PartOrderPaper) => ublXml(ublOrder(paper)).toString('utf8');

  it('is a document of its own kind, with each amount in the order’s currency', () => {
    const text = xml(order);
    expect(text.startsWith('<?xml version="1.0" encoding="UTF-8"?>')).toBe(true);
    expect(text).toContain('xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2"');
    expect(text.match(/currencyID="EUR"/g)?.length).toBe(text.match(/currencyID=/g)?.length);
    expect(text).toContain('153.69');
    expect(text).toContain('CO4D16-2666K2');
  });

  it('leaves out what no XML may hold, and writes marks as they are read', () => {
    const [line] = order.lines;
    if (line === undefined) throw new Error('no line');
    const text = xml(changed({ lines: [{ ...line, title: 'A\u0000 <b> & \ud800 "c" \u{1f4be}' }] }));
    for (const unwritable of ['\u0000', '\ufffd']) expect(text).not.toContain(unwritable);
    expect(text).toContain('A &lt;b&gt; &amp;');
    expect(text).toContain('\u{1f4be}');
  });
});
