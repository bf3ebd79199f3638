'use client';
import { useTranslations } from '#translations';
import { useJob } from '../job/job-context';
import { Fault } from '../kit/fault';
import { PictureButton } from './picture-button';
import { ReadingProgress } from './reading-progress';
import { usePictures } from './use-pictures';

/** Pictures of this very machine on the bench; one more is taken before a screw is lost. */
export function BenchPictures() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { progress, busy, sentence, add } = usePictures('fitting');
  const shown = job.pictures.filter(({ inFitting }) => inFitting);
  return (
    <section aria-label={t('pictures.ofMachine')} className="grid gap-2">
      {shown.length > 0 && (
        <ul className="flex flex-wrap gap-3">
          {shown.map(({ id, caption, name }) => (
            <li key={id} className="w-44">
              <a href={`/api/jobs/${job.id}/pictures/${id}`} target="_blank" rel="noreferrer">
                {/* biome-ignore lint/performance/noImgElement: it comes from our own database as it is */}
                <img
                  src={`/api/jobs/${job.id}/pictures/${id}`}
                  alt={caption || name}
                  className="w-44 h-32 object-contain bg-sunk border border-line rounded-notch"
                />
              </a>
              {caption !== '' && <span className="text-base leading-tight">{caption}</span>}
            </li>
          ))}
        </ul>
      )}
      <PictureButton className="min-h-12 w-fit" disabled={busy} onPicture={(file) => void add(file, true)}>
        {t('pictures.add')}
      </PictureButton>
      <ReadingProgress progress={progress} />
      <Fault sentence={sentence} />
    </section>
  );
}
