/** A calendar day (`YYYY-MM-DD`) as people read it: `9 December 2026`. A quote's days carry no zone. */
export function dayText(day: string, locale = 'en-GB'): string {
  return new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}
