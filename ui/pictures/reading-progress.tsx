import { useTranslations } from '#translations';
import { ProgressBar } from '../kit/progress-bar';
import type { PictureProgress } from './use-pictures';

const STEPS = {
  sending: 'photo.sending',
  waiting: 'photo.waiting',
  opening: 'photo.opening',
  reading: 'photo.readingWords',
} as const;

/** How far the reading of a photograph is. */
export function ReadingProgress({ progress }: { progress: PictureProgress }) {
  const t = useTranslations('intake');
  if (progress === null) return null;
  const text = t(STEPS[progress.step]);
  return (
    <div role="status">
      <p className="text-sm">{text}</p>
      <ProgressBar label={text} share={progress.step === 'reading' ? progress.share : null} />
    </div>
  );
}
