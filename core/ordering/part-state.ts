/** What can become of ordered packs. */
export const PART_NEWS = ['arrived', 'wrong', 'dead', 'never'] as const;
export type LineEvent = (typeof PART_NEWS)[number];

/** How an ordered line stands, in packs. */
export interface PartCounts {
  quantity: number;
  /** came, and are what was ordered */
  arrived: number;
  /** came, and go back */
  faulty: number;
  /** cannot be had any more */
  never: number;
  /** still on their way */
  waiting: number;
}

export type PartState = 'waiting' | 'partly' | 'arrived' | 'amiss';

/** Sums up what was noted of a line; wrong or dead ones came first, so they count against what arrived. */
export function countParts(quantity: number, news: readonly { kind: LineEvent; quantity: number }[]): PartCounts {
  const of = (...kinds: LineEvent[]) =>
    news.filter(({ kind }) => kinds.includes(kind)).reduce((sum, one) => sum + one.quantity, 0);
  const faulty = of('wrong', 'dead');
  const never = of('never');
  const came = of('arrived');
  return {
    quantity,
    arrived: Math.max(0, came - faulty),
    faulty,
    never,
    waiting: Math.max(0, quantity - Math.max(came, faulty) - never),
  };
}

/** One word for it: wrong as long as a pack is missing that nobody waits for. */
export function partState({ quantity, arrived, faulty, never, waiting }: PartCounts): PartState {
  if (faulty + never > 0 && arrived < quantity) return 'amiss';
  if (waiting === 0) return 'arrived';
  return arrived > 0 ? 'partly' : 'waiting';
}

/** What may still be noted of a line, at most so many packs; 0: nothing. */
export function mostNews(counts: PartCounts, kind: LineEvent): number {
  return kind === 'wrong' || kind === 'dead' ? counts.arrived + counts.waiting : counts.waiting;
}
