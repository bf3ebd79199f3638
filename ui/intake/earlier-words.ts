/** What says that an earlier job belongs to this customer or machine. */
export const BY_WORDS = {
  guarantee: 'by.guarantee',
  serial: 'by.serial',
  module: 'by.module',
  customer: 'by.customer',
  phone: 'by.phone',
  email: 'by.email',
  name: 'by.name',
} as const;
