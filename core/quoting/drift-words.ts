import { listed } from '../planning/compare-plans';
import { moneyText } from '../pricing/money-text';
import type { OptionDrift, PartDrift } from './drift';

/** What moved behind an option, with what its parts are called. */
export interface NamedDrift extends OptionDrift {
  titles: Record<string, string>;
}

/** What came of each option of a quote that is renewed, by place. */
export interface Renewed {
  /** the same plan at today's price */
  same: number[];
  /** the next best equal plan stands in */
  equal: number[];
  /** nothing equal is left */
  lost: number[];
}

const GONE = { 'sold-out': 'is sold out', withdrawn: 'is off the market' } as const;

/** What became of one part, in a clause. */
function partText({ count, wasCents, nowCents, what, seller }: PartDrift, title: string, currency: string): string {
  const part = `${count > 1 ? `${count} × ` : ''}${title}${seller === '' ? '' : ` from ${seller}`}`;
  if (what === 'sold-out' || what === 'withdrawn') return `${part} ${GONE[what]}`;
  const by = moneyText(Math.abs((nowCents ?? 0) - wasCents), currency);
  const cost = `${moneyText(wasCents, currency)} then, ${moneyText(nowCents ?? 0, currency)} now`;
  return `${part} costs us ${by} ${what === 'dearer' ? 'more' : 'less'} each (${cost})`;
}

/** What moved behind one option, and what that leaves the shop, in a sentence. */
export function driftText({ place, parts, titles, leftCents, leavesCents }: NamedDrift, currency: string): string {
  const moved = listed(parts.map((part) => partText(part, titles[part.offer] ?? 'a part', currency)));
  const left =
    leavesCents === null
      ? 'it cannot be bought as promised'
      : `it leaves ${moneyText(leavesCents, currency)} instead of ${moneyText(leftCents, currency)}`;
  return `Option ${place}: ${moved}; ${left}.`;
}

const named = (places: readonly number[]): string =>
  places.length === 1 ? `Option ${places[0]}` : `Options ${listed(places.map(String))}`;

/** What came of a renewal, and what to do next. */
export function renewedText({ same, equal, lost }: Renewed): string {
  return [
    ...(same.length > 0 ? [`${named(same)}: the same at today’s prices.`] : []),
    ...(equal.length > 0 ? [`${named(equal)}: the next best equal plan.`] : []),
    ...(lost.length > 0 ? [`${named(lost)}: nothing equal is left; choose on the ladder.`] : []),
    'Look, then send it as a new version.',
  ].join(' ');
}
