import { currencyDecimals } from './currency';
import { roundHalfEven } from './round-half-even';
import type { Coupon, SellerTerms, Shipping } from './seller-terms';

/** Weight of one module as it is sent, with its share of the wrapping, grams. */
export const MODULE_GRAMS = 60;

/** A rate between currencies on a day: millionths of the shop's unit for one unit of the seller's. */
export interface ExchangeRate {
  from: string;
  to: string;
  micro: number;
  /** `YYYY-MM-DD` */
  on: string;
}

/** What a seller's prices are counted by. */
export interface CountingGround {
  terms: SellerTerms;
  /** the shop's */
  currency: string;
  /** `YYYY-MM-DD` */
  day: string;
  rates: readonly ExchangeRate[];
}

export interface PrintedPrice {
  /** as it stands on the seller's list, for one unit, minor units of the seller's currency */
  cents: number;
  coupon: Coupon | null;
  /** modules in one unit */
  modules: number;
  /** units ordered together, which share the shipping */
  units: number;
}

/** One step from a printed price to the one that counts; `cents` is what it changes, in `currency`. */
export interface PriceStep {
  what: 'printed' | 'coupon' | 'promotion' | 'shipping' | 'tax-off' | 'tax-on' | 'exchange';
  cents: number;
  currency: string;
}

export type CountedPrice =
  | {
      ok: true;
      /** what one unit costs the shop, without tax that it gets back, minor units of its own currency */
      costCents: number;
      steps: PriceStep[];
      /** the dated rate that was used; null: the same currency */
      rate: ExchangeRate | null;
    }
  | { ok: false; sentence: string };

/** Does a coupon count on this day? */
export function couponRuns({ endsOn }: Coupon, day: string): boolean {
  return endsOn === null || endsOn >= day;
}

/** What a coupon takes off one unit; never more than the unit. */
function couponOff(cents: number, { percentBp, cents: amount }: Coupon): number {
  const off = percentBp === null ? (amount ?? 0) : roundHalfEven(cents, percentBp, 10_000);
  return Math.min(off, cents);
}

/** What shipping an order of these units costs. */
export function shippingCents(shipping: Shipping, orderCents: number, grams: number): number {
  if (shipping.kind === 'none') return 0;
  if (shipping.kind === 'flat') {
    const free = shipping.freeFromCents !== null && orderCents >= shipping.freeFromCents;
    return free ? 0 : shipping.cents;
  }
  const steps = [...shipping.steps].sort((a, b) => a.upToGrams - b.upToGrams);
  return (steps.find(({ upToGrams }) => grams <= upToGrams) ?? steps.at(-1))?.cents ?? 0;
}

/** Notes a step that changes anything; returns by how much. */
function step(steps: PriceStep[], what: PriceStep['what'], cents: number, currency: string): number {
  if (cents !== 0) steps.push({ what, cents, currency });
  return cents;
}

/**
 * What a printed price comes to for the shop: less a coupon and then the seller's promotion, where they run, plus its share of the shipping (rounded up, so
 * that the shares never fall short of the whole), less tax that the shop gets back or plus tax that it does not, turned
 * into the shop's currency. Every step is told. Percentages and rates round half to even.
 *
 * @param day the day it is counted for, `YYYY-MM-DD`
 * @param rates dated rates; the latest up to that day is used
 */
export function countedPrice(
  printed: PrintedPrice,
  terms: SellerTerms,
  shop: { currency: string; day: string; rates: readonly ExchangeRate[] },
): CountedPrice {
  const { currency, promotion } = terms;
  const { coupon, modules, units } = printed;
  const steps: PriceStep[] = [];
  let now = step(steps, 'printed', printed.cents, currency);
  if (coupon !== null && couponRuns(coupon, shop.day)) now += step(steps, 'coupon', -couponOff(now, coupon), currency);
  if (promotion != null && couponRuns(promotion, shop.day)) {
    now += step(steps, 'promotion', -couponOff(now, promotion), currency);
  }
  const whole = shippingCents(terms.shipping, now * units, MODULE_GRAMS * modules * units);
  now += step(steps, 'shipping', Math.ceil(whole / units), currency);
  if (terms.withTax && terms.taxBack) {
    now += step(steps, 'tax-off', roundHalfEven(now, 10_000, 10_000 + terms.taxBp) - now, currency);
  }
  if (!terms.withTax && !terms.taxBack) {
    now += step(steps, 'tax-on', roundHalfEven(now, terms.taxBp, 10_000), currency);
  }
  if (currency === shop.currency) return { ok: true, costCents: now, steps, rate: null };
  const [rate] = shop.rates
    .filter(({ from, to, on }) => from === currency && to === shop.currency && on <= shop.day)
    .sort((a, b) => (a.on < b.on ? 1 : -1));
  if (rate === undefined) {
    return { ok: false, sentence: `There is no rate from ${currency} to ${shop.currency} up to this day.` };
  }
  // A rate is between units; what is counted are minor ones, of which currencies have more or fewer (ISO 4217).
  const costCents = roundHalfEven(
    now,
    rate.micro * 10 ** currencyDecimals(shop.currency),
    1_000_000 * 10 ** currencyDecimals(currency),
  );
  steps.push({ what: 'exchange', cents: costCents, currency: shop.currency });
  return { ok: true, costCents, steps, rate };
}
