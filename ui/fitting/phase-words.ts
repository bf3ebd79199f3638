import type { Phase } from '@/core/fitting/checklist';

export const PHASE_NAMES: Record<Phase, string> = {
  safe: 'Make safe',
  open: 'Open',
  out: 'Take out',
  in: 'Put in',
  test: 'Test before closing',
  close: 'Close',
  last: 'Last checks',
};

export const FIND_WORDS = {
  'other-module': 'another module than read',
  'other-slots': 'other sockets than thought',
  damage: 'something damaged',
  other: 'something else',
} as const;

/** The hour of a tick as the bench's clock shows it. */
export const hourText = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(iso));
