import type { CustomerOnPaper } from './paper/ubl-elements';

const PARTS = ['street', 'postalCode', 'town', 'country', 'taxNumber'] as const;

/** The customer as a paper says it: by name, with what is known of where. */
export function customerOnPaper(customer: Record<(typeof PARTS)[number] | 'name', string>): CustomerOnPaper {
  const told = PARTS.flatMap((key) => (customer[key] === '' ? [] : [[key, customer[key]] as const]));
  return { name: customer.name, ...Object.fromEntries(told) };
}

/** Where the customer is, a line each, as an address is written. */
export const addressLines = ({ street, postalCode, town, country }: CustomerOnPaper): string[] =>
  [street, [postalCode, town].filter(Boolean).join(' '), country].flatMap((line) => (line ? [line] : []));
