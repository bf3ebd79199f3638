import { handle, idOf } from '@/app/handle';
import { guaranteeSchema, putGuarantee } from '@/service/job/guarantee';

/** Makes a job the free replacement of what another fitted, under its guarantee. */
export const PUT = handle('jobs.write', guaranteeSchema, (caller, input, params) =>
  putGuarantee(caller, idOf(params), input),
);
