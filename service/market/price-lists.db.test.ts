import { suspicionOf } from '../../core/price-list/price-bands';
import { many, pool } from '../../store/database';
import { READER } from '../../testing/reader';
import {
  inPieces,
  listFile,
  listRows,
  must,
  openTestShop,
  quayside,
  readTill,
  SURE,
  sellersOffers,
  stateOf,
} from '../../testing/shop';
import { applyList, undoList } from './apply-list';
import { plainTerms } from './counting-ground';
import { correctColumns, fixRow, listsOfLate, showList, takeList } from './price-lists';
import { saveSeller } from './sellers';

const shop = openTestShop({ tasks: true });

const amount = (cents: number): string => (cents / 100).toFixed(2);
const standing = async (sellerId: number) =>
  (await sellersOffers(sellerId))
    .filter(({ withdrawn }) => !withdrawn)
    .map(({ sku, costCents, stock }) => [sku, costCents, stock]);

describe('a price list', () => {
  it('changes nothing until it is applied, then all that is sure, and is undone whole', async () => {
    const { seller, first, second } = await quayside();
    const before = await standing(seller.id);
    const job = await readTill(shop.teo);
    const ladder = async () => (await stateOf(job)).market.offers.map(({ id, priceCents }) => [id, priceCents]);
    const ladderBefore = await ladder();
    const lines = [
      'SKU,Description,Price,Stock',
      `${first.sku},Corrick 8GB DDR4-2400 CL17 DIMM,${amount(first.costCents + 100)},5`,
      `${second.sku},Corrick 8GB DDR4-2400 CL17 DIMM,${amount(second.costCents * 10)},5`,
      'NEW-1,Corrick 8GB DDR4-2400 CL17 DIMM,9.00,12',
      'NEW-2,Laptop memory,9.00,12',
      'NEW-3,Corrick 8GB DDR4-2400 CL17 DIMM,2026-11-25,12',
      'NEW-1,Corrick 8GB DDR4-2400 CL17 DIMM,9.50,12',
    ];
    const { id } = must(await takeList(shop.teo, seller.id, listFile('november.csv', lines)));
    expect((await showList(READER, id))?.list.columns).toEqual({ sku: 0, title: 1, price: 2, stock: 3 });
    expect((await listRows(id)).map(({ fate, suspicion }) => [fate, suspicion])).toEqual([
      ['up', null],
      ['up', 'decimal-slip'],
      ['new', null],
      ['doubtful', null],
      ['doubtful', null],
      ['new', 'twice'],
    ]);
    expect(await standing(seller.id)).toEqual(before);

    expect(must(await applyList(shop.teo, id, { ...SURE, withdrawGone: true }))).toMatchObject({
      added: 1,
      priced: 1,
      left: 4,
    });
    expect(await standing(seller.id)).toEqual(
      expect.arrayContaining([
        [first.sku, first.costCents + 100, 5],
        ['NEW-1', 900, 12],
      ]),
    );
    expect(await standing(seller.id)).toHaveLength(3);
    expect(await ladder()).not.toEqual(ladderBefore);
    expect(await applyList(shop.teo, id, SURE)).toMatchObject({
      ok: false,
      code: 'conflict',
    });

    must(await undoList(shop.teo, id));
    expect((await standing(seller.id)).sort()).toEqual([...before].sort());
    expect((await ladder()).sort()).toEqual([...ladderBefore].sort());
    expect(await undoList(shop.teo, id)).toMatchObject({ ok: false, code: 'conflict' });
    expect((await listsOfLate(READER))[0]).toMatchObject({
      name: 'november.csv',
      state: 'undone',
      madeBy: 'Teo Marsh',
    });
  });

  it('takes a suspicious row that somebody accepts, and brings back what had left the market', async () => {
    const { seller, second } = await quayside();
    const slip = listFile('slip.csv', [
      'SKU;Description;Price',
      `${second.sku};Corrick 8GB DDR4-2400 DIMM;${amount(second.costCents * 10)}`,
      'GONE-1;Corrick 4GB DDR4-2400 DIMM;5.00',
    ]);
    const { id } = must(await takeList(shop.teo, seller.id, slip));
    must(await applyList(shop.teo, id, { ...SURE, accept: [2] }));
    expect((await sellersOffers(seller.id)).find(({ sku }) => sku === second.sku)?.costCents).toBe(
      second.costCents * 10,
    );
    must(await undoList(shop.teo, id));
    const again = must(
      await takeList(
        shop.teo,
        seller.id,
        listFile('again.csv', ['SKU;Description;Price', 'GONE-1;Corrick 4GB DDR4-2400 DIMM;5.50']),
      ),
    );
    must(await applyList(shop.teo, again.id, SURE));
    const [revived, ...more] = (await sellersOffers(seller.id)).filter(({ sku }) => sku === 'GONE-1');
    expect([revived?.withdrawn, revived?.costCents, more]).toEqual([false, 550, []]);
    must(await undoList(shop.teo, again.id));
    expect((await sellersOffers(seller.id)).find(({ sku }) => sku === 'GONE-1')?.withdrawn).toBe(true);
  });

  it('takes all suspicious rows of a kind that somebody accepts, and no others', async () => {
    const { seller, first, second } = await quayside();
    const row = (sku: string, cents: number) => `${sku};Corrick 8GB DDR4-2400 DIMM;${amount(cents)}`;
    const lines = [row(first.sku, first.costCents * 10), row(second.sku, Math.round(second.costCents * 1.7))];
    const { id } = must(
      await takeList(shop.teo, seller.id, listFile('kinds.csv', ['SKU;Description;Price', ...lines])),
    );
    expect((await listRows(id)).map(({ suspicion }) => suspicion)).toEqual(['decimal-slip', 'jump']);
    expect(must(await applyList(shop.teo, id, { ...SURE, acceptAll: ['jump', 'twice'] }))).toEqual({
      added: 0,
      priced: 1,
      withdrawn: 0,
      left: 1,
    });
    const cost = async (sku: string) => (await sellersOffers(seller.id)).find((offer) => offer.sku === sku)?.costCents;
    expect(await cost(first.sku)).toBe(first.costCents);
    expect(await cost(second.sku)).toBe(Math.round(second.costCents * 1.7));
    must(await undoList(shop.teo, id));
    expect(await cost(second.sku)).toBe(second.costCents);
  });

  it('with one number twice counts the first row, whatever is accepted', async () => {
    const { seller } = await quayside();
    const row = (price: string) => `TWICE-1,Corrick 4GB DDR4-2400 DIMM,${price}`;
    const lines = ['SKU,Description,Price', row('5.00'), row('6.00')];
    const { id } = must(await takeList(shop.teo, seller.id, listFile('twice.csv', lines)));
    expect(must(await applyList(shop.teo, id, { ...SURE, accept: [2, 3] }))).toMatchObject({
      added: 1,
      left: 1,
    });
    const offers = (await sellersOffers(seller.id)).filter(({ sku }) => sku === 'TWICE-1');
    expect(offers.map(({ costCents }) => costCents)).toEqual([500]);
    must(await undoList(shop.teo, id));
  });

  it('is undone from the last one back', async () => {
    const { seller } = await quayside();
    const list = (name: string, price: string) =>
      listFile(name, ['SKU,Description,Price', `ORDER-1,Corrick 4GB DDR4-2400 DIMM,${price}`]);
    const one = must(await takeList(shop.teo, seller.id, list('one.csv', '5.00'))).id;
    must(await applyList(shop.teo, one, SURE));
    const two = must(await takeList(shop.teo, seller.id, list('two.csv', '6.00'))).id;
    must(await applyList(shop.teo, two, SURE));
    expect(await undoList(shop.teo, one)).toMatchObject({
      ok: false,
      sentence: 'two.csv was applied after it: undo that first.',
    });
    must(await undoList(shop.teo, two));
    must(await undoList(shop.teo, one));
  });

  it('is read by columns that were corrected once, while its headings are the same', async () => {
    const { seller } = await quayside();
    const lines = ['Ref,Text,Price,Price', 'C-1,Corrick 8GB DDR4-2400 DIMM,30.00,25.00'];
    const { id } = must(await takeList(shop.teo, seller.id, listFile('two-prices.csv', lines)));
    expect(await showList(READER, id)).toMatchObject({ list: { columns: { price: 2 } }, doubtfulColumns: ['price'] });
    const columns = { headings: 0, columns: { sku: 0, title: 1, price: 3 } };
    expect(await correctColumns(shop.teo, id, { headings: 0, columns: { sku: 0, title: 0 } })).toMatchObject({
      ok: false,
    });
    must(await correctColumns(shop.teo, id, columns));
    expect((await listRows(id))[0]?.printedCents).toBe(2500);
    const next = must(await takeList(shop.teo, seller.id, listFile('next.csv', lines)));
    expect(await showList(READER, next.id)).toMatchObject({ list: { columns: { price: 3 } }, doubtfulColumns: [] });
    const other = must(
      await takeList(
        shop.teo,
        seller.id,
        listFile('other.csv', ['Ref,Text,Price,Stock', 'C-1,Corrick 8GB DDR4-2400 DIMM,30.00,2']),
      ),
    );
    expect((await showList(READER, other.id))?.list.columns).toMatchObject({ price: 2 });
  });

  it('has doubtful rows told by a person, and forgets it again', async () => {
    const { seller } = await quayside();
    const lines = ['SKU,Description,Price', 'FIX-1,Laptop memory 8GB,20.00'];
    const { id } = must(await takeList(shop.teo, seller.id, listFile('doubtful.csv', lines)));
    const fate = async () => (await listRows(id))[0];
    expect((await fate())?.doubts).toEqual(['no-generation', 'no-rate']);
    must(await fixRow(shop.teo, id, { line: 2, fix: { generation: 'DDR4', rateMTs: 3200 } }));
    expect(await fate()).toMatchObject({ fate: 'new', doubts: [], costCents: 2000 });
    must(await fixRow(shop.teo, id, { line: 2, fix: null }));
    expect((await fate())?.fate).toBe('doubtful');
    must(await fixRow(shop.teo, id, { line: 2, fix: { generation: 'DDR4', rateMTs: 3200 } }));
    expect(must(await applyList(shop.teo, id, SURE))?.added).toBe(1);
    expect(await fixRow(shop.teo, id, { line: 2, fix: null })).toMatchObject({ ok: false, code: 'conflict' });
    must(await undoList(shop.teo, id));
  });

  it('of two at once waits for the other', async () => {
    const { seller } = await quayside();
    const ids: number[] = [];
    for (const price of ['7.00', '8.00']) {
      const lines = ['SKU,Description,Price', `RACE-1,Corrick 4GB DDR4-2400 DIMM,${price}`];
      ids.push(must(await takeList(shop.teo, seller.id, listFile(`race ${price}.csv`, lines))).id);
    }
    const both = await Promise.all(ids.map((id) => applyList(shop.teo, id, SURE)));
    expect(both.map((one) => must(one)?.added).sort()).toEqual([0, 1]);
    const [{ count } = { count: 0 }] = await many<{ count: number }>(
      pool(),
      "select count(*) as count from offer where seller_part = 'RACE-1'",
    );
    expect(count).toBe(1);
  });

  test.each([
    ['nothing', '', 'There is nothing in this file.'],
    ['a damaged workbook', 'PK\u0003\u0004zzzz', 'This workbook is damaged or locked: save it again, or as CSV.'],
    ['200 columns and more', Array(201).fill('x').join(','), 'Line 1 has over 200 columns: this is no price list.'],
    ['a text', 'hello', 'There is no table in this file: a price list has at least a column for the price.'],
  ])('that is %s is told so', async (_, text, sentence) => {
    const { seller } = await quayside();
    const input = new TextEncoder().encode(text);
    const told = await takeList(shop.teo, seller.id, { name: 'x', input: inPieces(input) });
    expect(told).toMatchObject({ ok: false, sentence });
  });
});

