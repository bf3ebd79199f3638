import { handle, idOf } from '@/app/handle';
import { fitOption, fitOptionSchema } from '@/service/job/quote/fit-option';

/** Says whether an option is fitted here or taken home as parts. */
export const PUT = handle('jobs.write', fitOptionSchema, (caller, body, params) =>
  fitOption(caller, idOf(params), Number(params.place), body),
);
