import type { Lane } from '@/core/planning/model/lanes';

export const LANE_WORDS: Record<Lane, string> = {
  original: 'original',
  'third-party': 'third-party',
  used: 'used',
  mixed: 'mixed',
  none: 'moved round',
};