it('compares what we pay where the seller’s own price was never noted', async () => {
  const { seller, first } = await quayside();
  const { id: _, name: _name, offers: _offers, ...fields } = seller;
  must(
    await saveSeller(shop.teo, seller.id, { ...fields, terms: { ...plainTerms('EUR'), withTax: true, taxBp: 2000 } }),
  );
  expect(first.printedCents).toBeNull();
  const row = (cents: number) => `${first.sku},Corrick 8GB DDR4-2400 CL17 DIMM,${amount(cents)}`;
  const list = (cents: number) => listFile('taxed.csv', ['SKU,Description,Price', row(cents)]);
  const { id } = must(await takeList(shop.teo, seller.id, list(Math.round(first.costCents * 1.2))));
  expect((await listRows(id))[0]).toMatchObject({ fate: 'same', byCost: true });
  const dearer = must(await takeList(shop.teo, seller.id, list(Math.round(first.costCents * 1.3))));
  expect((await listRows(dearer.id))[0]).toMatchObject({ fate: 'up', byCost: true, fromCents: first.costCents });

  // Other terms in the meantime: it is calculated again before it can be applied.
  must(await saveSeller(shop.teo, seller.id, { ...fields, terms: plainTerms('EUR') }));
  expect(await applyList(shop.teo, dearer.id, SURE)).toMatchObject({ ok: false, code: 'conflict' });
  expect((await listRows(dearer.id))[0]?.costCents).toBe(Math.round(first.costCents * 1.3));
  must(await applyList(shop.teo, dearer.id, SURE));
  must(await undoList(shop.teo, dearer.id));
  expect((await sellersOffers(seller.id)).find(({ sku }) => sku === first.sku)?.costCents).toBe(first.costCents);
});

