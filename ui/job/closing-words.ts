/** How a job ends, in words. */
export const CLOSING_TEXTS = {
  done: 'closings.done',
  declined: 'closings.declined',
  'not-possible': 'closings.impossible',
  dropped: 'closings.dropped',
} as const;
export type ShownClosing = keyof typeof CLOSING_TEXTS;
