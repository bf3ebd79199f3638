const DAY_MS = 86_400_000;

/** Days from one calendar day to another (`YYYY-MM-DD`); below 0: it was before. */
export const daysFrom = (one: string, other: string): number =>
  Math.round((Date.parse(`${other}T00:00:00Z`) - Date.parse(`${one}T00:00:00Z`)) / DAY_MS);

/** The day so many days after another, `YYYY-MM-DD`. */
export function dayAfter(from: string, days: number): string {
  const at = new Date(`${from}T00:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
}
