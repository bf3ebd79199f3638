import type { Depth, Trial, TrialOutcome } from '@/core/machine/limits/evidence';
import { capacityText } from '@/core/memory/capacity';
import { kindWords } from '@/core/memory/module-words';

export const OUTCOME_WORDS: Record<TrialOutcome, string> = {
  works: 'worked',
  'fails-to-start': 'failed to start',
  'starts-with-faults': 'started with faults',
};

export const OUTCOME_SIGNS: Record<TrialOutcome, { sign: string; look: string }> = {
  works: { sign: '✓', look: 'text-good' },
  'fails-to-start': { sign: '✕', look: 'text-stop' },
  'starts-with-faults': { sign: '△', look: 'text-mind' },
};

export const DEPTH_WORDS: Record<Depth, string> = {
  started: 'only started',
  'total-read': 'total read',
  loaded: 'run under load',
  weeks: 'weeks in use',
};

/** `4 × 16 GB DDR4-2666, 64 GB in all`. */
export function trialText({ modules, moduleMiB, generation, rateMTs, buffering, ecc, totalMiB }: Trial): string {
  const rate = rateMTs === null ? generation : `${generation}-${rateMTs}`;
  const kind = kindWords(buffering, ecc);
  return `${modules} × ${capacityText(moduleMiB)} ${rate}${kind === '' ? '' : ` ${kind}`}, ${capacityText(totalMiB)} in all`;
}
