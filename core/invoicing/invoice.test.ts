import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PlanCase } from '../planning/model/case';
import { answer } from '../planning/search/answer';
import { addressLines, customerOnPaper } from '../quoting/customer-on-paper';
import { makeOption, type OptionSupply } from '../quoting/option';
import type { Element } from '../quoting/paper/ubl-elements';
import { sampleRule } from '../quoting/samples';
import type { QuoteSnapshot } from '../quoting/snapshot';
import { PLAIN_TERMS } from '../quoting/terms';
import type { QuoteTerms } from '../quoting/terms-schema';
import { dueCents, type Invoice, type InvoiceInput, invoiceSchema, invoiceState, makeInvoice } from './invoice';
import { ublInvoice } from './ubl-invoice';

const planCase: PlanCase = JSON.parse(
  readFileSync(join(__dirname, '..', 'planning', 'cases', 'bakery-till.case.json'), 'utf8'),
);
const { plans } = answer(planCase);
const supplies = new Map<string, OptionSupply>(
  planCase.offers.map(({ id }) => [id, { costCents: 1111, seller: 'Quayside', leadDays: 1 }]),
);
const terms: QuoteTerms = {
  ...PLAIN_TERMS,
  extras: [
    { text: 'Diagnosis', quantity: 1, eachCents: 2500, taxBp: null },
    { text: 'Old battery taken back', quantity: 2, eachCents: 333, taxBp: 700 },
  ],
  discount: { kind: 'share', bp: 500, reason: 'regular customer' },
};

function invoiceOf(nr: number, more: Partial<InvoiceInput> = {}, pricing = sampleRule()): Invoice {
  const plan = plans[nr];
  if (plan === undefined) throw new Error('no such plan');
  const option = makeOption({ planCase, plan, supplies, pricing, place: 2, terms });
  const quote = {
    number: '2026-0007',
    currency: 'EUR',
    taxBp: 2000,
    taxWay: pricing.exempt === null ? pricing.taxWay : 'added',
    taxRounding: pricing.taxRounding,
    ...(pricing.exempt !== null && { exempt: pricing.exempt }),
    machine: { name: 'Tarnholt Counter 4', totalMiB: 8192 },
  } as unknown as QuoteSnapshot;
  const invoice = makeInvoice({
    number: 'INV-2026-0001',
    issuedOn: '2026-12-20',
    suppliedOn: '2026-12-18',
    days: 14,
    quote,
    option,
    acceptedOn: '2026-12-10',
    shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '14 Petrel Street' },
    customer: { name: 'Oddny Fairlie' },
    prepaid: [],
    ...more,
  });
  return invoiceSchema.parse(invoice);
}

const flat = ({ name, content }: Element): [string, string][] =>
  typeof content === 'string' ? [[name, content]] : content.flatMap(flat);
const all = (element: Element, name: string): string[] =>
  flat(element).flatMap(([own, text]) => (own === `cbc:${name}` ? [text] : []));
const child = ({ content }: Element, name: string): Element[] =>
  typeof content === 'string' ? [] : content.filter((one) => one.name === name);
const minor = (text: string): number => Math.round(Number(text) * 100);

describe('an invoice', () => {
  it('has the lines and the tax of the option that was accepted, and is due so many days later', () => {
    for (const [nr] of plans.entries()) {
      const invoice = invoiceOf(nr);
      expect(invoice.taxes.reduce((sum, one) => sum + one.netCents + one.taxCents, 0)).toBe(invoice.totalCents);
      expect(invoice.taxes.reduce((sum, one) => sum + one.taxCents, 0)).toBe(invoice.taxCents);
    }
    expect(invoiceOf(0)).toMatchObject({ dueOn: '2027-01-03', language: 'en', taxWay: 'contained' });
    expect(JSON.stringify(invoiceOf(0))).not.toMatch(/costCents|marginCents|offer-/);
  });

  it('is due by what was not paid before', () => {
    const { totalCents } = invoiceOf(0);
    const paid = (cents: number) => [{ on: '2026-12-11', cents, way: 'card' as const }];
    expect(dueCents(invoiceOf(0))).toBe(totalCents);
    expect(dueCents(invoiceOf(0, { prepaid: paid(1000) }))).toBe(totalCents - 1000);
    expect(dueCents(invoiceOf(0, { prepaid: paid(totalCents + 5) }))).toBe(-5);
  });

  it.each([
    [0, '2027-01-03', 'open'],
    [0, '2027-01-04', 'overdue'],
    [99_999, '2027-01-04', 'overdue'],
    [100_000, '2027-02-01', 'paid'],
    [100_001, '2026-12-20', 'overpaid'],
  ] as const)('with %d of 1,000.00 paid on %s is %s', (paid, today, state) => {
    expect(invoiceState({ totalCents: 100_000, dueOn: '2027-01-03' }, paid, today)).toBe(state);
  });
});

