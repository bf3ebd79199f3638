import type { Lane } from '@/core/planning/model/lanes';

export const LANE_WORDS = {
  original: 'origins.original',
  'third-party': 'origins.third-party',
  used: 'origins.used',
  mixed: 'origins.mixed',
  none: 'origins.none',
} as const satisfies Record<Lane, string>;
