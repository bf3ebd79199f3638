import { modelsNamed } from '../../core/market/named-model';
import { findModels } from '../../store/library/find-models';
import { summariesOf } from '../../store/library/models';
import { bindListed, listSaidModels, noteLotsOf } from '../../store/market/list-changes';
import { bindSaid, listUnboundOriginals } from '../../store/market/originals';
import type { Queryable } from '../../store/queryable';

/** A machine that an original is said to be for, as written, and whose; empty: nobody says. */
export interface StatedModel {
  maker: string;
  said: string;
}

/** One model that a stated model is; null: none that is sure. */
export interface BoundModel extends StatedModel {
  modelId: number | null;
}

/** Models that may be meant by what is stated are looked at, the likeliest. */
const LOOKED_AT = 12;
/** Stated models of one list, or of the whole market, that are looked up at once; further ones are left to be settled by hand. */
const MOST_STATED = 2_000;

/** Which models of the library stated models are: only those that are named just so. */
export async function lookUp(db: Queryable, statedModels: readonly StatedModel[]): Promise<BoundModel[]> {
  const bound: BoundModel[] = [];
  for (const { maker, said } of statedModels) {
    const found = await findModels(db, `${maker} ${said}`, LOOKED_AT);
    const named = modelsNamed(said, maker, found);
    if (!named.ok || named.ids.length === 0) bound.push({ maker, said, modelId: null });
    else bound.push(...named.ids.map((modelId) => ({ maker, said, modelId })));
  }
  return bound;
}

/** Binds what an applied list says its originals are for. */
export async function bindList(db: Queryable, list: { id: number; sellerId: number }): Promise<void> {
  const statedModels = await listSaidModels(db, list.id, MOST_STATED);
  if (statedModels.length > 0) await bindListed(db, list, await lookUp(db, statedModels));
  await noteLotsOf(db, list.sellerId);
}

/** Tries again to bind what waits for models that the library has learned, within the change that taught it them. */
export async function bindWaiting(db: Queryable, modelIds: readonly number[]): Promise<void> {
  const waiting = await listUnboundOriginals(db, MOST_STATED);
  if (waiting.length === 0 || modelIds.length === 0) return;
  const learned = await summariesOf(db, [...modelIds]);
  const touched = waiting.filter(({ maker, said }) => modelsNamed(said, maker, learned).ids.length > 0);
  for (const { maker, said, modelId } of await lookUp(db, touched)) {
    if (modelId !== null) await bindSaid(db, { maker, said, modelId });
  }
}
