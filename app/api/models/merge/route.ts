import { handle } from '@/app/handle';
import { mergeSchema, mergeTwins } from '@/service/library/library';

/** Makes one model of two. */
export const POST = handle('library.write', mergeSchema, mergeTwins);
