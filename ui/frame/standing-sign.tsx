import type { StationStanding } from '@/core/machine/station';
import { STANDING_SIGNS } from './station-words';

const PAD = 'M3 1H8A2 2 0 0 1 10 3V11A2 2 0 0 1 8 13H3A2 2 0 0 1 1 11V3A2 2 0 0 1 3 1Z';
/** Cut out of a pad, it leaves the lower half filled. */
const UPPER_HALF = 'M1 1H10V7H1Z';
const COLOURS: Record<StationStanding, string> = { done: 'text-good', decide: 'text-act', waits: 'text-edge' };
const STEP = 15;

/** The contact pads of all stations in one drawing: a list has as many of these as rows. */
export function StandingRow({ standings, label }: { standings: readonly StationStanding[]; label: string }) {
  const width = standings.length * STEP - 4;
  return (
    <svg width={width} height="14" viewBox={`0 0 ${width} 14`} role="img" aria-label={label} className="shrink-0">
      {standings.map((standing, nr) => {
        const { shape } = STANDING_SIGNS[standing];
        return (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: a station is known by its place
            key={nr}
            transform={`translate(${nr * STEP})`}
            d={shape === 'half' ? `${PAD}${UPPER_HALF}` : PAD}
            className={COLOURS[standing]}
            fill={shape === 'open' ? 'none' : 'currentColor'}
            fillRule="evenodd"
            stroke="currentColor"
            strokeWidth="1.8"
          />
        );
      })}
    </svg>
  );
}

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