it('asks once whose capacity a column holds, and remembers it', async () => {
  const { seller } = await quayside();
  const lines = [
    'SKU,Type,Form,Capacity,Speed,Modules,Price',
    'KIT-1,DDR4,DIMM,16 GB,3200,2,60.00',
    'KIT-2,DDR4,DIMM,8 GB,3200,1,20.00',
  ];
  const { id } = must(await takeList(shop.teo, seller.id, listFile('kits.csv', lines)));
  expect((await listRows(id)).map(({ doubts }) => doubts)).toEqual([['kit-capacity'], []]);
  const { columns, headings } = (await showList(READER, id))?.list ?? { columns: {}, headings: null };
  must(await correctColumns(shop.teo, id, { headings, columns, capacityIs: 'kit' }));
  expect((await listRows(id)).map(({ doubts }) => doubts)).toEqual([[], []]);
  const next = must(await takeList(shop.teo, seller.id, listFile('more kits.csv', lines)));
  expect((await showList(READER, next.id))?.list.capacityIs).toBe('kit');
});

it('finds the same prices suspicious as the core does, however they moved', async () => {
  const { seller, offers } = await quayside();
  const kits = offers.filter(({ costCents, withdrawn }) => costCents > 100 && !withdrawn);
  let seed = 7;
  const next = () => {
    seed = (seed * 16_807) % 2_147_483_647;
    return seed / 2_147_483_647;
  };
  const prices = kits.map(({ costCents }) => Math.max(1, Math.round(costCents * 10 ** (next() * 7 - 3.5))));
  const lines = kits.map(({ sku }, at) => `${sku},Corrick 8GB DDR4-2400 CL17 DIMM,${amount(prices[at] ?? 1)}`);
  const { id } = must(await takeList(shop.teo, seller.id, listFile('moved.csv', ['SKU,Description,Price', ...lines])));
  const rows = await listRows(id);
  expect(rows.length).toBeGreaterThan(20);
  expect(rows.map(({ suspicion }) => suspicion)).toEqual(
    kits.map(({ costCents, modules }, at) => suspicionOf(costCents, prices[at] ?? 1, modules)),
  );
});
