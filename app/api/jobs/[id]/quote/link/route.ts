import { handle, idOf } from '@/app/handle';
import { changeLink, changeLinkSchema } from '@/service/job/quote/change-link';

/** Withdraws the link of a sent version, or makes a new one in its place. */
export const POST = handle('quotes.send', changeLinkSchema, (caller, body, params) =>
  changeLink(caller, idOf(params), body),
);
