import { handleParts } from '@/app/handle';
import { moveIn } from '@/service/library/moving-in';
import { MOST_MOVED_BYTES, movingOf } from './parts';

/** Moves a file of a former program in, whole or not at all. */
export const POST = handleParts('shop.settings', MOST_MOVED_BYTES, async (caller, parts) => {
  const sent = movingOf(parts);
  return sent.ok ? moveIn(caller, sent.value.moving, sent.value.file) : sent;
});
