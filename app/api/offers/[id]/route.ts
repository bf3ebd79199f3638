import { z } from 'zod';
import { handle, idOf } from '@/app/handle';
import { editOffer, offerSchema, showOffer } from '@/service/market/offers';

/** An offer with everything that can be typed of it. */
export const GET = handle('offers.price', z.null(), (caller, _, params) => showOffer(caller, idOf(params)));

/** Puts an offer right. */
export const PUT = handle('offers.price', offerSchema, (caller, body, params) => editOffer(caller, idOf(params), body));
