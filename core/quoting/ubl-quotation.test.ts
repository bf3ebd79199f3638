import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { answer } from '../planning/answer';
import { TAX_ROUNDINGS, TAX_WAYS } from '../pricing/bill';
import { type CustomerQuote, customerView } from './customer-view';
import { makeOption, type OptionInput } from './option';
import { sampleRule } from './samples';
import { PLAIN_TERMS } from './terms';
import { type Element, ublQuotation } from './ubl-quotation';

/**
 * Elements of UBL 2.3 that a Quotation of ours may use, in the order of its schema (OASIS UBL 2.3, UBL-Quotation-2.3.xsd and
 * the common components), each with how often it may stand.
 */
const SCHEMA: Record<string, string> = {
  Quotation: `UBLVersionID? CustomizationID? ProfileID? ProfileExecutionID? ID CopyIndicator? UUID? IssueDate IssueTime? Note*
    PricingCurrencyCode? LineCountNumeric? ValidityPeriod? RequestForQuotationDocumentReference?
    AdditionalDocumentReference* Contract* Signature* SellerSupplierParty BuyerCustomerParty? OriginatorCustomerParty?
    Delivery* DeliveryTerms? PaymentMeans? TransactionConditions? AllowanceCharge* DestinationCountry? TaxTotal*
    QuotedMonetaryTotal QuotationLine+`,
  ValidityPeriod: 'StartDate? StartTime? EndDate? EndTime? DurationMeasure? DescriptionCode* Description*',
  SellerSupplierParty: 'CustomerAssignedAccountID? AdditionalAccountID* DataSendingCapability? Party?',
  BuyerCustomerParty: 'CustomerAssignedAccountID? SupplierAssignedAccountID? AdditionalAccountID* Party?',
  Party:
    'MarkCareIndicator? MarkAttentionIndicator? WebsiteURI? LogoReferenceID? EndpointID? PartyIdentification* PartyName*',
  PartyName: 'Name',
  AllowanceCharge: `ID? ChargeIndicator AllowanceChargeReasonCode? AllowanceChargeReason* MultiplierFactorNumeric?
    PrepaidIndicator? SequenceNumeric? Amount BaseAmount? AccountingCostCode? AccountingCost? PerUnitAmount? TaxCategory*
    TaxTotal? PaymentMeans*`,
  TaxTotal: 'TaxAmount RoundingAmount? TaxEvidenceIndicator? TaxIncludedIndicator? TaxSubtotal*',
  TaxSubtotal: `TaxableAmount? TaxAmount CalculationSequenceNumeric? TransactionCurrencyTaxAmount? Percent? BaseUnitMeasure?
    PerUnitAmount? TierRange? TierRatePercent? TaxCategory`,
  TaxCategory: `ID? Name? Percent? BaseUnitMeasure? PerUnitAmount? TaxExemptionReasonCode? TaxExemptionReason* TierRange?
    TierRatePercent? TaxScheme`,
  TaxScheme: 'ID? Name? TaxTypeCode? CurrencyCode? JurisdictionRegionAddress*',
  QuotedMonetaryTotal: `LineExtensionAmount? TaxExclusiveAmount? TaxInclusiveAmount? AllowanceTotalAmount? ChargeTotalAmount?
    WithholdingTaxTotalAmount? PrepaidAmount? PayableRoundingAmount? PayableAmount PayableAlternativeAmount?`,
  QuotationLine: `ID? Note* Quantity? LineExtensionAmount? TotalTaxAmount? RequestForQuotationLineID? DocumentReference*
    LineItem SellerProposedSubstituteLineItem* AlternativeLineItem* RequestLineReference?`,
  LineItem: `ID SalesOrderID? UUID? Note* LineStatusCode? Quantity? LineExtensionAmount? TaxInclusiveLineExtensionAmount?
    TotalTaxAmount? MinimumQuantity? MaximumQuantity? MinimumBackorderQuantity? MaximumBackorderQuantity?
    InspectionMethodCode? PartialDeliveryIndicator? BackOrderAllowedIndicator? AccountingCostCode? AccountingCost?
    WarrantyInformation* Delivery* DeliveryTerms? OriginatorParty? OrderedShipment* PricingReference? AllowanceCharge*
    Price? Item SubLineItem* WarrantyValidityPeriod? WarrantyParty? TaxTotal* ItemPriceExtension? LineReference*`,
  Price:
    'PriceAmount BaseQuantity? PriceChangeReason* PriceTypeCode? PriceType? OrderableUnitFactorRate? ValidityPeriod*',
  Item: `Description* PackQuantity? PackSizeNumeric? CatalogueIndicator? Name? HazardousRiskIndicator? AdditionalInformation*
    Keyword* BrandName* ModelName* BuyersItemIdentification? SellersItemIdentification? ManufacturersItemIdentification*
    StandardItemIdentification? CatalogueItemIdentification? CatalogueDocumentReference? ItemSpecificationDocumentReference*
    OriginCountry? CommodityClassification* TransactionConditions* HazardousItem* ClassifiedTaxCategory*`,
};
SCHEMA.ClassifiedTaxCategory = SCHEMA.TaxCategory ?? '';

const local = ({ name }: Element): string => name.replace(/^\w+:/, '');

/** What of a document is not as the schema has it: an unknown element, a wrong order, too many or too few. */
function faultsOf(element: Element): string[] {
  const { content } = element;
  const name = local(element);
  const model = SCHEMA[name];
  if (typeof content === 'string') {
    return model === undefined && element.name.startsWith('cbc:') ? [] : [`${element.name} holds a text`];
  }
  if (model === undefined) return [`${name} is not known`];
  const particles = model
    .split(/\s+/)
    .map((one) => ({ name: one.replace(/[?*+]$/, ''), often: one.match(/[?*+]$/)?.[0] }));
  const faults: string[] = [];
  let at = 0;
  for (const child of content) {
    const place = particles.findIndex((one) => one.name === local(child));
    if (place < at) faults.push(`${name}/${local(child)} ${place < 0 ? 'is not known' : 'comes too late'}`);
    at = Math.max(at, place);
  }
  for (const particle of particles) {
    const count = content.filter((child) => local(child) === particle.name).length;
    const isFew = count === 0 && (particle.often === undefined || particle.often === '+');
    const isMany = count > 1 && (particle.often === undefined || particle.often === '?');
    if (isFew || isMany) faults.push(`${name}/${particle.name} stands ${count} times`);
  }
  return [...faults, ...content.flatMap(faultsOf)];
}

const planCase = JSON.parse(readFileSync(join(__dirname, '..', 'planning', 'cases', 'bakery-till.case.json'), 'utf8'));
const { plans } = answer(planCase);
const TERMS = {
  ...PLAIN_TERMS,
  discount: { kind: 'share' as const, bp: 700, reason: 'regular <customer> & friend' },
  fees: [{ text: 'Old battery taken back', cents: 333 }],
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
