'use client';
import { useTranslations } from '#translations';
import type { SaidKind } from '@/core/reading/read';
import type { PictureView } from '@/service/job/intake/view';
import { useJob } from '../job/job-context';
import { PhotoCheck } from './photo-check';
import type { Pictures } from './use-pictures';

interface WordsToCheckProps {
  station: PictureView['station'];
  pictures: Pictures;
  busy: boolean;
  /** reads the words; false where a person must still say something of them */
  onRead: (picture: PictureView, words: string, as?: SaidKind) => Promise<boolean>;
}

/** Photographs of a station whose words nobody has looked at yet, the first first; on whichever device they were taken. */
export function WordsToCheck({ station, pictures, busy, onRead }: WordsToCheckProps) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const waiting = job.pictures.filter((one) => one.words !== null && one.station === station);
  const [first] = waiting;
  if (first === undefined || first.words === null) return null;
  const settle = (settled: 'read' | 'left') => void pictures.change(first.id, { settled });
  return (
    <>
      <PhotoCheck
        key={first.id}
        jobId={job.id}
        picture={{ ...first, words: first.words }}
        busy={busy}
        sentence={null}
        onRead={async (words, as) => {
          if (await onRead(first, words, as)) settle('read');
        }}
        onLeave={() => settle('left')}
        {...(station === 'intake' && { onMachine: () => settle('read') })}
      />
      {waiting.length > 1 && <p className="text-sm text-ink-2">{t('photo.more', { waiting: waiting.length - 1 })}</p>}
    </>
  );
}
