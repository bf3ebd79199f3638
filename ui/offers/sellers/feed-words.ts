import type { StaffWords } from '@/words/staff-words';
import { sickPriceText } from '../../words/market-words';

/** How a seller's feed does, as it is shown. */
export interface FeedAge {
  sellerId: number;
  ok: boolean;
  /** how long ago its prices were last known to hold, in words; null: they never were */
  age: string | null;
  sentence: string | null;
}

/** A seller's feed with where it is asked. */
export interface ShownFeed extends FeedAge {
  url: string;
  kind: 'feed' | 'csv' | 'page';
  applies: boolean;
  everyMinutes: number;
  /** an owner allowed its host to be asked */
  allowed: boolean;
}

/** What is said beside an offer whose seller's feed is sick; null where it is well. */
export const sickText = (t: StaffWords<'trade'>, feed: FeedAge | undefined): string | null =>
  feed === undefined || feed.ok ? null : sickPriceText(t, feed.age);
