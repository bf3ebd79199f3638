/** What says that an earlier job belongs to this customer or machine. */
export const BY_WORDS = {
  serial: 'the same serial number',
  customer: 'the same customer',
  phone: 'the same telephone number',
  email: 'the same e-mail',
  name: 'a like name',
} as const;
