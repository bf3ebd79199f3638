import { dayText } from '../../day-text';
import { LANGUAGE_NAMES } from '../../language';
import { capacityText } from '../../memory/capacity';
import { moneyText } from '../../pricing/money-text';
import type { QuoteOption, QuoteSnapshot } from '../snapshot';

/** What makes two options one and the same for the customer but for their price. */
const isSame = (a: QuoteOption, b: QuoteOption): boolean =>
  a.totalMiB === b.totalMiB &&
  a.lane === b.lane &&
  a.rateMTs === b.rateMTs &&
  JSON.stringify(a.after.map(({ text }) => text)) === JSON.stringify(b.after.map(({ text }) => text));

function optionChange(before: QuoteOption | undefined, now: QuoteOption, currency: string): string | null {
  const name = `option ${now.place}`;
  if (before === undefined) return `${name} is new`;
  const more = now.totalCents - before.totalCents;
  const price = more === 0 ? null : `${moneyText(Math.abs(more), currency)} ${more > 0 ? 'more' : 'less'}`;
  if (!isSame(before, now)) {
    const what = `${capacityText(now.totalMiB)} ${now.lane} instead of ${capacityText(before.totalMiB)} ${before.lane}`;
    return `${name} is ${before.totalMiB === now.totalMiB && before.lane === now.lane ? 'made of other parts' : what}${price === null ? '' : `, ${price}`}`;
  }
  return price === null ? null : `${name} is ${price}`;
}

/** What a version changes against the one before it, in one sentence for staff. */
export function versionChange(before: QuoteSnapshot, now: QuoteSnapshot): string {
  const places = now.options.map(({ place }) => place);
  const changes = [
    ...now.options.map((option) =>
      optionChange(
        before.options.find(({ place }) => place === option.place),
        option,
        now.currency,
      ),
    ),
    ...before.options.map(({ place }) => (places.includes(place) ? null : `option ${place} is gone`)),
    now.suggested === before.suggested
      ? null
      : now.suggested === null
        ? 'none is suggested'
        : `option ${now.suggested} is suggested`,
    now.validUntil === before.validUntil ? null : `prices hold until ${dayText(now.validUntil)}`,
    now.language === before.language ? null : `it is in ${LANGUAGE_NAMES[now.language ?? 'en']}`,
    (now.exempt === undefined) === (before.exempt === undefined)
      ? null
      : now.exempt === undefined
        ? 'tax is charged'
        : 'no tax is charged',
    (now.note ?? '') === (before.note ?? '') ? null : 'the word to the customer is another',
  ].filter((change) => change !== null);
  if (changes.length === 0) return 'Nothing but its number and its day.';
  const sentence = changes.join('; ');
  return `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`;
}
