import { z } from 'zod';
import {
  guessMovedColumns,
  MOVED_KINDS,
  MOVED_ROLES,
  type MovedColumns,
  type MovedKind,
} from '../../core/moving-in/columns';
import { movedModel } from '../../core/moving-in/moved-model';
import { type MovedCustomer, type MovedStock, movedCustomer, movedStock } from '../../core/moving-in/moved-row';
import { currencyDecimals } from '../../core/pricing/currency';
import { readMovedRows } from '../../outward/lists/moved-rows';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import {
  deleteMovedCustomers,
  deleteMovedModels,
  insertMovedCustomers,
  insertMovedIn,
  listMovedIn,
  lockMovedIn,
  lockMovingIn,
  type MovedIn,
  setModelMovedIn,
  setOfferMovedIn,
  setUndone,
  takeMovedStock,
} from '../../store/library/moving-in';
import type { Queryable } from '../../store/queryable';
import { getShop } from '../../store/shop/shop';
import { newStockSchema, putNewStock } from '../market/own-stock';
import { pieceSchema, putPiece } from '../market/shelf';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { AS_USED, type LeftOut, type Sorted, sortCustomers, sortModels, sortStock } from './moved-doubles';
import { newModelSchema, putModel } from './new-model';

/** How a file is read: what is in it, and its columns, which are guessed where none are told. */
export const movingSchema = z.strictObject({
  kind: z.enum(MOVED_KINDS),
  columns: z.record(z.string().max(20), z.number().int().min(0).max(99)).nullable().default(null),
});
export type Moving = z.infer<typeof movingSchema>;

/** What a file would bring. */
export interface MovingLook {
  headings: string[];
  columns: MovedColumns;
  /** the first rows as they stand */
  sample: string[][];
  rows: number;
  /** rows that become something */
  fresh: number;
  /** rows of what the shop has already, or that stand twice in the file */
  doubles: LeftOut[];
  doubleCount: number;
  /** rows that cannot be read */
  refused: LeftOut[];
  refusedCount: number;
}

const SHOWN = 20;
const SAMPLE = 6;
/** Of modules and models so many at most: each is put in as if by hand. */
const MOST_BY_HAND = 2_000;

/** Columns that somebody told, of roles that this kind has; else as the headings tell. */
function columnsOf({ kind, columns }: Moving, headings: readonly string[]): MovedColumns {
  if (columns === null) return guessMovedColumns(kind, headings);
  return Object.fromEntries(
    MOVED_ROLES[kind].flatMap((role) => (columns[role] === undefined ? [] : [[role, columns[role]]])),
  );
}

/** What a file comes to, with a way to move it in. */
interface Understood {
  look: MovingLook;
  take: (db: Queryable, caller: Caller, movedInId: number, fileName: string) => Promise<Result<null>>;
}

function read<T>(
  rows: readonly { line: number; cells: string[] }[],
  one: (cells: string[], line: number) => { ok: true; row: T } | ({ ok: false } & LeftOut),
) {
  const good: T[] = [];
  const refused: LeftOut[] = [];
  for (const { line, cells } of rows) {
    const result = one(cells, line);
    if (result.ok) good.push(result.row);
    else refused.push({ line, sentence: result.sentence });
  }
  return { good, refused };
}

/** Puts each in as if by hand; the first that is not taken undoes all. */
async function takeEach<T extends { line: number }>(
  rows: readonly T[],
  put: (row: T) => Promise<Result<unknown>>,
): Promise<Result<null>> {
  if (rows.length > MOST_BY_HAND)
    return fault(
      'bad-input',
      `At most ${MOST_BY_HAND.toLocaleString('en')} rows of these at once: move them in by parts.`,
    );
  for (const row of rows) {
    const result = await put(row);
    if (!result.ok) return fault(result.code, `Line ${row.line}: ${result.sentence}`);
  }
  return done(null);
}

async function putStock(db: Queryable, caller: Caller, movedInId: number, row: MovedStock): Promise<Result<null>> {
  const { label, quantity, costCents, place, used, serial } = row;
  if (!used) {
    const put = await putNewStock(db, caller, newStockSchema.parse({ label, quantity, costCents, place }));
    if (!put.ok) return put;
    await setOfferMovedIn(db, put.value.offerId, movedInId);
    return done(null);
  }
  const piece = pieceSchema.parse({ label, serial, ...AS_USED, note: place, worthCents: costCents });
  for (let nr = 0; nr < quantity; nr++) {
    const put = await putPiece(db, caller, piece);
    if (!put.ok) return put;
    await setOfferMovedIn(db, put.value.offerId, movedInId);
  }
  return done(null);
}

