/** What says that an earlier job belongs to this customer or machine. */
export const BY_WORDS = {
  serial: 'by.serial',
  customer: 'by.customer',
  phone: 'by.phone',
  email: 'by.email',
  name: 'by.name',
} as const;
