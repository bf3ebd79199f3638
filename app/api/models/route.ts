import { handle } from '@/app/handle';
import { makeModel, newModelSchema } from '@/service/library/new-model';

/** Makes a model of a template, or as a copy of a sister. */
export const POST = handle('library.write', newModelSchema, makeModel);
