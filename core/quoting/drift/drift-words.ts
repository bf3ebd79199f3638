import { moneyText } from '../../pricing/money-text';
import type { SeenDrift } from './seen-drift';

/** What came of each option of a quote that is renewed, by place. */
export interface Renewed {
  /** the same plan at today's price */
  same: number[];
  /** the next best equal plan stands in */
  equal: number[];
  /** nothing equal is left */
  lost: number[];
}

/** `a`, `a and b`, `a, b and c`. */
const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

const GONE = { 'sold-out': 'is sold out', withdrawn: 'is off the market' } as const;

/** What became of one part, in a clause. */
function partText(
  { count, what, seller }: SeenDrift['parts'][number],
  title: string,
  amounts: { wasCents: number; nowCents: number | null } | undefined,
  currency: string,
): string {
  const part = `${count > 1 ? `${count} × ` : ''}${title}${seller === '' ? '' : ` from ${seller}`}`;
  if (what === 'sold-out' || what === 'withdrawn') return `${part} ${GONE[what]}`;
  const direction = what === 'dearer' ? 'more' : 'less';
  if (amounts === undefined) return `${part} costs us ${direction}`;
  const { wasCents, nowCents } = amounts;
  const by = moneyText(Math.abs((nowCents ?? 0) - wasCents), currency);
  const cost = `${moneyText(wasCents, currency)} then, ${moneyText(nowCents ?? 0, currency)} now`;
  return `${part} costs us ${by} ${direction} each (${cost})`;
}

/** What moved behind one option, and what that leaves the shop where that may be seen, in a sentence. */
export function driftText({ place, parts, titles, amounts }: SeenDrift, currency: string): string {
  const moved = listed(
    parts.map((part, nr) => partText(part, titles[part.offer] ?? 'a part', amounts?.parts[nr], currency)),
  );
  const isGone = parts.some(({ what }) => what === 'sold-out' || what === 'withdrawn');
  if (isGone) return `Option ${place}: ${moved}; it cannot be bought as promised.`;
  if (amounts === null || amounts.leavesCents === null) return `Option ${place}: ${moved}.`;
  const left = `it leaves ${moneyText(amounts.leavesCents, currency)} instead of ${moneyText(amounts.leftCents, currency)}`;
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
