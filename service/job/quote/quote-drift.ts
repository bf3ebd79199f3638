import { driftOf } from '../../../core/quoting/drift/drift';
import type { NamedDrift } from '../../../core/quoting/drift/named-drift';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import { listStands } from '../../../store/market/offers-for-planning';
import type { WantedPart } from '../../../store/orders/orders';
import type { Queryable } from '../../../store/queryable';
import { offerOfKey } from '../options/offers-for-job';

/** An accepted option with what nobody ordered yet alone: what is ordered, proved or ours costs what it costs by then. */
export function stillToOrder(option: QuoteOption, wanted: readonly WantedPart[]): QuoteOption {
  const left = new Map(wanted.map(({ offerId, quantity }) => [offerId, quantity]));
  const bought = option.shop.bought.flatMap((part) => {
    const count = left.get(offerOfKey(part.offer));
    return count === undefined ? [] : [{ ...part, count }];
  });
  return { ...option, shop: { ...option.shop, bought } };
}

/** What moved behind options since they were sent, one by one; what did not move is left out. */
export async function driftsOf(db: Queryable, jobId: number, options: readonly QuoteOption[]): Promise<NamedDrift[]> {
  const keys = [...new Set(options.flatMap(({ shop }) => shop.bought.map(({ offer }) => offer)))];
  const ids = keys.map(offerOfKey).filter(Number.isInteger);
  const stands = new Map((await listStands(db, ids, jobId)).map((stand) => [stand.id, stand]));
  return options.flatMap((option) => {
    const drift = driftOf(option, (offer) => stands.get(offerOfKey(offer)));
    if (drift === null) return [];
    const titles = drift.parts.map(({ offer }) => [offer, stands.get(offerOfKey(offer))?.title ?? 'a part'] as const);
    return [{ ...drift, titles: Object.fromEntries(titles) }];
  });
}
