import { handle, idOf } from '@/app/handle';
import { fellThroughSchema, noteFellThrough } from '@/service/job/quote/accept';

/** The job came to nothing, or goes on after all. */
export const PUT = handle('jobs.write', fellThroughSchema, (caller, input, params) =>
  noteFellThrough(caller, idOf(params), input),
);
