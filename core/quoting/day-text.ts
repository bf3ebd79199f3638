/** A calendar day (`YYYY-MM-DD`) as a customer reads it: `9 December 2026`. A quote's days carry no zone. */
export function dayText(day: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}
