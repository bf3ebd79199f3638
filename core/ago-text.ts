const MINUTE_MS = 60_000;
const HOUR_MIN = 60;
const DAY_MIN = 24 * HOUR_MIN;

/** Making a format takes longer than a hundred uses of it: each is made once. */
const FORMATS = new Map<string, Intl.RelativeTimeFormat>();

function formatOf(locale: string): Intl.RelativeTimeFormat {
  const known = FORMATS.get(locale);
  if (known !== undefined) return known;
  const format = new Intl.RelativeTimeFormat(locale, { numeric: 'auto' });
  FORMATS.set(locale, format);
  return format;
}

/** How long ago something was, as people say it: `now`, `5 minutes ago`, `yesterday`. @param locale BCP 47 */
export function agoText(at: Date, now: Date, locale = 'en'): string {
  const minutes = Math.max(0, Math.floor((now.getTime() - at.getTime()) / MINUTE_MS));
  const format = formatOf(locale);
  if (minutes < 1) return format.format(0, 'second');
  if (minutes < HOUR_MIN) return format.format(-minutes, 'minute');
  if (minutes < DAY_MIN) return format.format(-Math.floor(minutes / HOUR_MIN), 'hour');
  return format.format(-Math.floor(minutes / DAY_MIN), 'day');
}
