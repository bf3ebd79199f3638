import { withContext } from '../runtime/request-context';
import { openDatabase } from '../testing/database';
import { many, one, pool, reading, run, transaction } from './database';
import { gathering } from './gather';
import type { Queryable } from './queryable';

openDatabase();

/** What is asked of a reader, with the statements that the database gets for it. */
function counting(): { db: Queryable; said: string[] } {
  const said: string[] = [];
  const query = ((what: string, values: unknown[]) => {
    said.push(typeof what === 'string' ? what : (what as { text: string }).text);
    return pool().query(what, values);
  }) as Queryable['query'];
  return { db: gathering({ query }), said };
}

const OF_TYPES = `select 7 as small, 7::bigint as large, 0.25::float8 as share, true as yes, null as nothing,
  'ä "q" \\ ' as text, date '2026-11-30' as day, timestamptz '2026-11-30 14:05:06.789+01' as at, '\\x00ff'::bytea as bytes,
  '{"a": [1, null]}'::jsonb as data, array[1, 2] as numbers, array['x', 'y'] as words`;

/** Asks these at one moment, and again, when the process knows them. */
async function twice(ask: (db: Queryable) => Promise<unknown>[]) {
  const { db, said } = counting();
  const first = await Promise.all(ask(db));
  const learning = said.splice(0).length;
  return { first, second: await Promise.all(ask(db)), learning, said };
}

it('asks in one statement what is asked at one moment, and gives every type as the driver does', async () => {
  const plain = await many(pool(), OF_TYPES);
  const { first, second, learning, said } = await twice((db) => [
    many(db, OF_TYPES),
    many(db, 'select n from generate_series(1, $1::int) as n', [3]),
    many(db, 'select $1::text || $2::text as joined, $1::text as again', ['a', 'b']),
    many(db, 'select 1 as none where false'),
  ]);
  expect(plain[0]).toMatchObject({
    at: new Date('2026-11-30T13:05:06.789Z'),
    bytes: Buffer.from([0, 255]),
  });
  const expected = [plain, [{ n: 1 }, { n: 2 }, { n: 3 }], [{ joined: 'ab', again: 'a' }], []];
  expect(first).toEqual(expected);
  expect(second).toEqual(expected);
  expect(learning).toBe(4);
  expect(said).toHaveLength(1);
});

it('asks alone what JSON would round, and refuses what is no safe integer', async () => {
  const { second, said } = await twice((db) => [
    many(db, 'select 1.50::numeric as exact'),
    many(db, "select interval '1 day' as a, array[1.10::numeric] as b"),
    many(db, 'select 13 as n'),
    many(db, 'select 14 as n'),
  ]);
  expect(second).toMatchObject([[{ exact: '1.50' }], [{ a: { days: 1 } }], [{ n: 13 }], [{ n: 14 }]]);
  expect(said).toHaveLength(3);
  const { db } = counting();
  await Promise.all([many(db, 'select $1::bigint as n', ['1']), many(db, 'select 15 as n')]);
  const asked = [many(db, 'select $1::bigint as n', ['9007199254740993']), many(db, 'select 15 as n')];
  await expect(Promise.all(asked)).rejects.toThrow('safe integer');
  await Promise.allSettled(asked);
});

it('asks again what hangs on an answer, and a statement with a name by that name', async () => {
  const ask = (db: Queryable) => [
    many<{ n: number }>(db, 'select 2 as n').then(([row]) => many(db, 'select $1::int * 2 as twice', [row?.n])),
    many(db, 'select 5 as other'),
    many(db, { name: 'named', text: 'select 9 as named' }),
  ];
  const { second, said } = await twice(ask);
  expect(second).toEqual([[{ twice: 4 }], [{ other: 5 }], [{ named: 9 }]]);
  expect(said).toHaveLength(3);
});

it('fails for everybody who asked, and goes on', async () => {
  const bad = (db: Queryable) => [many(db, 'select 1 / $1::int as n', [0]), many(db, 'select 3 as n')];
  const { db } = counting();
  await Promise.all([many(db, 'select 1 / $1::int as n', [1]), many(db, 'select 3 as n')]);
  const asked = await Promise.allSettled(bad(db));
  expect(asked.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
  expect(await many(db, 'select 4 as n')).toEqual([{ n: 4 }]);
});

it('names the request in what it asks, which is one question whoever asks it', async () => {
  const { db, said } = counting();
  const ask = () => Promise.all([many(db, 'select 11 as n'), many(db, 'select 12 as n')]);
  await ask();
  said.length = 0;
  await withContext('request-1', ask);
  expect(said).toEqual([expect.stringMatching(/^\/\* request-1 \*\/ select/)]);
  expect(await withContext('a */ b', () => one<{ q: string }>(pool(), 'select current_query() as q'))).toEqual({
    q: 'select current_query() as q',
  });
});

it('asks by a name what comes together again and again, with values of its own each time', async () => {
  const names: string[] = [];
  const query = ((what: string | { name: string }, values: unknown[]) => {
    names.push(typeof what === 'string' ? '' : what.name);
    return pool().query(what as string, values);
  }) as Queryable['query'];
  const db = gathering({ query });
  const ask = (n: number) =>
    Promise.all([many(db, 'select $1::int as often', [n]), many(db, 'select $1::text as again', [String(n)])]);
  for (let n = 1; n <= 12; n++) expect(await ask(n)).toEqual([[{ often: n }], [{ again: String(n) }]]);
  // Two are learned alone, two come together for the first times.
  expect(names.slice(0, 4)).toEqual(['', '', '', '']);
  expect(new Set(names.slice(4))).toEqual(new Set([expect.stringMatching(/^gathered /)]));
});

it('gives the connection the request’s name while a transaction is open, and no longer', async () => {
  const name = (db: Queryable) => one<{ q: string }>(db, "select current_setting('application_name') as q");
  const before = await name(pool());
  await withContext('request-2', async () => {
    expect(await reading(name)).toEqual({ q: 'request-2' });
    expect(await transaction(name)).toEqual({ q: 'request-2' });
    await expect(transaction((db) => run(db, 'select 1 / 0'))).rejects.toThrow('division');
  });
  expect(await name(pool())).toEqual(before);
});

it('reads one moment, whatever is changed meanwhile, and changes nothing', async () => {
  await run(pool(), 'create table moment (n int)');
  const seen = await reading(async (db) => {
    const before = await many(db, 'select n from moment');
    await run(pool(), 'insert into moment values (1)');
    return [before, await many(db, 'select n from moment')];
  });
  expect(seen).toEqual([[], []]);
  expect(await many(pool(), 'select n from moment')).toEqual([{ n: 1 }]);
  await expect(reading((db) => run(db, 'insert into moment values (2)'))).rejects.toThrow(/read-only/);
});
