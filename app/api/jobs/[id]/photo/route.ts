import { handleWhole, idOf } from '@/app/handle';
import { MOST_PICTURE_BYTES } from '@/runtime/body-limits';
import { readPhoto } from '@/service/photo-reading';

/** Reads the words of a photograph; nothing of it is kept. */
export const POST = handleWhole('jobs.write', MOST_PICTURE_BYTES, (_caller, { input }, params) =>
  readPhoto(idOf(params), input),
);
