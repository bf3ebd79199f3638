'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { PictureView } from '@/service/job/intake/view';
import { useAhead } from '../client/use-ahead';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { type Pictures, usePictures } from './use-pictures';

/** One picture of the job: what it shows, and whether the bench shows it. */
function PictureRow({ picture, pictures }: { picture: PictureView; pictures: Pictures }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { id, name, caption, inFitting } = picture;
  const [typed, setTyped] = useState(caption);
  const [isShown, saved] = useAhead(inFitting);
  const show = async (shown: boolean) => {
    saved(shown);
    if (!(await pictures.change(id, { inFitting: shown }))) saved(!shown);
  };
  const address = `/api/jobs/${job.id}/pictures/${id}`;
  const keep = () => {
    if (typed.trim() !== caption) void pictures.change(id, { caption: typed.trim() });
  };
  return (
    <li className="grid grid-cols-[7rem_minmax(0,1fr)] gap-2">
      <a href={address} target="_blank" rel="noreferrer">
        {/* biome-ignore lint/performance/noImgElement: it comes from our own database as it is */}
        <img
          src={address}
          alt={caption || name}
          loading="lazy"
          className="w-28 h-24 object-contain bg-sunk border border-line rounded-notch"
        />
      </a>
      <div className="grid gap-1 content-start">
        <Field
          label={t('pictures.shows')}
          placeholder={name}
          maxLength={120}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={keep}
        />
        <div className="flex flex-wrap items-center justify-between gap-2">
          <Check checked={isShown} onChange={(shown) => void show(shown)}>
            {t('pictures.whileFitting')}
          </Check>
          <Button
            weight="quiet"
            disabled={pictures.busy}
            aria-label={t('pictures.removeOne', { name: caption || name })}
            onClick={() => void pictures.remove(id)}
          >
            {t('pictures.remove')}
          </Button>
        </div>
      </div>
    </li>
  );
}

/** The photographs that the job keeps. */
export function JobPictures() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const pictures = usePictures('intake');
  const kept = job.pictures.filter(({ words }) => words === null);
  if (kept.length === 0) return null;
  return (
    <section aria-label={t('pictures.label')} className="grid gap-2">
      <h2 className="text-base font-semibold wide">{t('pictures.label')}</h2>
      <ul className="grid gap-3 md:grid-cols-2">
        {kept.map((picture) => (
          <PictureRow key={picture.id} picture={picture} pictures={pictures} />
        ))}
      </ul>
      <Fault sentence={pictures.sentence} />
    </section>
  );
}
