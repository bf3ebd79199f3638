import type { MarkUpStep } from '../core/pricing/sell-price';
import { maybeOne, one, type Queryable, run } from './database';

/** The shop and how it prices. Money in minor units, rates in hundredths of a percent. */
export interface Shop {
  name: string;
  town: string;
  contact: string;
  currency: string;
  timeZone: string;
  taxBp: number;
  labourCents: number;
  validityDays: number;
  markUpBp: number;
  leastMarginCents: number;
  roundUpToCents: number;
  markUpSteps: MarkUpStep[];
  priceEndings: number[];
  /** plans within so much of the least price of their rung count as equally cheap */
  bestToleranceBp: number;
  demo: boolean;
}

const COLUMNS = `name, town, contact, currency, time_zone as "timeZone", tax_bp as "taxBp",
  labour_cents as "labourCents", validity_days as "validityDays", mark_up_bp as "markUpBp",
  least_margin_cents as "leastMarginCents", round_up_to_cents as "roundUpToCents", mark_up_steps as "markUpSteps",
  price_endings as "priceEndings", best_tolerance_bp as "bestToleranceBp", demo`;

export async function getShop(db: Queryable): Promise<Shop> {
  return one<Shop>(db, `select ${COLUMNS} from shop`);
}

/** The shop, or null before it is set up. */
export async function maybeShop(db: Queryable): Promise<Shop | null> {
  return maybeOne<Shop>(db, `select ${COLUMNS} from shop`);
}

export async function insertShop(
  db: Queryable,
  shop: Omit<Shop, 'markUpSteps' | 'priceEndings' | 'bestToleranceBp'>,
): Promise<void> {
  await run(
    db,
    `insert into shop (name, town, contact, currency, time_zone, tax_bp, labour_cents, validity_days, mark_up_bp,
       least_margin_cents, round_up_to_cents, demo)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
    [
      shop.name,
      shop.town,
      shop.contact,
      shop.currency,
      shop.timeZone,
      shop.taxBp,
      shop.labourCents,
      shop.validityDays,
      shop.markUpBp,
      shop.leastMarginCents,
      shop.roundUpToCents,
      shop.demo,
    ],
  );
}

/** How a shop makes its prices. */
export type PriceRule = Pick<Shop, 'markUpBp' | 'markUpSteps' | 'leastMarginCents' | 'roundUpToCents' | 'priceEndings'>;

/** Writes how the shop makes its prices, from now on. */
export async function updatePriceRule(db: Queryable, rule: PriceRule): Promise<void> {
  await run(
    db,
    `update shop set mark_up_bp = $1, mark_up_steps = $2, least_margin_cents = $3, round_up_to_cents = $4, price_endings = $5`,
    [rule.markUpBp, JSON.stringify(rule.markUpSteps), rule.leastMarginCents, rule.roundUpToCents, rule.priceEndings],
  );
}

export async function updateBestTolerance(db: Queryable, toleranceBp: number): Promise<void> {
  await run(db, 'update shop set best_tolerance_bp = $1', [toleranceBp]);
}

/** Today's calendar day in the shop's time zone, `YYYY-MM-DD`. */
export async function shopDay(db: Queryable): Promise<string> {
  const row = await one<{ day: string }>(db, `select (now() at time zone time_zone)::date as day from shop`);
  return row.day;
}
