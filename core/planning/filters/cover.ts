import type { Lane } from '../model/lanes';
import { type Care, careLevel } from '../rules/care';

/** What a machine is covered by, as far as anybody said. */
export type Cover = 'none' | 'warranty' | 'support' | null;

/** What has to be minded of a plan while its machine is covered; null: nothing. */
export function coverNotice(lane: Lane, cover: Cover): 'warranty' | 'support' | null {
  if (cover !== 'warranty' && cover !== 'support') return null;
  return lane === 'original' || lane === 'none' ? null : cover;
}

/** The care of a plan, no lower than what its machine's cover asks for. */
export function careUnderCover({ lane, care }: { lane: Lane; care: Care }, cover: Cover): Care {
  const isMinded = coverNotice(lane, cover) !== null && careLevel(care) < careLevel('heads-up');
  return isMinded ? 'heads-up' : care;
}
