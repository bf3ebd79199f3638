import { driftOf } from '../../../core/quoting/drift/drift';
import type { NamedDrift } from '../../../core/quoting/drift/named-drift';
import type { SentQuote } from '../../../store/job/quotes';
import { listStands } from '../../../store/market/offers-for-planning';
import type { Queryable } from '../../../store/queryable';
import { offerOfKey } from '../options/offers-for-job';

/** What moved behind a sent quote since it went out, option by option; what did not move is left out. */
export async function driftsOf(db: Queryable, jobId: number, { snapshot }: SentQuote): Promise<NamedDrift[]> {
  const keys = [...new Set(snapshot.options.flatMap(({ shop }) => shop.bought.map(({ offer }) => offer)))];
  const ids = keys.map(offerOfKey).filter(Number.isInteger);
  const stands = new Map((await listStands(db, ids, jobId)).map((stand) => [stand.id, stand]));
  return snapshot.options.flatMap((option) => {
    const drift = driftOf(option, (offer) => stands.get(offerOfKey(offer)));
    if (drift === null) return [];
    const titles = drift.parts.map(({ offer }) => [offer, stands.get(offerOfKey(offer))?.title ?? 'a part'] as const);
    return [{ ...drift, titles: Object.fromEntries(titles) }];
  });
}
