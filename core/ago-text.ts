const MINUTE_MS = 60_000;
const HOUR_MIN = 60;
const DAY_MIN = 24 * HOUR_MIN;

const several = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'} ago`;

/** A time as how long ago it was: `5 minutes ago`, `3 hours ago`, `2 days ago`; null for no time. */
export function agoText(at: string | null, now: Date): string | null {
  if (at === null) return null;
  const minutes = Math.max(0, Math.floor((now.getTime() - new Date(at).getTime()) / MINUTE_MS));
  if (minutes < 1) return 'just now';
  if (minutes < HOUR_MIN) return several(minutes, 'minute');
  return minutes < 2 * DAY_MIN
    ? several(Math.floor(minutes / HOUR_MIN), 'hour')
    : several(Math.floor(minutes / DAY_MIN), 'day');
}
