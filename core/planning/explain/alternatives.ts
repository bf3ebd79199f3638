import type { MemoryModule } from '../../memory/module';
import type { Offer, PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';

/** What somebody who buys a module looks at; makers and part numbers are not of it. */
function kindOf({
  generation,
  form,
  buffering,
  ecc,
  capacityMiB,
  rateMTs,
  casLatency,
  ranks,
  voltagesMv,
}: MemoryModule) {
  return JSON.stringify([generation, form, buffering, ecc, capacityMiB, rateMTs, casLatency, ranks, voltagesMv]);
}

/** Another offer of equal modules, against the one that a plan buys. */
export interface Alternative {
  offer: Offer;
  /** how much dearer the plan would be, minor units; below 0: cheaper */
  cents: number;
}

/** Offers of the same origin, pack and kind that could take the place of so many of one, the cheapest first. */
export function alternativesTo({ offers }: PlanCase, id: string, count: number): Alternative[] {
  const bought = offerOf(offers, id);
  if (bought === undefined) return [];
  const kind = kindOf(bought.module);
  return offers
    .filter(
      (offer) =>
        offer.id !== id &&
        offer.origin === bought.origin &&
        offer.modules === bought.modules &&
        (offer.stock ?? count) >= count &&
        kindOf(offer.module) === kind,
    )
    .map((offer) => ({ offer, cents: count * (offer.priceCents - bought.priceCents) }))
    .sort((a, b) => a.cents - b.cents);
}
