import { handle, idOf } from '@/app/handle';
import { modelFieldsSchema, saveModel } from '@/service/library/library';

/** Writes fields of a model; those that are not named stay. */
export const PATCH = handle('library.write', modelFieldsSchema.partial(), (caller, body, params) =>
  saveModel(caller, idOf(params), body),
);
