import type { Station, StationStanding } from '@/core/machine/station';

export const STATION_NAMES: Record<Station, string> = {
  intake: 'Intake',
  limits: 'Limits',
  options: 'Options',
  quote: 'Quote',
  fitting: 'Fitting',
  proof: 'Proof',
};

/** How a station stands: a shape first, then the word. */
export const STANDING_SIGNS: Record<StationStanding, { word: string; shape: 'full' | 'half' | 'open' }> = {
  done: { word: 'done', shape: 'full' },
  decide: { word: 'to decide', shape: 'half' },
  waits: { word: 'waits', shape: 'open' },
};
