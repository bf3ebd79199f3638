import { z } from 'zod';

const line = (most: number, label: string) => z.string().trim().max(most, `${label} has at most ${most} characters.`);

/** A web address as people write it: with or without its scheme; kept as typed. */
const isWeb = (text: string): boolean => {
  if (text === '') return true;
  const whole = /^https?:\/\//i.test(text) ? text : `https://${text}`;
  return !/\s/.test(text) && URL.canParse(whole) && /\.[a-z\p{L}]{2,}\.?$/iu.test(new URL(whole).hostname);
};

/** A telephone number as people write it: figures with what parts them, at least five. */
const isPhone = (text: string): boolean =>
  text === '' || (/^[+\d][\d\s()/.-]*$/.test(text) && text.replace(/\D/g, '').length >= 5);

/** Who a shop is and where it is reached, as trade papers must say. Empty: it has none of it. */
export const identitySchema = z.strictObject({
  name: line(120, 'The shop’s name').min(1, 'Enter the shop’s name.'),
  street: line(120, 'The street'),
  postalCode: line(20, 'The postal code'),
  town: line(120, 'The town').min(1, 'Enter the town.'),
  /** ISO 3166-1 alpha-2; empty: not said */
  country: z.string().regex(/^([A-Z]{2})?$/, 'Choose a country.'),
  phone: line(40, 'The telephone number').refine(isPhone, 'Enter a telephone number such as +44 20 5550 0100.'),
  mail: z.union([z.literal(''), z.email('Enter a mail address such as desk@shop.example.').max(120)]),
  web: line(120, 'The web address').refine(isWeb, 'Enter a web address such as www.shop.example.'),
  /** the number under which it pays value added or sales tax */
  taxNumber: line(40, 'The tax number'),
  /** its number in the register of companies */
  companyNumber: line(40, 'The company number'),
  /** where customers pay: bank, IBAN and BIC as one line */
  bank: line(160, 'The bank line'),
});
export type ShopIdentity = z.infer<typeof identitySchema>;

export const NO_IDENTITY: Omit<ShopIdentity, 'name' | 'town'> = {
  street: '',
  postalCode: '',
  country: '',
  phone: '',
  mail: '',
  web: '',
  taxNumber: '',
  companyNumber: '',
  bank: '',
};

/** Where a shop is reached, as one line of its papers: address, telephone, mail, web; what is empty is left out. */
export function contactLine({ street, postalCode, town, phone, mail, web }: ShopIdentity): string {
  const place = [postalCode, town].filter((part) => part !== '').join(' ');
  const address = [street, place].filter((part) => part !== '').join(', ');
  return [address, phone, mail, web].filter((part) => part !== '').join(' · ');
}
