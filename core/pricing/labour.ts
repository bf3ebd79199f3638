import { roundHalfEven } from './round-half-even';

/** What a shop asks for its work. Money in minor units, as the shop's prices are: with tax or without. */
export interface LabourRule {
  /** for a machine whose minutes nobody knows, and for all where there is no rate by the hour */
  flatCents: number;
  /** null: every machine is asked the flat rate */
  hourCents: number | null;
  /** the least that is asked where it goes by the hour */
  leastCents: number;
  /** time counts in steps of so many minutes, each begun one whole */
  stepMinutes: number;
}

export interface Labour {
  cents: number;
  /** what it goes by */
  by: 'flat' | 'time' | 'least';
  /** minutes that are charged; null: it goes by the flat rate */
  minutes: number | null;
}

/** Minutes that opening a model takes by its steps; null while any step's minutes are not known. */
export function openingMinutes(steps: readonly { minutes: number | null }[]): number | null {
  if (steps.length === 0) return null;
  let sum = 0;
  for (const { minutes } of steps) {
    if (minutes === null) return null;
    sum += minutes;
  }
  return sum;
}

/**
 * What fitting costs: by the minutes where they are known and the shop has a rate by the hour, but never less than its
 * least; else its flat rate. The hour's share is rounded half to even.
 *
 * @param minutes opening, fitting, test and closing together
 */
export function labourFor(rule: LabourRule, minutes: number | null): Labour {
  const { flatCents, hourCents, leastCents, stepMinutes } = rule;
  if (hourCents === null || minutes === null) return { cents: flatCents, by: 'flat', minutes: null };
  const charged = Math.ceil(minutes / stepMinutes) * stepMinutes;
  const byTime = roundHalfEven(hourCents, charged, 60);
  return byTime < leastCents
    ? { cents: leastCents, by: 'least', minutes: charged }
    : { cents: byTime, by: 'time', minutes: charged };
}
