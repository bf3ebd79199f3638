import { z } from 'zod';
import type { ShopIdentity } from './identity';

/** Parts of a shop's identity that papers of before do not have. */
const PARTS = [
  'street',
  'postalCode',
  'country',
  'phone',
  'mail',
  'web',
  'taxNumber',
  'companyNumber',
  'bank',
] as const;

const part = z.string().min(1).optional();

/** The shop as a paper says it, kept with the paper: what it changes later changes no paper that is out. */
export const shopOnPaperSchema = z.strictObject({
  name: z.string(),
  town: z.string(),
  /** where it is reached, as one line */
  contact: z.string(),
  street: part,
  postalCode: part,
  country: part,
  phone: part,
  mail: part,
  web: part,
  taxNumber: part,
  companyNumber: part,
  bank: part,
});
export type ShopOnPaper = z.infer<typeof shopOnPaperSchema>;

/** What a paper says of the shop; empty parts are left out. */
export function shopOnPaper(shop: ShopIdentity & { contact: string }): ShopOnPaper {
  const { name, town, contact } = shop;
  const said = PARTS.flatMap((key) => (shop[key] === '' ? [] : [[key, shop[key]] as const]));
  return { name, town, contact, ...Object.fromEntries(said) };
}

/** What stands before the numbers that trade papers carry, in a language. */
export interface NumberWords {
  tax: string;
  company: string;
  bank: string;
}

/** Tax number, company number and bank as one line; empty: the shop has none of them. */
export function numbersLine({ taxNumber, companyNumber, bank }: Partial<ShopOnPaper>, words: NumberWords): string {
  return [
    ...(taxNumber === undefined ? [] : [`${words.tax} ${taxNumber}`]),
    ...(companyNumber === undefined ? [] : [`${words.company} ${companyNumber}`]),
    ...(bank === undefined ? [] : [`${words.bank} ${bank}`]),
  ].join(' · ');
}
