import { handleParts } from '@/app/handle';
import { lookMoving } from '@/service/library/moving-in';
import { MOST_MOVED_BYTES, movingOf } from '../parts';

/** What moving a file in would bring; nothing is kept. */
export const POST = handleParts('shop.settings', MOST_MOVED_BYTES, async (caller, parts) => {
  const sent = movingOf(parts);
  return sent.ok ? lookMoving(caller, sent.value.moving, sent.value.file.input) : sent;
});
