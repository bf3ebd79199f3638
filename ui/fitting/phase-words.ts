import type { Phase } from '@/core/fitting/checklist';
import { dateLocale } from '../words/amounts';

export const PHASE_NAMES = {
  safe: 'phases.safe',
  open: 'phases.open',
  out: 'phases.out',
  in: 'phases.in',
  test: 'phases.test',
  close: 'phases.close',
  last: 'phases.last',
} as const satisfies Record<Phase, string>;

export const FIND_WORDS = {
  'other-module': 'different.module',
  'other-slots': 'different.slots',
  damage: 'different.damage',
  other: 'different.other',
} as const;

/** The hour of a tick as the bench's clock shows it. */
export const hourText = (iso: string): string =>
  new Intl.DateTimeFormat(dateLocale(), { hour: '2-digit', minute: '2-digit' }).format(new Date(iso));
