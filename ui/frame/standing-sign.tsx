import { STANDINGS, type StationStanding } from '@/core/machine/station';
import { STANDING_SIGNS } from './station-words';

const PAD = 'M3 1H8A2 2 0 0 1 10 3V11A2 2 0 0 1 8 13H3A2 2 0 0 1 1 11V3A2 2 0 0 1 3 1Z';
/** Cut out of a pad, it leaves the lower half filled. */
const UPPER_HALF = 'M1 1H10V7H1Z';
const COLOURS: Record<StationStanding, string> = { done: 'text-good', decide: 'text-act', waits: 'text-edge' };
const STEP = 15;

/** The pads that rows refer to: drawn once for a page, since a list has six of them in every row. */
export function StandingPads() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      {STANDINGS.map((standing) => {
        const { shape } = STANDING_SIGNS[standing];
        return (
          <path
            key={standing}
            id={`pad-${standing}`}
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

/** The contact pads of all stations in one drawing; the page has `StandingPads` somewhere. */
export function StandingRow({ standings, label }: { standings: readonly StationStanding[]; label: string }) {
  return (
    <svg width={standings.length * STEP - 4} height="14" role="img" aria-label={label}>
      {standings.map((standing, nr) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a station is known by its place
        <use key={nr} href={`#pad-${standing}`} x={nr * STEP} />
      ))}
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
