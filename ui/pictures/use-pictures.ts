'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { MOST_PICTURE_BYTES } from '@/runtime/body-limits';
import type { PictureView } from '@/service/job/intake/view';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { smallerPicture } from './smaller-picture';

/** How far the reading of a picture is; null: none is read. */
export type PictureProgress = { step: 'sending' | 'waiting' | 'opening' | 'reading'; share: number } | null;

export interface Pictures {
  progress: PictureProgress;
  busy: boolean;
  /** what went wrong, or why no words are asked about */
  sentence: string | null;
  /** sends a photograph; its words are asked about on the page that comes */
  add: (file: File, plain?: boolean) => Promise<boolean>;
  change: (
    id: number,
    change: { caption?: string; settled?: 'read' | 'left'; inFitting?: boolean },
  ) => Promise<boolean>;
  remove: (id: number) => Promise<boolean>;
}

/** The photographs of the job at hand, as one station adds and changes them. */
export function usePictures(station: PictureView['station']): Pictures {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [progress, setProgress] = useState<PictureProgress>(null);
  const [said, setSaid] = useState<string | null>(null);
  const add = async (file: File, plain = false): Promise<boolean> => {
    setSaid(null);
    setProgress({ step: 'sending', share: 0 });
    const picture = await smallerPicture(file);
    if (picture.size > MOST_PICTURE_BYTES) {
      setProgress(null);
      setSaid(t('photo.tooLarge', { name: file.name }));
      return false;
    }
    const path = `/api/jobs/${job.id}/pictures?at=${station}${plain ? '&words=no' : ''}`;
    const result = await save<{ id: number; sentence: string | null }, NonNullable<PictureProgress>>(
      'POST',
      path,
      picture,
      setProgress,
    );
    setProgress(null);
    setSaid(result.ok ? result.value.sentence : null);
    return result.ok;
  };
  const change: Pictures['change'] = async (id, value) =>
    (await save('PATCH', `/api/jobs/${job.id}/pictures/${id}`, value)).ok;
  const remove = async (id: number) => (await save('DELETE', `/api/jobs/${job.id}/pictures/${id}`)).ok;
  return { progress, busy, sentence: sentence ?? said, add, change, remove };
}
