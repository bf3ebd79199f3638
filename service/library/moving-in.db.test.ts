import { many, pool } from '../../store/database';
import { openOwnShop } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { must } from '../../testing/shop';
import { find } from '../job/find';
import { takeUpJob } from '../job/job-ends';
import { showOwnStock } from '../market/own-stock';
import { showShelf } from '../market/shelf';
import { lookMoving, type Moving, moveIn, movingSchema, showMovedIn, undoMovedIn } from './moving-in';

const shop = openOwnShop();

const input = (...lines: string[]): Uint8Array => new TextEncoder().encode(lines.join('\n'));
const moving = (kind: Moving['kind'], columns?: Record<string, number>): Moving =>
  movingSchema.parse({ kind, columns });
const take = (kind: Moving['kind'], ...lines: string[]) =>
  moveIn(shop.wren, moving(kind), { name: `${kind}.csv`, input: input(...lines) });

const PEOPLE = [
  'Name;Telefon;E-Mail;Hersteller;Gerät;Seriennummer;Bemerkung;Datum',
  'Hedda Vane;0551 100;hedda@vane.example;Tarnholt;Lumen 5;LM5-77;slow;31.03.2024',
  'Hedda Vane;0551 100;HEDDA@vane.example;Tarnholt;Mast 2;MA2-1;;01.02.2023',
  'Hedda Vane;0551 100;hedda@vane.example;Tarnholt;Lumen 5;lm5-77;again;01.05.2024',
  'Orin Pell;0551 200;;;;;;',
  ';;;;;;;',
  'Bad Mail;;not a mail;;;;;',
];

describe('customers of a former program', () => {
  it('are looked at first: what is new, double and not readable, with the columns guessed', async () => {
    const look = must(await lookMoving(READER, moving('customers'), input(...PEOPLE)));
    expect(look).toMatchObject({ rows: 5, fresh: 3, doubleCount: 1, refusedCount: 1 });
    expect(look.columns).toEqual({ name: 0, phone: 1, email: 2, maker: 3, model: 4, serial: 5, note: 6, day: 7 });
    expect(look.doubles).toEqual([{ line: 4, sentence: expect.stringContaining('is there already') }]);
    expect(look.refused).toEqual([{ line: 7, sentence: expect.stringContaining('is no mail address') }]);
    expect(await showMovedIn(READER)).toEqual([]);
  });

  it('are moved in with their machines, found again, not taken twice, and undone in one act', async () => {
    const { id, taken } = must(await take('customers', ...PEOPLE));
    expect(taken).toBe(3);
    const made = await many(
      pool(),
      `select customer.name, serial, closed_as, closed_at::date::text as day, complaint from job join customer on customer.id = customer_id
       where job.moved_in_id = $1 order by serial`,
      [id],
    );
    expect(made).toEqual([
      { name: 'Orin Pell', serial: '', closed_as: 'done', day: expect.any(String), complaint: '' },
      { name: 'Hedda Vane', serial: 'LM5-77', closed_as: 'done', day: '2024-03-31', complaint: 'slow' },
      { name: 'Hedda Vane', serial: 'MA2-1', closed_as: 'done', day: '2023-02-01', complaint: '' },
    ]);
    const people = await many(pool(), 'select name from customer where moved_in_id = $1 order by name', [id]);
    expect(people).toEqual([{ name: 'Hedda Vane' }, { name: 'Orin Pell' }]);
    expect((await find(READER, { text: 'LM5-77', jobId: 0 })).jobs).toHaveLength(1);
    expect(await take('customers', ...PEOPLE)).toMatchObject({ ok: false, code: 'bad-input' });
    // A customer of before with another machine stays one customer.
    const more = must(await take('customers', 'Name,Phone,Serial', 'hedda vane,0551-100,ZZ-9'));
    const owners = await many(
      pool(),
      "select distinct customer_id from job where serial in ('ZZ-9', 'LM5-77', 'MA2-1')",
    );
    expect(owners).toHaveLength(1);
    must(await undoMovedIn(shop.wren, more.id));
    expect(must(await undoMovedIn(shop.wren, id)).sentence).toBe('customers.csv is undone.');
    expect(await many(pool(), 'select id from job')).toEqual([]);
    expect(await many(pool(), 'select id from customer')).toEqual([]);
    expect(await undoMovedIn(shop.wren, id)).toMatchObject({ ok: false, code: 'conflict' });
  });

  it('stay where somebody works on them when the file is undone', async () => {
    const { id } = must(await take('customers', 'Name,Serial', 'Hedda Vane,A-1', 'Orin Pell,B-1'));
    const [job] = await many<{ id: number }>(pool(), "select id from job where serial = 'A-1'");
    must(await takeUpJob(shop.tam, job?.id ?? 0));
    expect(must(await undoMovedIn(shop.wren, id)).sentence).toContain('1 job stays');
    expect(await many(pool(), 'select name from customer')).toEqual([{ name: 'Hedda Vane' }]);
  });

  it('are read by the columns that somebody told', async () => {
    const look = must(await lookMoving(READER, moving('customers', { name: 1 }), input('A,B', 'x,Vane', 'y,')));
    expect(look).toMatchObject({ columns: { name: 1 }, fresh: 1, refusedCount: 1 });
  });
});

