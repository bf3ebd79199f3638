import type { PartCounts } from '@/core/ordering/part-state';
import type { PartView } from '@/service/job/bench/view';
import type { StaffWords } from '@/words/staff-words';

export const PART_SIGNS = {
  'to-order': { sign: '○', word: 'parts.toOrder', look: 'text-mind' },
  waiting: { sign: '→', word: 'parts.onWay', look: 'text-ink-2' },
  partly: { sign: '◐', word: 'parts.partly', look: 'text-ink-2' },
  arrived: { sign: '✓', word: 'parts.arrived', look: 'text-good' },
  amiss: { sign: '✕', word: 'parts.amiss', look: 'text-stop' },
  aside: { sign: '✓', word: 'parts.fromStock', look: 'text-good' },
} as const satisfies Record<PartView['state'], { sign: string; word: string; look: string }>;

/** What became of an ordered line, in packs. */
export function countsText(
  t: StaffWords<'fitting'>,
  { quantity, arrived, faulty, never, waiting }: PartCounts,
): string {
  const parts = [
    arrived > 0 ? t('parts.here', { arrived, quantity }) : '',
    waiting > 0 ? t('parts.waiting', { waiting }) : '',
    faulty > 0 ? t('parts.faulty', { faulty }) : '',
    never > 0 ? t('parts.never', { never }) : '',
  ].filter((part) => part !== '');
  return parts.join(', ');
}
