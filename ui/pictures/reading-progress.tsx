import { ProgressBar } from '../kit/progress-bar';
import type { PictureProgress } from './use-pictures';

const STEPS = {
  sending: 'Sending the photograph',
  waiting: 'Waiting: another photograph is being read',
  opening: 'Opening the photograph',
  reading: 'Reading its words',
} as const;

/** How far the reading of a photograph is. */
export function ReadingProgress({ progress }: { progress: PictureProgress }) {
  if (progress === null) return null;
  const text = STEPS[progress.step];
  return (
    <div role="status">
      <p className="text-sm">{text}</p>
      <ProgressBar label={text} share={progress.step === 'reading' ? progress.share : null} />
    </div>
  );
}
