/** How a job ends, in words. */
export const CLOSING_TEXTS = {
  done: 'Done',
  declined: 'Declined by the customer',
  'not-possible': 'Not possible',
  dropped: 'Dropped',
} as const;
export type Closing = keyof typeof CLOSING_TEXTS;
