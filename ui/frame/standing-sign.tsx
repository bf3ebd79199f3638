import { useTranslations } from '#translations';
import { STANDINGS, STATIONS, type Station, type StationStanding } from '@/core/machine/station';
import { STANDING_SIGNS, STATION_NAMES } from './station-words';

const PAD = 'M3 1H8A2 2 0 0 1 10 3V11A2 2 0 0 1 8 13H3A2 2 0 0 1 1 11V3A2 2 0 0 1 3 1Z';
/** Cut out of a pad, it leaves the lower half filled. */
const UPPER_HALF = 'M1 1H10V7H1Z';
const COLOURS: Record<StationStanding, string> = { done: 'text-good', decide: 'text-act', waits: 'text-edge' };
const STEP = 15;

/** How the stations of a job stand as one word: `ddcwww`. */
export type StandingsWord = string;

const LETTERS: Record<StationStanding, string> = { done: 'd', decide: 'c', waits: 'w' };
export const standingsWord = (standings: Record<Station, StationStanding>): StandingsWord =>
  STATIONS.map((station) => LETTERS[standings[station]]).join('');

/** The rows of pads that a list refers to: each way of standing is drawn once for a page, not once for a job. */
export function StandingPads({ words }: { words: readonly StandingsWord[] }) {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      {STANDINGS.map((standing) => {
        const { shape } = STANDING_SIGNS[standing];
        return (
          <path
            key={standing}
            id={`pad-${LETTERS[standing]}`}
            d={shape === 'half' ? `${PAD}${UPPER_HALF}` : PAD}
            className={COLOURS[standing]}
            fill={shape === 'open' ? 'none' : 'currentColor'}
            fillRule="evenodd"
            stroke="currentColor"
            strokeWidth="1.8"
          />
        );
      })}
      {[...new Set(words)].map((word) => (
        <g key={word} id={`pads-${word}`}>
          {[...word].map((letter, nr) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a station is known by its place
            <use key={nr} href={`#pad-${letter}`} x={nr * STEP} />
          ))}
        </g>
      ))}
    </svg>
  );
}

/** The contact pads of all stations in one drawing; the page has `StandingPads` with this word somewhere. */
export function StandingRow({ word }: { word: StandingsWord }) {
  const t = useTranslations('frame');
  const named = (standing: StationStanding): string[] => {
    const own = STATIONS.filter((_, nr) => word[nr] === LETTERS[standing]).map((station) => t(STATION_NAMES[station]));
    return own.length === 0 ? [] : [`${own.join(', ')} ${t(STANDING_SIGNS[standing].word)}`];
  };
  // What waits for something before it is the rest.
  const label = [...named('done'), ...named('decide')].join('; ');
  return (
    <svg width={word.length * STEP - 4} height="14" role="img" aria-label={label}>
      <use href={`#pads-${word}`} />
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
