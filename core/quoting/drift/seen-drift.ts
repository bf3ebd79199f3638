import type { NamedDrift } from './named-drift';

/** What moved behind an option; the amounts are what it costs the shop. */
export interface SeenDrift {
  place: number;
  parts: Pick<NamedDrift['parts'][number], 'offer' | 'seller' | 'count' | 'what'>[];
  titles: Record<string, string>;
  /** by the parts' places; null: not to be seen */
  amounts: {
    parts: { wasCents: number; nowCents: number | null }[];
    leftCents: number;
    leavesCents: number | null;
  } | null;
}
