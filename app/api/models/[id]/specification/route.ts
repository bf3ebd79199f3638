import { handle, idOf } from '@/app/handle';
import { completeModel, modelSpecificationSchema } from '@/service/library/model-specification';

/** Adds claims of a specification to a model. */
export const POST = handle('library.write', modelSpecificationSchema, (caller, body, params) =>
  completeModel(caller, idOf(params), body),
);
