import type { StationStanding } from '@/core/machine/station';
import { STANDING_SIGNS } from './station-words';

/** A contact pad: filled when done, half filled when it wants a decision, open when it waits. */
export function StandingSign({ standing }: { standing: StationStanding }) {
  const { shape } = STANDING_SIGNS[standing];
  const colour = standing === 'done' ? 'text-good' : standing === 'decide' ? 'text-act' : 'text-edge';
  return (
    <svg width="11" height="14" viewBox="0 0 11 14" aria-hidden="true" className={`shrink-0 ${colour}`}>
      <rect x="1" y="1" width="9" height="12" rx="2" fill="none" stroke="currentColor" strokeWidth="1.8" />
      {shape !== 'open' && (
        <rect
          x="1"
          y={shape === 'full' ? 1 : 7}
          width="9"
          height={shape === 'full' ? 12 : 6}
          rx="1.5"
          fill="currentColor"
        />
      )}
    </svg>
  );
}