async function understand(db: Queryable, moving: Moving, input: Uint8Array): Promise<Result<Understood>> {
  const file = await readMovedRows(input);
  if (typeof file === 'string') return fault('bad-input', file);
  const columns = columnsOf(moving, file.headings);
  const look = <T>({ good, refused }: { good: T[]; refused: LeftOut[] }, sorted: Sorted<T>): MovingLook => ({
    headings: file.headings,
    columns,
    rows: file.rows.length,
    fresh: sorted.fresh.length,
    sample: file.rows.slice(0, SAMPLE).map(({ cells }) => cells.map((cell) => cell.slice(0, 80))),
    doubles: sorted.doubles.slice(0, SHOWN),
    doubleCount: sorted.doubles.length,
    refused: refused.slice(0, SHOWN),
    refusedCount: file.rows.length - good.length,
  });
  if (moving.kind === 'customers') {
    const all = read(file.rows, (cells, line) => movedCustomer(cells, columns, line));
    const sorted = await sortCustomers(db, all.good);
    return done({
      look: look<MovedCustomer>(all, sorted),
      take: async (tx, _, movedInId, name) => {
        await insertMovedCustomers(tx, movedInId, name, sorted.fresh);
        return done(null);
      },
    });
  }
  if (moving.kind === 'stock') {
    const { currency } = await getShop(db);
    const all = read(file.rows, (cells, line) => movedStock(cells, columns, line, currencyDecimals(currency)));
    const sorted = await sortStock(db, all.good);
    return done({
      look: look(all, sorted),
      take: (tx, caller, id) => takeEach(sorted.fresh, (row) => putStock(tx, caller, id, row)),
    });
  }
  const all = read(file.rows, (cells, line) => movedModel(cells, columns, line));
  const sorted = await sortModels(db, all.good);
  return done({
    look: look(all, sorted),
    take: (tx, caller, movedInId, fileName) =>
      takeEach(sorted.fresh, async ({ maker, name, yearFrom, template, generation, moduleMiB, totalMiB }) => {
        const from = { kind: 'template', template, generation };
        const said = { kind: 'technician', name: `moved in from ${fileName}` };
        const typed = newModelSchema.safeParse({ maker, name, yearFrom, from, moduleMiB, totalMiB, said });
        if (!typed.success)
          return fault('bad-input', typed.error.issues[0]?.message ?? 'Something in it is not right.');
        const made = await putModel(tx, caller, typed.data);
        if (made.ok) await setModelMovedIn(tx, made.value.id, movedInId);
        return made;
      }),
  });
}

/** What moving a file in would bring; nothing is kept. */
export async function lookMoving(
  _: Caller<'shop.settings'>,
  moving: Moving,
  input: Uint8Array,
): Promise<Result<MovingLook>> {
  const understood = await understand(pool(), moving, input);
  return understood.ok ? done(understood.value.look) : understood;
}

class NotTaken extends Error {
  constructor(readonly result: Result<never>) {
    super('not taken');
  }
}

/** Moves a file in, whole or not at all. */
export async function moveIn(
  caller: Caller<'shop.settings'>,
  moving: Moving,
  file: { name: string; input: Uint8Array },
): Promise<Result<{ id: number; taken: number }>> {
  return transaction(async (db) => {
    await lockMovingIn(db);
    const understood = await understand(db, moving, file.input);
    if (!understood.ok) return understood;
    const { look, take } = understood.value;
    if (look.fresh === 0) return fault('bad-input', 'There is nothing in it that the shop does not have already.');
    const id = await insertMovedIn(db, { kind: moving.kind, name: file.name, taken: look.fresh, staffId: caller.id });
    const taken = await take(db, caller, id, file.name);
    if (!taken.ok) throw new NotTaken(taken);
    const detail = { id, kind: moving.kind, taken: look.fresh };
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'moved-in', detail });
    return done({ id, taken: look.fresh });
  }).catch((cause) => {
    if (cause instanceof NotTaken) return cause.result;
    throw cause;
  });
}

const UNDO: Record<
  MovedKind,
  { undo: (db: Queryable, id: number) => Promise<number>; left: (count: number) => string }
> = {
  customers: {
    undo: deleteMovedCustomers,
    left: (count) => `${count === 1 ? '1 job stays' : `${count} jobs stay`}: somebody works on what was moved in.`,
  },
  stock: {
    undo: takeMovedStock,
    left: (count) => `${count === 1 ? '1 module stays' : `${count} modules stay`}: promised to customers.`,
  },
  models: {
    undo: deleteMovedModels,
    left: (count) => `${count === 1 ? '1 model stays' : `${count} models stay`}: in use, or edited since.`,
  },
};

/** Undoes a file that was moved in, all of it but what is in use by now. @returns what stays, in a sentence */
export async function undoMovedIn(caller: Caller<'shop.settings'>, id: number): Promise<Result<{ sentence: string }>> {
  return transaction(async (db) => {
    await lockMovingIn(db);
    const movedIn = await lockMovedIn(db, id);
    if (movedIn === null) return fault('not-found', 'Nothing was moved in under this number.');
    if (movedIn.undoneAt !== null) return fault('conflict', 'This is undone already.');
    const { undo, left } = UNDO[movedIn.kind];
    const stays = await undo(db, id);
    await setUndone(db, id);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'moved-in-undone', detail: { id, stays } });
    return done({ sentence: stays === 0 ? `${movedIn.name} is undone.` : `${movedIn.name} is undone. ${left(stays)}` });
  });
}

export const showMovedIn = (_: Caller<'shop.settings'>): Promise<MovedIn[]> => listMovedIn(pool());
