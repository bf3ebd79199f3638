import type { Renewed } from '@/core/quoting/drift/renewed';
import type { SeenDrift } from '@/core/quoting/drift/seen-drift';
import type { StaffWords } from '@/words/staff-words';
import { moneyText } from '../words/amounts';
import { localeHere } from '../words/locale-here';

type Words = StaffWords<'quote'>;

/** `a`, `a and b`, `a, b and c`, in the screen’s language. */
const listed = (words: readonly string[]): string => new Intl.ListFormat(localeHere()).format(words);

/** What became of one part, in a clause. */
function partText(
  t: Words,
  { count, what, seller }: SeenDrift['parts'][number],
  title: string,
  amounts: { wasCents: number; nowCents: number | null } | undefined,
  currency: string,
): string {
  const name = `${count > 1 ? `${count} × ` : ''}${title}`;
  const part = seller === '' ? name : t('drift.from', { name, seller });
  if (what === 'sold-out') return t('drift.soldOut', { part });
  if (what === 'withdrawn') return t('drift.withdrawn', { part });
  if (amounts === undefined) return t(what === 'dearer' ? 'drift.dearer' : 'drift.cheaper', { part });
  const { wasCents, nowCents } = amounts;
  return t(what === 'dearer' ? 'drift.dearerBy' : 'drift.cheaperBy', {
    part,
    by: moneyText(Math.abs((nowCents ?? 0) - wasCents), currency),
    was: moneyText(wasCents, currency),
    now: moneyText(nowCents ?? 0, currency),
  });
}

/** What moved behind one option, and what that leaves the shop where that may be seen, in a sentence. */
export function driftText(t: Words, { place, parts, titles, amounts }: SeenDrift, currency: string): string {
  const moved = listed(
    parts.map((part, nr) => partText(t, part, titles[part.offer] ?? t('drift.aPart'), amounts?.parts[nr], currency)),
  );
  const isGone = parts.some(({ what }) => what === 'sold-out' || what === 'withdrawn');
  if (isGone) return t('drift.optionGone', { place, moved });
  if (amounts === null || amounts.leavesCents === null) return t('drift.option', { place, moved });
  return t('drift.optionLeaves', {
    place,
    moved,
    leaves: moneyText(amounts.leavesCents, currency),
    left: moneyText(amounts.leftCents, currency),
  });
}

/** What came of a renewal, and what to do next. */
export function renewedText(t: Words, { same, equal, lost }: Renewed): string {
  const named = (places: readonly number[]) => ({ count: places.length, places: listed(places.map(String)) });
  return [
    ...(same.length > 0 ? [t('drift.same', named(same))] : []),
    ...(equal.length > 0 ? [t('drift.equal', named(equal))] : []),
    ...(lost.length > 0 ? [t('drift.lost', named(lost))] : []),
    t('drift.look'),
  ].join(' ');
}
