import { handle, idOf } from '@/app/handle';
import { specificationSchema, takeSpecification } from '@/service/job/intake/specification';

/** Takes claims of a specification that was read into the job, or takes them back. */
export const PUT = handle('jobs.write', specificationSchema, (caller, body, params) =>
  takeSpecification(caller, idOf(params), body),
);