const STOCK = [
  'Description,Qty,Purchase price,Location,Condition,Serial',
  'Corrick 8GB DDR4-2666 CL19 SO-DIMM,3,"19,50",drawer 3,new,',
  'Corrick 16GB DDR4-2666 CL19 SO-DIMM,1,22.00,drawer 4,used,CR-1',
  'Corrick 8GB DDR4-2666 CL19 SO-DIMM,1,20,drawer 3,new,',
  'Corrick 4GB DDR4-2666 CL19 SO-DIMM,2,9.00,drawer 4,used,',
  'A box of screws,5,1,,,',
  'Corrick 8GB DDR4-2666 CL19 SO-DIMM,0,20,drawer 5,new,',
];

describe('stock of a former program', () => {
  it('lies in stock and among the used parts, with doubles found, and is taken away again', async () => {
    const look = must(await lookMoving(READER, moving('stock'), input(...STOCK)));
    expect(look).toMatchObject({ fresh: 3, doubleCount: 1, refusedCount: 2 });
    const { id } = must(await take('stock', ...STOCK));
    expect(await showOwnStock(READER)).toMatchObject([{ free: 3, costCents: 1950, place: 'drawer 3' }]);
    expect((await showShelf(READER)).map(({ serial }) => serial).toSorted()).toEqual(['CR-1', null, null]);
    expect(must(await lookMoving(READER, moving('stock'), input(...STOCK)))).toMatchObject({
      fresh: 0,
      doubleCount: 4,
    });
    expect(must(await undoMovedIn(shop.wren, id)).sentence).toBe('stock.csv is undone.');
    expect(await showOwnStock(READER)).toEqual([]);
    expect(await showShelf(READER)).toEqual([]);
  });
});

const MODELS = [
  'Maker,Model,Year,Memory type,Form,Slots,Max memory',
  'Tarnholt,Lumen 5,2019,DDR4,Laptop,2,32',
  'Tarnholt,LUMEN 5,2019,DDR4,Laptop,2,32',
  'Tarnholt,Odd,2019,DDR4,Laptop,3,',
];

describe('models of a former program', () => {
  it('are made of usual boards with what the file says beyond, and go again where nobody uses them', async () => {
    const { id, taken } = must(await take('models', ...MODELS));
    expect(taken).toBe(1);
    const made = await many(
      pool(),
      `select name, (select count(*)::integer from model_slot where model_id = model.id) as slots,
         (select value from claim where model_id = model.id and limit_name = 'totalMiB') as most
       from model where moved_in_id = $1`,
      [id],
    );
    expect(made).toEqual([{ name: 'Lumen 5', slots: 2, most: 32_768 }]);
    expect(must(await undoMovedIn(shop.wren, id)).sentence).toBe('models.csv is undone.');
    expect(await many(pool(), 'select id from model')).toEqual([]);
  });
});

it('a file that is no table changes nothing', async () => {
  expect(await take('customers', 'MZ\u0000')).toMatchObject({ ok: false, code: 'bad-input' });
  expect(await undoMovedIn(shop.wren, 999)).toMatchObject({ ok: false, code: 'not-found' });
});
