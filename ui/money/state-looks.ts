/** How an invoice's state looks. */
export const STATE_LOOKS = {
  open: 'text-mind',
  overdue: 'text-stop',
  paid: 'text-good',
  overpaid: 'text-mind',
} as const;
