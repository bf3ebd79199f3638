/** Making a format takes longer than a hundred uses of it: each is made once. */
const FORMATS = new Map<string, Intl.DateTimeFormat>();

function formatOf(locale: string): Intl.DateTimeFormat {
  const known = FORMATS.get(locale);
  if (known !== undefined) return known;
  const format = new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' });
  FORMATS.set(locale, format);
  return format;
}

/** A calendar day (`YYYY-MM-DD`) as people read it: `9 December 2026`. A quote's days carry no zone. */
export function dayText(day: string, locale = 'en-GB'): string {
  return formatOf(locale).format(new Date(`${day}T00:00:00Z`));
}
