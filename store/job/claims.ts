import type { ModelClaim } from '../../core/machine/models/model';
import { many, run } from '../database';
import type { Queryable } from '../queryable';

/** A claim as it is stored; `value` is trusted only after `asClaim`. */
export interface StoredClaim {
  limitName: string;
  value: unknown;
  sourceKind: string;
  sourceName: string;
  note: string;
  notedOn: string;
  enteredBy: string | null;
  /** another shop that handed it over; null: it is ours */
  shop: string | null;
  /** that shop's word is believed here */
  trusted: boolean;
}

export async function listClaims(db: Queryable, modelId: number): Promise<StoredClaim[]> {
  return many<StoredClaim & Record<string, unknown>>(
    db,
    `select limit_name as "limitName", value, source_kind as "sourceKind", source_name as "sourceName", note,
       noted_on::text as "notedOn", staff.name as "enteredBy",
       other_shop.name as shop, coalesce(other_shop.trusted, true) as trusted
     from claim left join staff on staff.id = entered_by left join other_shop on other_shop.id = shop_id where model_id = $1 order by claim.id`,
    [modelId],
  );
}

/** Puts a claim beside the others; the same source's earlier word on the limit gives way. */
export async function putClaim(
  db: Queryable,
  modelId: number,
  { limit, value, source }: ModelClaim,
  staffId: number | null,
): Promise<void> {
  await run(
    db,
    `insert into claim (model_id, limit_name, value, source_kind, source_name, note, noted_on, entered_by)
     values ($1, $2, $3, $4, $5, $6, coalesce($7::date, current_date), $8)
     on conflict (model_id, limit_name, source_kind, source_name) do update
       set value = excluded.value, note = excluded.note, noted_on = excluded.noted_on, entered_by = excluded.entered_by`,
    [modelId, limit, JSON.stringify(value), source.kind, source.name, source.note, source.on, staffId],
  );
}

/** Takes one source's word on a limit out; false where it is not there. */
export async function dropClaim(
  db: Queryable,
  modelId: number,
  claim: { limit: string; kind: string; name: string },
): Promise<boolean> {
  const dropped = await run(
    db,
    'delete from claim where model_id = $1 and limit_name = $2 and source_kind = $3 and source_name = $4',
    [modelId, claim.limit, claim.kind, claim.name],
  );
  return dropped > 0;
}
