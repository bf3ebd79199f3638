import { agoText } from '../ago-text';

const DAY_MS = 86_400_000;
/** A price that nobody noted again for so long is asked about before it is promised. */
const OLD_DAYS = 21;

/** When a price was noted, or last told again by its seller; null: it is the shop's own. */
export interface PriceAge {
  pricedAt: Date | null;
  /** where its seller's feed is sick: when its price was last known to hold, null: never; undefined: it is well */
  sickSince?: Date | null;
}

/** Days since a price was noted; null: it is the shop's own. */
export function priceDays({ pricedAt }: PriceAge, now: Date): number | null {
  return pricedAt === null ? null : Math.max(0, Math.floor((now.getTime() - pricedAt.getTime()) / DAY_MS));
}

/** What is said of a price whose seller's feed is sick. @param age how long ago it was last known to hold; null: it never was */
export const sickPriceText = (age: string | null): string =>
  age === null ? 'the feed never answered' : `price of ${age}`;

/** How old a price is, in words, where it may not hold any more: its seller's feed is sick, or nobody noted it for long. */
export function agedText(price: PriceAge, now: Date): string | null {
  const { sickSince } = price;
  if (sickSince !== undefined) return sickPriceText(sickSince && agoText(sickSince, now));
  const days = priceDays(price, now) ?? 0;
  return days < OLD_DAYS ? null : `price of ${days} days ago`;
}
