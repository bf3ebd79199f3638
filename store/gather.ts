import { createHash } from 'node:crypto';
import type pg from 'pg';
import type { Named, Queryable } from './queryable';

/*
 * What is asked at the same moment is asked in one statement: a page that needs ten things of a job waits once and not ten
 * times, and sees all of them at one moment. Each question becomes a column of JSON; what JSON does not tell (a time, bytes) is
 * told by the types of its columns, which are learned when a question is asked for the first time in a process.
 */

interface Question {
  text: string;
  values: readonly unknown[];
  resolve: (result: pg.QueryResult) => void;
  reject: (cause: unknown) => void;
}

/** Types as PostgreSQL numbers them (pg_type.h). */
const OID = { bytea: 17, int8: 20, timestamp: 1114, timestamptz: 1184 } as const;
/** Types that JSON cannot carry whole: numeric and its lists, intervals, and lists of times and of bytes. A question with one is asked alone. */
const NOT_IN_JSON: ReadonlySet<number> = new Set([1700, 1231, 1186, 1187, 1115, 1185, 1001]);

type Reviver = (value: unknown) => unknown;

/** How a column's JSON becomes what the driver would have given. Types that are not named here are the same in both. */
const REVIVERS: Record<number, Reviver> = {
  [OID.bytea]: (value) => Buffer.from(String(value).slice(2), 'hex'),
  [OID.int8]: (value) => {
    if (!Number.isSafeInteger(value)) throw new RangeError(`${value} does not fit a safe integer`);
    return value;
  },
  [OID.timestamp]: (value) => new Date(String(value)),
  [OID.timestamptz]: (value) => new Date(String(value)),
};

/** The columns of a question that have to be revived, by its text; null: it is asked alone. */
const learned = new Map<string, readonly [name: string, revive: Reviver][] | null>();
/** Texts are our own and few; what is made again for each request is not kept. */
const MOST_LEARNED = 500;

function learn(text: string, fields: readonly pg.FieldDef[]): void {
  if (learned.size >= MOST_LEARNED) return;
  if (fields.some(({ dataTypeID }) => NOT_IN_JSON.has(dataTypeID))) {
    learned.set(text, null);
    return;
  }
  learned.set(
    text,
    fields.flatMap(({ name, dataTypeID }) => {
      const revive = REVIVERS[dataTypeID];
      return revive === undefined ? [] : [[name, revive] as const];
    }),
  );
}

/** The mark of the request before a statement is no part of the question. */
const MARK = /^\/\* [\w-]+ \*\/ /;

/**
 * How often the same questions came together, by their text. A statement of ten questions takes the server longer to plan
 * than to run: what comes again has a name, under which each connection plans it once.
 */
const together = new Map<string, number>();
/** A name keeps a plan in each connection: what comes together this often is worth one. */
const WORTH_A_NAME = 3;
const MOST_NAMES = 200;

/** A statement by its name, once it is worth one. */
function worthNaming(text: string): string | Named {
  const before = together.get(text);
  if (before === undefined && together.size >= MOST_NAMES) return text;
  together.set(text, (before ?? 0) + 1);
  if (before === undefined || before + 1 < WORTH_A_NAME) return text;
  return { name: `gathered ${createHash('sha256').update(text).digest('base64url').slice(0, 22)}`, text };
}

/** Several questions as one, with the values of all. */
function combined(questions: readonly Question[]): { text: string; values: unknown[] } {
  const values: unknown[] = [];
  const columns = questions.map((question, at) => {
    const before = values.length;
    values.push(...question.values);
    const text = question.text.replace(/\$(\d+)/g, (_, nr) => `$${Number(nr) + before}`);
    return `(select coalesce(json_agg(q), '[]') from (${text}) as q) as a${at}`;
  });
  return { text: `select ${columns.join(',\n')}`, values };
}

function revived(text: string, rows: Record<string, unknown>[]): Record<string, unknown>[] {
  const columns = learned.get(text) ?? [];
  if (columns.length > 0)
    for (const row of rows) for (const [name, revive] of columns) if (row[name] !== null) row[name] = revive(row[name]);
  return rows;
}

/**
 * Asks through `db`, what is asked at the same moment in one statement. For questions alone: what changes anything, or locks,
 * is asked of `db` itself.
 */
export function gathering(db: Queryable): Queryable {
  let waiting: Question[] = [];
  let turn: Promise<unknown> = Promise.resolve();
  /** A connection is asked one thing after the other. */
  function inTurn<T>(asked: () => Promise<T>): Promise<T> {
    const answer = turn.then(asked);
    turn = answer.catch(() => {});
    return answer;
  }

  async function alone(question: Question): Promise<void> {
    try {
      const result = await db.query(question.text, question.values);
      learn(question.text, result.fields);
      question.resolve(result);
    } catch (cause) {
      question.reject(cause);
    }
  }

  async function askTogether(questions: readonly Question[], mark: string): Promise<void> {
    try {
      const { text, values } = combined(questions);
      const what = worthNaming(text);
      const asked = typeof what === 'string' ? mark + what : what;
      const { rows } = await db.query<Record<string, Record<string, unknown>[]>>(asked, values);
      questions.forEach(({ text, resolve }, at) => {
        const all = revived(text, rows[0]?.[`a${at}`] ?? []);
        resolve({ rows: all, rowCount: all.length, command: 'SELECT', oid: 0, fields: [] });
      });
    } catch (cause) {
      for (const { reject } of questions) reject(cause);
    }
  }

  async function ask(mark: string): Promise<void> {
    const questions = waiting;
    waiting = [];
    const known = questions.filter(({ text }) => learned.get(text) != null);
    for (const question of questions) if (known.length === 1 || !known.includes(question)) await alone(question);
    if (known.length > 1) await askTogether(known, mark);
  }

  return {
    query: <Row extends pg.QueryResultRow>(what: string | Named, values: readonly unknown[] = []) =>
      new Promise<pg.QueryResult<Row>>((resolve, reject) => {
        // One that the connection has planned already is better asked by its name.
        if (typeof what !== 'string') {
          inTurn(() => db.query<Row>(what, values)).then(resolve, reject);
          return;
        }
        const mark = MARK.exec(what)?.[0] ?? '';
        if (waiting.length === 0) setImmediate(() => void inTurn(() => ask(mark)));
        waiting.push({
          text: what.slice(mark.length),
          values,
          resolve: resolve as (result: pg.QueryResult) => void,
          reject,
        });
      }),
  };
}
