import type { EditableOffer } from '../../store/market/offers';

/* What pages show of the market, as it is kept: the types alone go to browsers. */
export type { ShownRow as ListRow } from '../../store/market/list-rows';
export type { MonthPrice } from '../../store/market/market-prices';
export type { WaitingOriginal } from '../../store/market/originals';
export type { Seller as ListedSeller } from '../../store/market/sellers';
export type { UnderstoodOffer } from './understand-offer';

/** An offer as it is edited: its models by name. */
export interface EditedOffer extends Omit<EditableOffer, 'modelIds' | 'withdrawn'> {
  models: { id: number; name: string }[];
}
