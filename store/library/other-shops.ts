import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

/** Another shop whose file of models was taken in. */
export interface OtherShop {
  id: number;
  name: string;
  trusted: boolean;
  models: number;
  claims: number;
  trials: number;
}

export async function ownShopKey(db: Queryable): Promise<{ key: string; name: string }> {
  return one<{ key: string; name: string }>(db, 'select shop_key as key, name from shop');
}

/** The row of another shop, made where it is new; its name is the latest that its files give it. */
export async function otherShop(db: Queryable, { key, name }: { key: string; name: string }): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into other_shop (shop_key, name) values ($1, $2)
     on conflict (shop_key) do update set name = excluded.name returning id`,
    [key, name],
  );
  return id;
}

export async function listOtherShops(db: Queryable): Promise<OtherShop[]> {
  return many<OtherShop & Record<string, unknown>>(
    db,
    `select id, name, trusted, (select count(*) from model where shop_id = other_shop.id) as models,
       (select count(*) from claim where shop_id = other_shop.id) as claims,
       (select count(*) from trial where shop_id = other_shop.id) as trials
     from other_shop order by name, id`,
  );
}

/** Where claims and trials stand by now: what comes after is of the person who is being taken in. */
export async function marks(db: Queryable): Promise<{ claim: number; trial: number }> {
  return one<{ claim: number; trial: number }>(
    db,
    'select (select coalesce(max(id), 0) from claim) as claim, (select coalesce(max(id), 0) from trial) as trial',
  );
}

/** Says of what was added to a model since the marks whose it is. */
export async function tagAdded(
  db: Queryable,
  {
    shopId,
    modelId,
    isNew,
    since,
  }: { shopId: number; modelId: number; isNew: boolean; since: { claim: number; trial: number } },
): Promise<void> {
  await run(db, 'update claim set shop_id = $1 where model_id = $2 and id > $3', [shopId, modelId, since.claim]);
  await run(db, 'update trial set shop_id = $1 where model_id = $2 and id > $3', [shopId, modelId, since.trial]);
  if (isNew) await run(db, 'update model set shop_id = $1 where id = $2', [shopId, modelId]);
}

export async function setTrusted(db: Queryable, id: number, trusted: boolean, staffId: number): Promise<boolean> {
  const set = await run(db, 'update other_shop set trusted = $2, trusted_by = $3 where id = $1', [
    id,
    trusted,
    trusted ? staffId : null,
  ]);
  return set > 0;
}

/**
 * Takes out everything that another shop handed over: its claims and trials, and those of its models that nobody here has used or
 * added anything to.
 *
 * @returns how many models went, and how many stay since they are in use; null: there is no such shop
 */
export async function dropOtherShop(db: Queryable, id: number): Promise<{ models: number; kept: number } | null> {
  const known = await maybeOne(db, 'select id from other_shop where id = $1 for update', [id]);
  if (known === null) return null;
  await run(db, 'delete from claim where shop_id = $1', [id]);
  await run(db, 'delete from trial where shop_id = $1', [id]);
  const models = await run(
    db,
    `delete from model where shop_id = $1
       and not exists (select from job where model_id = model.id) and not exists (select from claim where model_id = model.id)
       and not exists (select from trial where model_id = model.id) and not exists (select from offer_model where model_id = model.id)
       and not exists (select from model_photo where model_id = model.id)`,
    [id],
  );
  const { kept } = await one<{ kept: number }>(db, 'select count(*) as kept from model where shop_id = $1', [id]);
  await run(db, 'delete from other_shop where id = $1', [id]);
  return { models, kept };
}
