import type { Station, StationStanding } from '@/core/machine/station';

export const STATION_NAMES = {
  intake: 'stations.intake',
  limits: 'stations.limits',
  options: 'stations.options',
  quote: 'stations.quote',
  fitting: 'stations.fitting',
  proof: 'stations.proof',
} as const satisfies Record<Station, string>;

/** How a station stands: a shape first, then the word. */
export const STANDING_SIGNS = {
  done: { word: 'standings.done', shape: 'full' },
  decide: { word: 'standings.decide', shape: 'half' },
  waits: { word: 'standings.waits', shape: 'open' },
} as const satisfies Record<StationStanding, { word: string; shape: 'full' | 'half' | 'open' }>;
