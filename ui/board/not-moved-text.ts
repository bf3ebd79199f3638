import type { NotMoved } from '@/core/machine/slots/move-module';
import type { StaffWords } from '@/words/staff-words';

const KEYS = {
  empty: 'notMoved.empty',
  'soldered-in': 'notMoved.solderedIn',
  'target-soldered': 'notMoved.targetSoldered',
  'target-blocked': 'notMoved.targetBlocked',
  'too-large': 'notMoved.tooLarge',
} as const satisfies Record<NotMoved['why'], string>;

/** Why a module cannot be moved, in a sentence. */
export const notMovedText = (t: StaffWords<'board'>, { why, slot }: NotMoved): string => t(KEYS[why], { slot });
