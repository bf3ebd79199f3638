import type { Language } from '../../language';
import type { Lane } from '../../planning/model/lanes';
import type { QuoteOption, QuoteSnapshot } from '../snapshot';

/** An option's size and origin. Capacity MiB. */
interface Build {
  totalMiB: number;
  lane: Lane;
}

/** One thing that a version changes against the one before it. Money minor units with tax; `moreCents` below 0 is less. */
export type VersionChange =
  | { what: 'new' | 'gone'; place: number }
  | { what: 'price' | 'parts'; place: number; moreCents: number }
  | { what: 'build'; place: number; before: Build; now: Build; moreCents: number }
  | { what: 'suggested'; place: number | null }
  | { what: 'until'; day: string }
  | { what: 'language'; language: Language }
  | { what: 'tax' | 'no-tax' | 'note' };

/** What makes two options one and the same for the customer but for their price. */
const isSame = (a: QuoteOption, b: QuoteOption): boolean =>
  a.totalMiB === b.totalMiB &&
  a.lane === b.lane &&
  a.rateMTs === b.rateMTs &&
  JSON.stringify(a.after.map(({ text }) => text)) === JSON.stringify(b.after.map(({ text }) => text));

function optionChange(before: QuoteOption | undefined, now: QuoteOption): VersionChange | null {
  const { place } = now;
  if (before === undefined) return { what: 'new', place };
  const moreCents = now.totalCents - before.totalCents;
  if (isSame(before, now)) return moreCents === 0 ? null : { what: 'price', place, moreCents };
  if (before.totalMiB === now.totalMiB && before.lane === now.lane) return { what: 'parts', place, moreCents };
  const buildOf = ({ totalMiB, lane }: QuoteOption): Build => ({ totalMiB, lane });
  return { what: 'build', place, before: buildOf(before), now: buildOf(now), moreCents };
}

/** What a version changes against the one before it, for staff; empty: nothing but its number and its day. */
export function versionChange(before: QuoteSnapshot, now: QuoteSnapshot): VersionChange[] {
  const places = now.options.map(({ place }) => place);
  const changes: (VersionChange | null)[] = [
    ...now.options.map((option) =>
      optionChange(
        before.options.find(({ place }) => place === option.place),
        option,
      ),
    ),
    ...before.options.map(({ place }) => (places.includes(place) ? null : ({ what: 'gone', place } as const))),
    now.suggested === before.suggested ? null : { what: 'suggested', place: now.suggested },
    now.validUntil === before.validUntil ? null : { what: 'until', day: now.validUntil },
    now.language === before.language ? null : { what: 'language', language: now.language ?? 'en' },
    (now.exempt === undefined) === (before.exempt === undefined)
      ? null
      : { what: now.exempt === undefined ? 'tax' : 'no-tax' },
    (now.note ?? '') === (before.note ?? '') ? null : { what: 'note' },
  ];
  return changes.filter((change) => change !== null);
}
