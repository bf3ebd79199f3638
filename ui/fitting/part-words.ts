import type { PartCounts } from '@/core/ordering/part-state';
import type { PartView } from '@/service/job/bench/view';

export const PART_SIGNS: Record<PartView['state'], { sign: string; word: string; look: string }> = {
  'to-order': { sign: '○', word: 'to be ordered', look: 'text-mind' },
  waiting: { sign: '→', word: 'on its way', look: 'text-ink-2' },
  partly: { sign: '◐', word: 'partly here', look: 'text-ink-2' },
  arrived: { sign: '✓', word: 'here', look: 'text-good' },
  amiss: { sign: '✕', word: 'amiss', look: 'text-stop' },
  aside: { sign: '✓', word: 'set aside on our shelf', look: 'text-good' },
};

/** What became of an ordered line, in packs. */
export function countsText({ quantity, arrived, faulty, never, waiting }: PartCounts): string {
  const parts = [
    arrived > 0 ? `${arrived} of ${quantity} here` : '',
    waiting > 0 ? `${waiting} on the way` : '',
    faulty > 0 ? `${faulty} going back` : '',
    never > 0 ? `${never} not to be had any more` : '',
  ].filter((part) => part !== '');
  return parts.join(', ');
}