describe('as UBL 2.3 Invoice', () => {
  const rules = [
    sampleRule(),
    sampleRule({ taxWay: 'added' }),
    sampleRule({ taxWay: 'added', taxRounding: 'line', rates: { part: 2000, labour: 550, fee: 1000, credit: 0 } }),
    sampleRule({ exempt: 'public body' }),
  ];

  it('adds up: lines less allowances are the total without tax, and with tax what the customer pays', () => {
    for (const rule of rules) {
      for (const [nr] of plans.entries()) {
        const invoice = invoiceOf(nr, { prepaid: [{ on: '2026-12-11', cents: 700, way: 'cash' }] }, rule);
        const document = ublInvoice(invoice);
        const [total] = child(document, 'cac:LegalMonetaryTotal');
        if (total === undefined) throw new Error('no total');
        const figure = (name: string) => minor(all(total, name)[0] ?? '');
        const lines = child(document, 'cac:InvoiceLine');
        expect(lines.reduce((sum, line) => sum + minor(all(line, 'LineExtensionAmount')[0] ?? ''), 0)).toBe(
          figure('LineExtensionAmount'),
        );
        expect(figure('TaxExclusiveAmount')).toBe(figure('LineExtensionAmount') - figure('AllowanceTotalAmount'));
        expect(figure('TaxInclusiveAmount')).toBe(invoice.totalCents);
        expect(figure('PrepaidAmount')).toBe(700);
        expect(figure('PayableAmount')).toBe(invoice.totalCents - 700);
        const [tax] = child(document, 'cac:TaxTotal');
        expect(minor(all(tax ?? document, 'TaxAmount')[0] ?? '')).toBe(invoice.taxCents);
      }
    }
  });

  it('says when, by whom and to whom it was supplied, in the order of its schema', () => {
    const customer = customerOnPaper({
      name: 'Fairlie’s Bakery',
      street: '3 Quay Row',
      postalCode: 'SK4',
      town: 'Skerrow',
      country: 'IE',
      taxNumber: 'IE 77',
    });
    const shop = { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '', bank: 'IE00 SKER' };
    const document = ublInvoice(invoiceOf(0, { customer, shop }));
    expect(all(document, 'TaxPointDate')).toEqual(['2026-12-18']);
    expect(all(document, 'ActualDeliveryDate')).toEqual(['2026-12-18']);
    expect(all(document, 'InvoiceTypeCode')).toEqual(['380']);
    expect(flat(child(document, 'cac:AccountingCustomerParty')[0] ?? document).map(([, text]) => text)).toEqual([
      ...['Fairlie’s Bakery', '3 Quay Row', 'Skerrow', 'SK4', 'IE', 'IE 77', 'VAT'],
    ]);
    expect(all(child(document, 'cac:PaymentMeans')[0] ?? document, 'PaymentMeansCode')).toEqual(['30']);
    const names = typeof document.content === 'string' ? [] : document.content.map(({ name }) => name);
    const order = [
      ...['cbc:UBLVersionID', 'cbc:ID', 'cbc:IssueDate', 'cbc:DueDate', 'cbc:InvoiceTypeCode', 'cbc:Note'],
      ...['cbc:TaxPointDate', 'cbc:DocumentCurrencyCode', 'cbc:LineCountNumeric', 'cac:OriginatorDocumentReference'],
      ...['cac:AccountingSupplierParty', 'cac:AccountingCustomerParty', 'cac:Delivery', 'cac:PaymentMeans'],
      ...['cac:PrepaidPayment', 'cac:AllowanceCharge', 'cac:TaxTotal', 'cac:LegalMonetaryTotal', 'cac:InvoiceLine'],
    ];
    const places = names.map((name) => order.indexOf(name));
    expect(places).not.toContain(-1);
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(addressLines(customer)).toEqual(['3 Quay Row', 'SK4 Skerrow', 'IE']);
    expect(addressLines({ name: 'x' })).toEqual([]);
  });
});
