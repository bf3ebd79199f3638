import type { StaffWords } from '../../../words/staff-words';

/** How plans are told to a person: the words of their language, and amounts as they read them. */
export interface PlanSay {
  t: StaffWords<'plans'>;
  tTrade: StaffWords<'trade'>;
  /** @param cents minor units of the case's currency */
  money: (cents: number) => string;
}

/** Words as a person lists them: `a`, `a and b`, `a, b and c`. */
export function listed(t: StaffWords<'plans'>, words: readonly string[]): string {
  const [last = '', ...rest] = [...words].reverse();
  if (rest.length === 0) return last;
  const before = rest.reverse().reduce((a, b) => t('list.before', { a, b }));
  return t('list.two', { a: before, b: last });
}
