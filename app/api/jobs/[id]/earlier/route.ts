import { handle, idOf } from '@/app/handle';
import { takeEarlier, takeEarlierSchema } from '@/service/job/earlier';

/** Goes on where an earlier job of this customer or machine left off. */
export const POST = handle('jobs.write', takeEarlierSchema, (caller, body, params) =>
  takeEarlier(caller, idOf(params), body),
);
