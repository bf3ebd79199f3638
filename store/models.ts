import type { ModelSlot } from '../core/machine/slots-of-reading';
import { many, maybeOne, one, type Queryable, run } from './database';

export interface Model {
  id: number;
  maker: string;
  name: string;
  yearFrom: number;
  yearTo: number | null;
  note: string;
}

/** A claim as it is stored; `value` is trusted only after `asClaim`. */
export interface StoredClaim {
  limitName: string;
  value: unknown;
  sourceKind: string;
  sourceName: string;
}

const COLUMNS = 'id, maker, name, year_from as "yearFrom", year_to as "yearTo", note';

export async function getModel(db: Queryable, id: number): Promise<Model | null> {
  return maybeOne<Model>(db, `select ${COLUMNS} from model where id = $1`, [id]);
}

export interface ModelSummary extends Model {
  sockets: number;
  solderedSlots: number;
  generations: unknown;
  form: unknown;
}

/** The library, each model with what tells it apart at a glance. */
export async function listModels(db: Queryable): Promise<ModelSummary[]> {
  return many<ModelSummary>(
    db,
    `select ${COLUMNS},
       (select count(*) from model_slot where model_id = model.id and soldered is null) as sockets,
       (select count(*) from model_slot where model_id = model.id and soldered is not null) as "solderedSlots",
       (select value from claim where model_id = model.id and limit_name = 'generations' limit 1) as generations,
       (select value from claim where model_id = model.id and limit_name = 'form' limit 1) as form
     from model order by maker, name, year_from`,
  );
}

/** The model whose product strings hold this one; null where none or several do. */
export async function findModelByProduct(db: Queryable, product: string): Promise<Model | null> {
  const rows = await many<Model>(db, `select ${COLUMNS} from model where product_strings @> array[lower($1)] limit 2`, [
    product,
  ]);
  return rows.length === 1 ? (rows[0] ?? null) : null;
}

export async function listModelSlots(db: Queryable, modelId: number): Promise<ModelSlot[]> {
  return many<ModelSlot & Record<string, unknown>>(
    db,
    `select name, channel, bank, max_mib as "maxMiB", soldered from model_slot where model_id = $1 order by position`,
    [modelId],
  );
}

export async function listClaims(db: Queryable, modelId: number): Promise<StoredClaim[]> {
  return many<StoredClaim & Record<string, unknown>>(
    db,
    `select limit_name as "limitName", value, source_kind as "sourceKind", source_name as "sourceName"
     from claim where model_id = $1 order by id`,
    [modelId],
  );
}

export interface NewModel extends Omit<Model, 'id'> {
  productStrings: string[];
  slots: ModelSlot[];
  claims: StoredClaim[];
}

export async function insertModel(db: Queryable, model: NewModel): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into model (maker, name, year_from, year_to, product_strings, note) values ($1, $2, $3, $4, $5, $6) returning id`,
    [
      model.maker,
      model.name,
      model.yearFrom,
      model.yearTo,
      model.productStrings.map((text) => text.toLowerCase()),
      model.note,
    ],
  );
  for (const [index, slot] of model.slots.entries()) {
    await run(
      db,
      `insert into model_slot (model_id, position, name, channel, bank, max_mib, soldered) values ($1, $2, $3, $4, $5, $6, $7)`,
      [id, index + 1, slot.name, slot.channel, slot.bank, slot.maxMiB, slot.soldered],
    );
  }
  for (const { limitName, value, sourceKind, sourceName } of model.claims) {
    await run(
      db,
      `insert into claim (model_id, limit_name, value, source_kind, source_name) values ($1, $2, $3, $4, $5)`,
      [id, limitName, JSON.stringify(value), sourceKind, sourceName],
    );
  }
  return id;
}
