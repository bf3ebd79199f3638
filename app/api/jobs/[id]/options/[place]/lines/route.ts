import { handle, idOf } from '@/app/handle';
import { writeLine, writeLineSchema } from '@/service/job/quote/quote-terms';

/** Types over a line of an option, or takes back what was typed. */
export const PUT = handle('jobs.write', writeLineSchema, (caller, body, params) =>
  writeLine(caller, idOf(params), Number(params.place), body),
);
