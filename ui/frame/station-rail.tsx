import { useTranslations } from '#translations';
import { STATIONS, type Station, type StationStanding } from '@/core/machine/station';
import { NearLink } from '../kit/near-link';
import { StandingSign } from './standing-sign';
import { STANDING_SIGNS, STATION_NAMES } from './station-words';

interface StationRailProps {
  jobId: number;
  here: Station;
  standings: Record<Station, StationStanding>;
}

/**
 * The stations of a job as the edge of a module: all six always in sight and in reach. The notch is where the
 * customer says yes.
 */
export function StationRail({ jobId, here, standings }: StationRailProps) {
  const t = useTranslations('frame');
  return (
    <nav aria-label={t('stationsLabel')} className="no-print px-4 max-[620px]:px-2 bg-ground pt-2">
      <ol className="flex">
        {STATIONS.map((station) => {
          const current = station === here;
          return (
            <li key={station} className={`flex-1 min-w-0 ${station === 'fitting' ? 'ml-5 max-[620px]:ml-2' : ''}`}>
              <NearLink
                href={`/jobs/${jobId}/${station}`}
                aria-current={current ? 'step' : undefined}
                className={`group block border-t-4 pt-1.5 ${current ? 'border-act' : 'border-line hover:border-edge'}`}
              >
                <span className="station-name flex items-center gap-2 px-1 min-h-7">
                  <StandingSign standing={standings[station]} />
                  <span className={`truncate ${current ? 'font-bold wide' : 'font-medium'}`}>
                    {t(STATION_NAMES[station])}
                  </span>
                  <span className="text-xs text-ink-2 narrow truncate max-[900px]:sr-only">
                    {t(STANDING_SIGNS[standings[station]].word)}
                  </span>
                </span>
                <span aria-hidden="true" className={`block h-1.5 mt-0.5 contacts ${current ? '' : 'opacity-40'}`} />
              </NearLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
