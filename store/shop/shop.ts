import type { Language } from '../../core/language';
import type { Charges } from '../../core/pricing/charges';
import type { MarkUpStep } from '../../core/pricing/sell-price';
import { contactLine, type ShopIdentity } from '../../core/shop/identity';
import { maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

/** Sizes of paper (ISO 216, ANSI Y14.1). */
export const PAPERS = ['A4', 'Letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** The shop and how it prices. Money in minor units, rates in hundredths of a percent. */
export interface Shop extends Charges, ShopIdentity {
  /** where it is reached, as one line of its papers */
  contact: string;
  currency: string;
  timeZone: string;
  /** what its papers are written in, where a customer has no other wish */
  language: Language;
  paper: Paper;
  hasLogo: boolean;
  /** what the button says by which a customer accepts, by language; left out: the usual word */
  acceptWords: Partial<Record<Language, string>>;
  /** customers read a part's number, and who sells it, beside its maker */
  paperPart: boolean;
  paperSeller: boolean;
  /** whom its mail comes from; empty: it sends none */
  mailFrom: string;
  /** customers are reminded so many days before a quote's last; 0: never */
  remindDays: number;
  markUpBp: number;
  leastMarginCents: number;
  roundUpToCents: number;
  markUpSteps: MarkUpStep[];
  priceEndings: number[];
  /** plans within so much of the least price of their rung count as equally cheap */
  bestToleranceBp: number;
  /** the counter sees what things cost the shop, and what options leave it */
  counterSeesCost: boolean;
  /** what parts must bring above their cost without an owner's word, hundredths of a percent of the cost */
  lowestMarginBp: number;
  /** where customers reach the shop, an address that an owner confirmed; empty: none */
  customerAddress: string;
  /** guarantee that quotes promise, months; 0: none is told */
  guaranteePartsMonths: number;
  guaranteeWorkMonths: number;
  /** customers read what a GB costs */
  paperPerGb: boolean;
  demo: boolean;
}

/** The checklist of a new shop's first hour: put away, and what was said to be not needed. */
export interface FirstHour {
  dismissed: boolean;
  skipped: string[];
}

const IDENTITY = `name, street, postal_code as "postalCode", town, country, phone, mail, web, tax_number as "taxNumber",
  company_number as "companyNumber", bank`;

const COLUMNS = `${IDENTITY}, contact, currency, time_zone as "timeZone", tax_bp as "taxBp",
  tax_way as "taxWay", tax_rounding as "taxRounding", labour_tax_bp as "labourTaxBp", fee_tax_bp as "feeTaxBp",
  credit_tax_bp as "creditTaxBp", labour_cents as "labourCents", labour_hour_cents as "labourHourCents",
  labour_least_cents as "labourLeastCents", labour_step_minutes as "labourStepMinutes", language, paper,
  logo is not null as "hasLogo", mail_from as "mailFrom", remind_days as "remindDays", accept_words as "acceptWords", paper_part as "paperPart",
  paper_seller as "paperSeller", validity_days as "validityDays", invoice_days as "invoiceDays", mark_up_bp as "markUpBp",
  least_margin_cents as "leastMarginCents", round_up_to_cents as "roundUpToCents", mark_up_steps as "markUpSteps",
  price_endings as "priceEndings", best_tolerance_bp as "bestToleranceBp",
  counter_sees_cost as "counterSeesCost", lowest_margin_bp as "lowestMarginBp", customer_address as "customerAddress", demo,
  guarantee_parts_months as "guaranteePartsMonths", guarantee_work_months as "guaranteeWorkMonths", paper_per_gb as "paperPerGb"`;

export async function getShop(db: Queryable): Promise<Shop> {
  return one<Shop>(db, `select ${COLUMNS} from shop`);
}

/** The shop, or null before it is set up. */
export async function maybeShop(db: Queryable): Promise<Shop | null> {
  return maybeOne<Shop>(db, `select ${COLUMNS} from shop`);
}

/** How a shop begins, but for who it is. */
type ShopStart = Pick<
  Shop,
  | 'currency'
  | 'timeZone'
  | 'taxBp'
  | 'labourCents'
  | 'validityDays'
  | 'markUpBp'
  | 'leastMarginCents'
  | 'roundUpToCents'
  | 'demo'
>;

export async function insertShop(db: Queryable, shop: ShopStart & ShopIdentity): Promise<void> {
  await run(
    db,
    `insert into shop (name, town, currency, time_zone, tax_bp, labour_cents, validity_days, mark_up_bp,
       least_margin_cents, round_up_to_cents, demo)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      ...[shop.name, shop.town, shop.currency, shop.timeZone, shop.taxBp, shop.labourCents, shop.validityDays],
      ...[shop.markUpBp, shop.leastMarginCents, shop.roundUpToCents, shop.demo],
    ],
  );
  await updateIdentity(db, shop);
}

/** Writes who the shop is, and the line of its papers that is made of it. */
export async function updateIdentity(db: Queryable, shop: ShopIdentity): Promise<void> {
  await run(
    db,
    `update shop set name = $1, street = $2, postal_code = $3, town = $4, country = $5, phone = $6, mail = $7, web = $8,
       tax_number = $9, company_number = $10, bank = $11, contact = $12`,
    [
      ...[shop.name, shop.street, shop.postalCode, shop.town, shop.country, shop.phone, shop.mail, shop.web],
      ...[shop.taxNumber, shop.companyNumber, shop.bank, contactLine(shop)],
    ],
  );
}

/** Has anything been priced or quoted yet, so that amounts in the shop's currency lie about? */
export async function hasAmounts(db: Queryable): Promise<boolean> {
  const found = await one<{ has: boolean }>(
    db,
    'select exists (select from offer_price) or exists (select from quote) as has',
  );
  return found.has;
}

export async function updatePlace(db: Queryable, place: Pick<Shop, 'currency' | 'timeZone'>): Promise<void> {
  await run(db, 'update shop set currency = $1, time_zone = $2', [place.currency, place.timeZone]);
}

/** The checklist of the first hour; null: the shop was not opened with one. */
export async function getFirstHour(db: Queryable): Promise<FirstHour | null> {
  return (await one<{ firstHour: FirstHour | null }>(db, 'select first_hour as "firstHour" from shop')).firstHour;
}

export async function updateFirstHour(db: Queryable, firstHour: FirstHour): Promise<void> {
  await run(db, 'update shop set first_hour = $1', [JSON.stringify(firstHour)]);
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

export async function updateCharges(db: Queryable, charges: Charges): Promise<void> {
  await run(
    db,
    `update shop set tax_bp = $1, tax_way = $2, tax_rounding = $3, labour_tax_bp = $4, fee_tax_bp = $5, credit_tax_bp = $6,
       labour_cents = $7, labour_hour_cents = $8, labour_least_cents = $9, labour_step_minutes = $10, validity_days = $11, invoice_days = $12`,
    [
      charges.taxBp,
      charges.taxWay,
      charges.taxRounding,
      charges.labourTaxBp,
      charges.feeTaxBp,
      charges.creditTaxBp,
      charges.labourCents,
      charges.labourHourCents,
      charges.labourLeastCents,
      charges.labourStepMinutes,
      charges.validityDays,
      charges.invoiceDays,
    ],
  );
}

/** What customers' papers and mail are like. */
export type Papers = Pick<
  Shop,
  'language' | 'paper' | 'mailFrom' | 'remindDays' | 'acceptWords' | 'paperPart' | 'paperSeller'
>;

export async function updatePapers(db: Queryable, papers: Papers): Promise<void> {
  const { language, paper, mailFrom, remindDays, acceptWords, paperPart, paperSeller } = papers;
  await run(
    db,
    `update shop set language = $1, paper = $2, mail_from = $3, remind_days = $4, accept_words = $5,
       paper_part = $6, paper_seller = $7`,
    [language, paper, mailFrom, remindDays, JSON.stringify(acceptWords), paperPart, paperSeller],
  );
}

/** What roles may see and sell. */
export type RoleRule = Pick<Shop, 'counterSeesCost' | 'lowestMarginBp'>;

export async function updateRoleRule(db: Queryable, { counterSeesCost, lowestMarginBp }: RoleRule): Promise<void> {
  await run(db, 'update shop set counter_sees_cost = $1, lowest_margin_bp = $2', [counterSeesCost, lowestMarginBp]);
}

export async function updateCustomerAddress(db: Queryable, address: string): Promise<void> {
  await run(db, 'update shop set customer_address = $1', [address]);
}

/** The shop's mark on its papers, a PNG or JPEG file; null: it has none. */
export async function getLogo(db: Queryable): Promise<Buffer | null> {
  return (await one<{ logo: Buffer | null }>(db, 'select logo from shop')).logo;
}

export async function updateLogo(db: Queryable, logo: Buffer | null): Promise<void> {
  await run(db, 'update shop set logo = $1', [logo]);
}

/** Today's calendar day in the shop's time zone, `YYYY-MM-DD`. */
export async function shopDay(db: Queryable): Promise<string> {
  const row = await one<{ day: string }>(db, `select (now() at time zone time_zone)::date as day from shop`);
  return row.day;
}
