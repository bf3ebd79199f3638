import type { SellerTerms } from '../pricing/seller-terms';

/** What a seller's order comes to, in the seller's own money where its list says so. Minor units of `currency`. */
export interface OrderSum {
  currency: string;
  cents: number;
}

/** A line as far as its sum goes. */
export interface SummedLine {
  quantity: number;
  /** what the shop pays for a pack, minor units of the shop's currency */
  eachCents: number;
  /** what the seller's list prints for a pack, minor units of the seller's currency; null: unknown */
  printedCents: number | null;
}

/** What an order comes to as the seller counts it; where a printed price is unknown, as the shop counts it. */
export function orderSum(lines: readonly SummedLine[], terms: SellerTerms | null, shopCurrency: string): OrderSum {
  const isPrinted = terms !== null && lines.every(({ printedCents }) => printedCents !== null);
  const cents = lines.reduce(
    (sum, { quantity, eachCents, printedCents }) => sum + quantity * (isPrinted ? (printedCents ?? 0) : eachCents),
    0,
  );
  return { currency: isPrinted ? terms.currency : shopCurrency, cents };
}

/** How far an order is from something that is worth knowing before it goes out. */
export interface OrderHint {
  what: 'least-order' | 'free-shipping';
  /** the sum that it takes, and what is missing of it; 0: it is reached. Minor units of `currency` */
  fromCents: number;
  missingCents: number;
  currency: string;
  /** so many more of the cheapest line reach it; null: it is reached, or nothing is on the order */
  more: number | null;
}

/**
 * What a seller's thresholds say of an order: the least it takes one for, and from what sum on shipping is free. Nothing
 * is said where the order cannot be counted in the seller's money.
 */
export function orderHints(
  lines: readonly SummedLine[],
  { terms, leastCents }: { terms: SellerTerms | null; leastCents: number | null },
  shopCurrency: string,
): OrderHint[] {
  const { currency, cents } = orderSum(lines, terms, shopCurrency);
  if (currency !== (terms?.currency ?? shopCurrency)) return [];
  const shipping = terms?.shipping;
  const free = shipping?.kind === 'flat' ? shipping.freeFromCents : null;
  const prices = lines.map(({ eachCents, printedCents }) => printedCents ?? eachCents).filter((price) => price > 0);
  const hint = (what: OrderHint['what'], fromCents: number | null): OrderHint[] => {
    if (fromCents === null) return [];
    const missingCents = Math.max(0, fromCents - cents);
    const more = missingCents === 0 || prices.length === 0 ? null : Math.ceil(missingCents / Math.min(...prices));
    return [{ what, fromCents, missingCents, currency, more }];
  };
  return [...hint('least-order', leastCents), ...hint('free-shipping', free)];
}
