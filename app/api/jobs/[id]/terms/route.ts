import { handle, idOf } from '@/app/handle';
import { writeTerms, writeTermsSchema } from '@/service/job/quote/quote-terms';

/** Writes what holds for the whole draft. */
export const PUT = handle('jobs.write', writeTermsSchema, (caller, body, params) =>
  writeTerms(caller, idOf(params), body),
);
