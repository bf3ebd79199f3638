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

/** Why a price may not hold any more: its seller's feed is sick (`since`: when it was last known to hold, ISO 8601; null: never), or it is old. */
export type AgedPrice = { why: 'sick'; since: string | null } | { why: 'old'; days: number };

/** Why a price may not hold any more; null: nothing speaks against it. */
export function agedPrice(price: PriceAge, now: Date): AgedPrice | null {
  const { sickSince } = price;
  if (sickSince !== undefined) return { why: 'sick', since: sickSince?.toISOString() ?? null };
  const days = priceDays(price, now) ?? 0;
  return days < OLD_DAYS ? null : { why: 'old', days };
}
