import { z } from 'zod';
import { type FeedItem, fetchSellerFeed } from '../outward/seller-feed';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import {
  findBySellerPart,
  insertPrice,
  listOffers,
  listSellerFeeds,
  lockOffer,
  type PricedOffer,
  setStock,
} from '../store/offers';
import { getShop } from '../store/shop';
import type { Caller } from './access';
import { offerSellPrice } from './offers-for-job';
import { done, fault, type Result } from './result';

export interface OfferRow extends PricedOffer {
  sellCents: number;
}

export async function offerRows(): Promise<{ currency: string; offers: OfferRow[]; feeds: number }> {
  const shop = await getShop(pool());
  const offers = await listOffers(pool());
  const feeds = await listSellerFeeds(pool());
  return {
    currency: shop.currency,
    feeds: feeds.length,
    offers: offers.map((offer) => ({ ...offer, sellCents: offerSellPrice(shop, offer.costCents) })),
  };
}

export const priceSchema = z.strictObject({
  costCents: z
    .number()
    .int('A price is a whole number of cents.')
    .positive('A price must be more than 0.')
    .max(10_000_000, 'That price is too high to be right.'),
});

/** Notes a new price of an offer; earlier ones stay in its history, and sent quotes keep theirs. */
export async function changePrice(
  caller: Caller,
  offerId: number,
  { costCents }: z.infer<typeof priceSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const offer = await lockOffer(db, offerId);
    if (offer === null) return fault('not-found', 'This offer is no longer on the market.');
    if (offer.costCents === costCents) return done(null);
    await insertPrice(db, offerId, costCents, `typed by ${caller.name}`);
    await noteEvent(db, {
      jobId: null,
      staffId: caller.id,
      kind: 'price-changed',
      detail: { offerId, from: offer.costCents, to: costCents },
    });
    return done(null);
  });
}

export interface FeedOutcome {
  seller: string;
  changed: number;
  sentence: string;
}

async function applyFeed(sellerId: number, seller: string, items: readonly FeedItem[]): Promise<number> {
  return transaction(async (db) => {
    let changed = 0;
    for (const item of items) {
      const offer = await findBySellerPart(db, sellerId, item.part);
      if (offer === null) continue;
      if (offer.costCents !== item.costCents) {
        await insertPrice(db, offer.id, item.costCents, `feed of ${seller}`);
        changed++;
      }
      if (offer.stock !== item.stock) await setStock(db, offer.id, item.stock);
    }
    return changed;
  });
}

/** Asks every seller's feed for today's prices. A feed that fails changes nothing and is named. */
export async function refreshPrices(caller: Caller): Promise<Result<FeedOutcome[]>> {
  const feeds = await listSellerFeeds(pool());
  const outcomes = await Promise.all(
    feeds.map(async ({ id, name, feedUrl }): Promise<FeedOutcome> => {
      const feed = await fetchSellerFeed(feedUrl);
      if (!feed.ok) return { seller: name, changed: 0, sentence: `${name}: ${feed.sentence}` };
      const changed = await applyFeed(id, name, feed.items);
      return { seller: name, changed, sentence: `${name}: ${changed} of ${feed.items.length} prices moved.` };
    }),
  );
  await noteEvent(pool(), { jobId: null, staffId: caller.id, kind: 'prices-refreshed', detail: { outcomes } });
  return done(outcomes);
}
