import type { EditedOffer } from '@/service/market/view';
import type { MarketOffer } from '../listed-offer';

/** What is open over the market: the origin of all that are found, an offer that is written, or one that is looked at. */
export type OpenSheet =
  | { kind: 'origin' }
  | { kind: 'write'; from: { offer: EditedOffer; copy: boolean } | null }
  | { kind: 'look'; offer: MarketOffer };
