import type { ShopOnPaper } from '../../shop/shop-on-paper';

/** An element of a document: its name with prefix, attributes, and text or elements in their order. */
export interface Element {
  name: string;
  attributes?: Record<string, string>;
  content: string | Element[];
}

/** A basic component of the Universal Business Language 2.3 (OASIS). */
export const cbc = (name: string, text: string, attributes?: Record<string, string>): Element => ({
  name: `cbc:${name}`,
  content: text,
  ...(attributes !== undefined && { attributes }),
});

/** An aggregate component of it. */
export const cac = (name: string, content: Element[]): Element => ({ name: `cac:${name}`, content });

/** Units of what is counted: UN/ECE Recommendation 20, "one". */
export const ONE = 'C62';

/** A customer on a paper: by name, and as far as it is told its address and tax number. */
export interface CustomerOnPaper {
  name: string;
  street?: string | undefined;
  postalCode?: string | undefined;
  town?: string | undefined;
  /** ISO 3166-1, two letters */
  country?: string | undefined;
  taxNumber?: string | undefined;
}

const text = (name: string, value: string | undefined): Element[] => (value === undefined ? [] : [cbc(name, value)]);

/** Where a party is; nothing where nobody said. */
function addressOf({ street, town, postalCode, country }: Omit<CustomerOnPaper, 'name'>): Element[] {
  const parts = [
    ...text('StreetName', street),
    ...text('CityName', town),
    ...text('PostalZone', postalCode),
    ...(country === undefined ? [] : [cac('Country', [cbc('IdentificationCode', country)])]),
  ];
  return parts.length === 0 ? [] : [cac('PostalAddress', parts)];
}

const taxScheme = (taxNumber: string | undefined): Element[] =>
  taxNumber === undefined
    ? []
    : [cac('PartyTaxScheme', [cbc('CompanyID', taxNumber), cac('TaxScheme', [cbc('ID', 'VAT')])])];

/** A party by its name, and as far as it is told its address, tax and company numbers and how it is reached. */
export function shopParty(shop: ShopOnPaper): Element {
  const group = (name: string, content: Element[]): Element[] => (content.length === 0 ? [] : [cac(name, content)]);
  const { taxNumber, companyNumber } = shop;
  return cac('Party', [
    ...text('WebsiteURI', shop.web),
    cac('PartyName', [cbc('Name', shop.name)]),
    ...addressOf(shop),
    ...taxScheme(taxNumber),
    ...(companyNumber === undefined
      ? []
      : [cac('PartyLegalEntity', [cbc('RegistrationName', shop.name), cbc('CompanyID', companyNumber)])]),
    ...group('Contact', [...text('Telephone', shop.phone), ...text('ElectronicMail', shop.mail)]),
  ]);
}

export const partyNamed = (name: string): Element => cac('Party', [cac('PartyName', [cbc('Name', name)])]);

export const customerParty = (customer: CustomerOnPaper): Element =>
  cac('Party', [
    cac('PartyName', [cbc('Name', customer.name)]),
    ...addressOf(customer),
    ...taxScheme(customer.taxNumber),
  ]);
