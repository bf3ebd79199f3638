import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { answer } from '../../planning/search/answer';
import { TAX_ROUNDINGS, TAX_WAYS } from '../../pricing/bill';
import { type CustomerQuote, customerView } from '../customer-view';
import { makeOption, type OptionInput } from '../option';
import { sampleRule } from '../samples';
import { PLAIN_TERMS } from '../terms';
import { faultsOf, local } from '../testing/ubl-schema';
import type { Element } from './ubl-elements';
import { ublQuotation } from './ubl-quotation';

const planCase = JSON.parse(
  readFileSync(join(__dirname, '..', '..', 'planning', 'cases', 'bakery-till.case.json'), 'utf8'),
);
const { plans } = answer(planCase);
const TERMS = {
  ...PLAIN_TERMS,
  discount: { kind: 'share' as const, bp: 700, reason: 'regular <customer> & friend' },
  extras: [{ text: 'Old battery taken back', quantity: 1, eachCents: 333, taxBp: null }],
};

function quoteOf(nr: number, more: Partial<OptionInput> = {}, exempt?: string): CustomerQuote {
  const plan = plans[nr];
  if (plan === undefined) throw new Error('no plan');
  const { pricing = sampleRule() } = more;
  const option = makeOption({ planCase, plan, supplies: new Map(), pricing, place: 1, terms: TERMS, ...more });
  return customerView({
    fenbrik: 'quote/1',
    number: '2026-0012',
    sentOn: '2026-11-26',
    validUntil: '2026-12-10',
    currency: 'EUR',
    taxWay: exempt === undefined ? pricing.taxWay : 'added',
    taxRounding: pricing.taxRounding,
    ...(exempt !== undefined && { exempt }),
    taxBp: 2000,
    note: 'Thank you.',
    shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '' },
    customer: { name: 'Hedda Vane' },
    machine: { name: 'Tarnholt Counter 4', totalMiB: 8192 },
    suggested: null,
    options: [option],
  });
}

const optionOf = (quote: CustomerQuote) => {
  const [option] = quote.options;
  if (option === undefined) throw new Error('no option');
  return option;
};

/** The texts of all elements of a name, wherever they stand under another. */
function textsOf(element: Element, path: readonly string[]): string[] {
  const [first, ...rest] = path;
  if (typeof element.content === 'string') return path.length === 0 ? [element.content] : [];
  return element.content.filter((child) => local(child) === first).flatMap((child) => textsOf(child, rest));
}
const cents = (text: string | undefined): number => Math.round(Number(text) * 100);
const sum = (all: readonly number[]): number => all.reduce((total, one) => total + one, 0);

describe('a quote as UBL 2.3', () => {
  it('stands in the order of the schema, everything as often as it may', () => {
    plans.slice(0, 40).forEach((_, nr) => {
      const quote = quoteOf(nr);
      expect(faultsOf(ublQuotation(quote, optionOf(quote)))).toEqual([]);
    });
    const exempt = quoteOf(0, { pricing: sampleRule({ exempt: 'public body' }) }, 'public body');
    expect(faultsOf(ublQuotation(exempt, optionOf(exempt)))).toEqual([]);
  });

  it('would not pass that check in another order, with something missing or unknown', () => {
    const quote = quoteOf(0);
    const document = ublQuotation(quote, optionOf(quote));
    const content = document.content as Element[];
    expect(faultsOf({ ...document, content: [...content].reverse() })).not.toEqual([]);
    expect(faultsOf({ ...document, content: content.filter(({ name }) => name !== 'cbc:ID') })).toEqual([
      'Quotation/ID stands 0 times',
    ]);
    expect(faultsOf({ ...document, content: [...content, { name: 'cbc:Colour', content: 'red' }] })).toEqual([
      'Quotation/Colour is not known',
    ]);
  });

  it('adds up: lines less allowances are the net, net and tax the total, for every way of taxing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: plans.length - 1 }),
        fc.constantFrom(...TAX_WAYS),
        fc.constantFrom(...TAX_ROUNDINGS),
        fc.constantFrom(0, 700, 1000, 1900),
        (nr, taxWay, taxRounding, labour) => {
          const rates = { part: 2000, labour, fee: 2000, credit: 2000 };
          const quote = quoteOf(nr, { pricing: sampleRule({ taxWay, taxRounding, rates }) });
          const option = optionOf(quote);
          const document = ublQuotation(quote, option);
          const total = (name: string) => cents(textsOf(document, ['QuotedMonetaryTotal', name])[0]);
          const lines = textsOf(document, ['QuotationLine', 'LineItem', 'LineExtensionAmount']).map(cents);
          expect(sum(lines)).toBe(total('LineExtensionAmount'));
          const off = textsOf(document, ['AllowanceCharge', 'Amount']).map(cents);
          expect(sum(off)).toBe(total('AllowanceTotalAmount'));
          expect(total('LineExtensionAmount') - total('AllowanceTotalAmount')).toBe(total('TaxExclusiveAmount'));
          expect(total('TaxInclusiveAmount')).toBe(option.totalCents);
          expect(total('PayableAmount')).toBe(option.totalCents);
          const tax = cents(textsOf(document, ['TaxTotal', 'TaxAmount'])[0]);
          expect(tax).toBe(option.taxCents);
          expect(sum(textsOf(document, ['TaxTotal', 'TaxSubtotal', 'TaxAmount']).map(cents))).toBe(tax);
          expect(total('TaxExclusiveAmount') + tax).toBe(option.totalCents);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('says why no tax is due', () => {
    const exempt = quoteOf(0, { pricing: sampleRule({ exempt: 'public body' }) }, 'public body');
    const document = ublQuotation(exempt, optionOf(exempt));
    expect(textsOf(document, ['TaxTotal', 'TaxSubtotal', 'TaxCategory', 'ID'])).toEqual(['E']);
    expect(textsOf(document, ['TaxTotal', 'TaxSubtotal', 'TaxCategory', 'TaxExemptionReason'])).toEqual([
      'public body',
    ]);
  });
});
