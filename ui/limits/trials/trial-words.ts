import type { Depth, Trial, TrialOutcome } from '@/core/machine/limits/evidence';
import { kindWords } from '@/core/memory/module-words';
import type { StaffWords } from '@/words/staff-words';
import { capacityText } from '../../words/amounts';

export const OUTCOME_WORDS = {
  works: 'tests.results.worked',
  'fails-to-start': 'tests.results.failed',
  'starts-with-faults': 'tests.results.faulty',
} as const satisfies Record<TrialOutcome, string>;

export const OUTCOME_SIGNS: Record<TrialOutcome, { sign: string; look: string }> = {
  works: { sign: '✓', look: 'text-good' },
  'fails-to-start': { sign: '✕', look: 'text-stop' },
  'starts-with-faults': { sign: '△', look: 'text-mind' },
};

export const DEPTH_WORDS = {
  started: 'tests.levels.started',
  'total-read': 'tests.levels.read',
  loaded: 'tests.levels.load',
  weeks: 'tests.levels.weeks',
} as const satisfies Record<Depth, string>;

/** `4 × 16 GB DDR4-2666, 64 GB in all`. */
export function trialText(
  t: StaffWords<'limits'>,
  { modules, moduleMiB, generation, rateMTs, buffering, ecc, totalMiB }: Trial,
): string {
  const rate = rateMTs === null ? generation : `${generation}-${rateMTs}`;
  const kind = kindWords(buffering, ecc);
  return t('tests.line', {
    modules,
    moduleMiB: capacityText(moduleMiB),
    rate,
    value: kind === '' ? '' : ` ${kind}`,
    totalMiB: capacityText(totalMiB),
  });
}
