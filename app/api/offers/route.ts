import { handle } from '@/app/handle';
import { addOffer, newOfferSchema } from '@/service/market/offers';

/** Adds an offer by hand with its first price. */
export const POST = handle('offers.price', newOfferSchema, addOffer);
