import type { CpuChoice, FactoryOption, LibrarySlot, OpeningStep } from '../../core/machine/models/model';
import { many, maybeOne, one } from '../database';
import type { Queryable } from '../queryable';

export interface Model {
  id: number;
  maker: string;
  family: string;
  name: string;
  kind: 'machine' | 'board';
  yearFrom: number;
  yearTo: number | null;
  note: string;
  modelIds: string[];
  boardIds: string[];
  productStrings: string[];
  serialPrefixes: string[];
  cpus: CpuChoice[];
  firmware: string[];
  factoryOptions: FactoryOption[];
  factoryMaxMiB: number | null;
  opening: OpeningStep[];
}

export const MODEL_COLUMNS = `model.id, maker, family, name, kind, year_from as "yearFrom", year_to as "yearTo", model.note,
  model_ids as "modelIds", board_ids as "boardIds", product_strings as "productStrings",
  serial_prefixes as "serialPrefixes", cpus, firmware, factory_options as "factoryOptions",
  factory_max_mib as "factoryMaxMiB", opening`;

export async function getModel(db: Queryable, id: number): Promise<Model | null> {
  return maybeOne<Model & Record<string, unknown>>(db, `select ${MODEL_COLUMNS} from model where id = $1`, [id]);
}

/** What of a model matters for memory, for lists and for telling models apart. */
const MEMORY_COLUMNS = `
  (select count(*) from model_slot where model_id = model.id and soldered is null) as sockets,
  (select count(*) from model_slot where model_id = model.id and soldered is not null) as "solderedSlots",
  (select value from claim where model_id = model.id and limit_name = 'generations' order by id limit 1) as generations,
  (select value from claim where model_id = model.id and limit_name = 'form' order by id limit 1) as form,
  (select min((value #>> '{}')::bigint) from claim where model_id = model.id and limit_name = 'totalMiB'
     and source_kind <> 'tested-list') as "totalMiB"`;

export interface ModelSummary extends Model {
  sockets: number;
  solderedSlots: number;
  generations: unknown;
  form: unknown;
  totalMiB: number | null;
}

/** The first models of the library, each with what tells it apart at a glance. */
export async function listModels(db: Queryable, most: number): Promise<ModelSummary[]> {
  return many<ModelSummary & Record<string, unknown>>(
    db,
    `select ${MODEL_COLUMNS}, ${MEMORY_COLUMNS} from model order by maker, name, year_from limit $1`,
    [most],
  );
}

/** Every maker of the library, as its models write it. */
export async function listMakers(db: Queryable): Promise<string[]> {
  const makers = await many<{ maker: string }>(db, 'select distinct maker from model order by maker limit 2000');
  return makers.map(({ maker }) => maker);
}

export async function countModels(db: Queryable): Promise<number> {
  return (await one<{ count: number }>(db, 'select count(*) as count from model')).count;
}

/** These models, in the order of the ids. */
export async function summariesOf(db: Queryable, ids: readonly number[]): Promise<ModelSummary[]> {
  return many<ModelSummary & Record<string, unknown>>(
    db,
    `select ${MODEL_COLUMNS}, ${MEMORY_COLUMNS} from model join unnest($1::int[]) with ordinality as wanted (id, place)
       on wanted.id = model.id order by place`,
    [ids],
  );
}

/** What a report says a machine is called, as far as it says. */
export interface ReportedNames {
  product: string | null;
  board: string | null;
  serial: string | null;
}

/** Models by a product string or model number, and by the board's name where neither is known. */
export const MODELS_BY_NAMES = `
with named as (
  select id, serial_prefixes from model
  where product_strings @> array[lower($1::text)] or id_keys @> plain_keys(array[$1::text])
), boarded as (
  select id, serial_prefixes from model where board_keys @> plain_keys(array[$2::text])
)
select id, exists (select from unnest(serial_prefixes) as prefix where starts_with(upper($3::text), upper(prefix)))
  as "bySerial"
from named
union all
select id, false from boarded where not exists (select from named)
limit 20`;

/** Ids of the models that a report may mean: one where it is sure; where a serial number tells them apart, that one. */
export async function findReportedModels(db: Queryable, { product, board, serial }: ReportedNames): Promise<number[]> {
  const rows = await many<{ id: number; bySerial: boolean | null }>(db, MODELS_BY_NAMES, [product, board, serial]);
  const told = rows.filter(({ bySerial }) => bySerial === true);
  return (told.length > 0 ? told : rows).map(({ id }) => id);
}

export async function listModelSlots(db: Queryable, modelId: number): Promise<LibrarySlot[]> {
  return many<LibrarySlot & Record<string, unknown>>(
    db,
    `select name, channel, bank, max_mib as "maxMiB", lid_name as "lidName", place, latch, soldered
     from model_slot where model_id = $1 order by position`,
    [modelId],
  );
}

/** Ids of the models of the jobs that were touched last, each once. */
export async function listRecentModelIds(db: Queryable, most: number): Promise<number[]> {
  const rows = await many<{ id: number }>(
    db,
    `select model_id as id from job where model_id is not null group by model_id order by max(touched_at) desc limit $1`,
    [most],
  );
  return rows.map(({ id }) => id);
}
