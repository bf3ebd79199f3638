import { priceListPieces } from '../../bench/price-list';
import { many, pool, run } from '../../store/database';
import { amount } from '../../testing/amount';
import { READER } from '../../testing/reader';
import { listFile, listRows, must, openTestShop, quayside, SURE } from '../../testing/shop';
import { applyList, undoList, workOnList } from './apply-list';
import {
  correctColumns,
  fixRow,
  listsOfLate,
  lookAtWork,
  moreOfGroup,
  showList,
  takeList,
  waitALittle,
} from './price-lists';
import { queueUnread } from './read-list';

const shop = openTestShop({ tasks: true });

/** A list of one row that is sure. */
const SMALL = ['SKU,Description,Net', 'FL-1,16GB DDR4-3200 SODIMM,30.00'];

describe('a list that is large, cut off, or left lying', () => {
  const ROWS = amount(40_000, 60_000);
  const large = () => priceListPieces({ rows: ROWS, kind: 'structured' });
  async function* pieces(): AsyncGenerator<Uint8Array> {
    yield* large();
  }
  const until = async (id: number, state: string) => {
    for (;;) {
      const { state: now, work } = must(await lookAtWork(READER, id));
      if (now === state && work === null) return;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };
  const counted = async () =>
    (
      await many<{ count: number }>(
        pool(),
        "select count(*) as count from offer where seller_part like 'PL-%' and withdrawn_at is null",
      )
    )[0]?.count;

  it('is read and applied in the background, says how far it is, and continues on its own when it breaks off', async () => {
    const { seller } = await quayside();
    const { id } = must(await takeList(shop.teo, seller.id, { name: 'large.csv', input: pieces() }));
    const seen = new Set<string>();
    for (let state = ''; state !== 'looked-at'; await new Promise((resolve) => setTimeout(resolve, 20))) {
      const looked = must(await lookAtWork(READER, id));
      state = looked.state;
      if (looked.work !== null) seen.add(looked.work.what);
    }
    expect([...seen]).toEqual(['reading']);
    await until(id, 'looked-at');
    const view = await showList(READER, id);
    expect(view?.groups.new).toMatchObject({ rows: ROWS, first: { length: 40 } });
    const further = must(await moreOfGroup(READER, id, { group: 'new', after: 30_000, most: 500 }));
    expect(further.map(({ line }) => line).slice(0, 2)).toEqual([30_001, 30_002]);

    // The database ends the connection that applies it, in the midst of it.
    const applying = applyList(shop.teo, id, SURE);
    for (let ended = 0; ended === 0; ) {
      const [{ count } = { count: 0 }] = await many<{ count: number }>(
        pool(),
        `select count(pg_terminate_backend(pid)) as count from pg_stat_activity
         where datname = current_database() and query like '%with fresh as%' and pid <> pg_backend_pid()`,
      );
      ended = count;
    }
    expect(await counted()).toBe(0);
    // What was acknowledged is tried again on its own, from the beginning.
    must(await applying);
    expect(await applyList(shop.teo, id, SURE)).toMatchObject({ ok: false, code: 'conflict' });
    await until(id, 'applied');
    expect(await counted()).toBe(ROWS);
    expect((await showList(READER, id))?.list.outcome).toEqual({ added: ROWS, priced: 0, withdrawn: 0, left: 0 });
    must(await undoList(shop.teo, id));
    await until(id, 'undone');
    expect(await counted()).toBe(0);
  }, 120_000);

  it('is read in its order, whichever part of it comes first from the database', async () => {
    const { seller } = await quayside();
    const ask = pool().query.bind(pool());
    const spy = jest.spyOn(pool(), 'query').mockImplementation((async (text: string, values?: unknown[]) => {
      const isPart = String(text).startsWith('select bytes from price_list_part');
      // Each part takes longer than the one after it.
      if (isPart) await new Promise((resolve) => setTimeout(resolve, 400 - 80 * Number(values?.[1])));
      return ask(text, values);
    }) as never);
    const { id } = must(await takeList(shop.teo, seller.id, { name: 'order.csv', input: pieces() }));
    await until(id, 'looked-at');
    spy.mockRestore();
    const [{ count } = { count: 0 }] = await many<{ count: number }>(
      pool(),
      "select count(*) as count from price_list_row where list_id = $1 and sku = 'PL-' || (line - 1)",
      [id],
    );
    expect(count).toBe(ROWS);
  }, 60_000);

  it('whose work fails for the last time says so, and counts for nothing', async () => {
    const { seller } = await quayside();
    const { id } = must(await takeList(shop.teo, seller.id, listFile('fails.csv', SMALL)));
    await run(
      pool(),
      `create function refuse_applied() returns trigger language plpgsql as $$ begin raise exception 'no room'; end $$`,
    );
    await run(
      pool(),
      `create trigger refuse_applied before update on price_list for each row when (new.state = 'applied')
       execute function refuse_applied()`,
    );
    const task = { id, what: 'applying' as const, wanted: SURE, by: shop.teo.id };
    await expect(workOnList(task, false)).rejects.toThrow('no room');
    expect(must(await lookAtWork(READER, id))).toMatchObject({ state: 'looked-at', work: { what: 'applying' } });
    await expect(workOnList(task, true)).rejects.toThrow('no room');
    expect(must(await lookAtWork(READER, id))).toEqual({ state: 'looked-at', work: null });
    expect((await showList(READER, id))?.list.sentence).toBe('It stopped, and nothing changed: try again.');
    await run(pool(), 'drop trigger refuse_applied on price_list');
    expect(must(await applyList(shop.teo, id, SURE))).toMatchObject({ added: 1 });
    expect((await showList(READER, id))?.list.sentence).toBeNull();
  });

  it('that is cut off while it comes leaves nothing', async () => {
    const { seller } = await quayside();
    const before = (await listsOfLate(READER)).length;
    async function* cut(): AsyncGenerator<Uint8Array> {
      for (const piece of large()) {
        yield piece;
        throw new Error('the line broke');
      }
    }
    await expect(takeList(shop.teo, seller.id, { name: 'cut.csv', input: cut() })).rejects.toThrow('the line broke');
    expect((await listsOfLate(READER)).length).toBe(before);
    expect(await many(pool(), "select id from price_list where state = 'arriving'")).toEqual([]);
  });

  it('whose reading a crash ended is read again, with what was said of it', async () => {
    const { seller } = await quayside();
    const lines = ['SKU,Description,Net,Gross', 'CR-1,Laptop memory 8GB,20.00,24.00'];
    const { id } = must(await takeList(shop.teo, seller.id, listFile('crash.csv', lines)));
    must(await correctColumns(shop.teo, id, { headings: 0, columns: { sku: 0, title: 1, price: 3 } }));
    must(await fixRow(shop.teo, id, { line: 2, fix: { generation: 'DDR4', rateMTs: 3200 } }));
    await run(pool(), "update price_list set state = 'reading' where id = $1", [id]);
    await run(pool(), 'delete from price_list_row where list_id = $1', [id]);
    expect(await queueUnread()).toBe(1);
    await waitALittle(async () => (await showList(READER, id))?.list.state !== 'reading');
    expect(await queueUnread()).toBe(0);
    expect(await listRows(id)).toMatchObject([{ fate: 'new', printedCents: 2400, doubts: [] }]);
  });
});
