import type { AgedPrice } from '@/core/market/aged-price';
import { CUSTOMER_NAME, STOCK_NAME } from '@/core/market/stock-name';
import type { StaffWords } from '@/words/staff-words';
import { agoText } from './amounts';

type Words = StaffWords<'trade'>;

/** A price whose seller's feed is sick. @param ago how long ago it was last known to hold, in words; null: it never was */
export const sickPriceText = (t: Words, ago: string | null): string =>
  ago === null ? t('aged.never') : t('aged.since', { ago });

/** Why a price may not hold any more, in words. */
export const agedText = (t: Words, aged: AgedPrice): string =>
  aged.why === 'old'
    ? t('aged.days', { days: aged.days })
    : sickPriceText(t, aged.since === null ? null : agoText(new Date(aged.since), new Date()));

/** A seller's name; the shop's own stock in the word of the screen. */
export const sellerText = (t: Words, seller: string): string =>
  seller === STOCK_NAME ? t('stock') : seller === CUSTOMER_NAME ? t('customer') : seller;
