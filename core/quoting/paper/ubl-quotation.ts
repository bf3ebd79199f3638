import { type BillLine, billOf, spreadOverRates } from '../../pricing/bill';
import { plainMoney } from '../../pricing/currency';
import type { CustomerOption, CustomerQuote } from '../customer-view';
import type { QuoteLine } from '../snapshot';
import { capacityIn, languageOfQuote, wordsOf } from '../words/in-language';
import { cac, cbc, type Element, ONE, partyNamed, shopParty } from './ubl-elements';

/** A line, or the part of it that one tax rate falls on, with what it comes to without tax. */
interface NetLine {
  line: QuoteLine;
  taxBp: number;
  netMinor: number;
  taxMinor: number;
}

/** Lines of an option with the rate that each is taxed at. Those of before rates were told are all taxed at the quote's. */
const taxedLines = (quote: CustomerQuote, option: CustomerOption): QuoteLine[] =>
  option.lines.map((line) => (line.taxBp === undefined ? { ...line, taxBp: quote.taxBp } : line));

/** Every line of an option without its tax, in its parts by rate; they add up to the option's net and tax. */
function netLines(quote: CustomerQuote, option: CustomerOption): NetLine[] {
  const { taxWay = 'contained', taxRounding = 'total' } = quote;
  const lines = taxedLines(quote, option);
  const charged = lines.flatMap(({ kind, totalCents, taxBp }): BillLine[] =>
    taxBp != null && (kind === 'part' || kind === 'labour') ? [{ minor: totalCents, taxBp }] : [],
  );
  const whole = lines.flatMap((line) =>
    line.taxBp == null ? [] : [{ line, part: { minor: line.totalCents, taxBp: line.taxBp } }],
  );
  const spread = lines.flatMap((line) =>
    line.taxBp === null ? spreadOverRates(line.totalCents, charged).map((part) => ({ line, part })) : [],
  );
  const parts = [...whole, ...spread];
  const { lineTaxMinor } = billOf(
    parts.map(({ part }) => part),
    { taxWay, taxRounding },
  );
  return parts.map(({ line, part }, index) => {
    const taxMinor = lineTaxMinor[index] ?? 0;
    return { line, taxBp: part.taxBp, taxMinor, netMinor: taxWay === 'contained' ? part.minor - taxMinor : part.minor };
  });
}

/** Parts, work and fees are lines; credits and discounts are allowances on the whole. */
const isLine = ({ kind }: QuoteLine): boolean => kind === 'part' || kind === 'labour' || kind === 'fee';

/**
 * An option of a quote as a Quotation of the Universal Business Language 2.3 (OASIS), elements in the order of its schema.
 * UBL has no alternatives with totals of their own: each option is a document, and says which of how many it is. All amounts
 * are without tax but those that say otherwise.
 */
export function ublQuotation(quote: CustomerQuote, option: CustomerOption): Element {
  const { currency } = quote;
  const words = wordsOf(quote);
  const money = (name: string, minor: number): Element =>
    cbc(name, plainMoney(minor, currency), { currencyID: currency });
  const percent = (bp: number): string => String(bp / 100);
  const category = (name: string, taxBp: number): Element =>
    cac(name, [
      cbc('ID', quote.exempt !== undefined ? 'E' : taxBp === 0 ? 'Z' : 'S'),
      cbc('Percent', percent(taxBp)),
      ...(quote.exempt === undefined ? [] : [cbc('TaxExemptionReason', quote.exempt)]),
      cac('TaxScheme', [cbc('ID', 'VAT')]),
    ]);
  const net = netLines(quote, option);
  const lines = net.filter(({ line }) => isLine(line));
  const off = net.filter(({ line }) => !isLine(line));
  const sum = (of: readonly NetLine[]): number => of.reduce((total, { netMinor }) => total + netMinor, 0);
  const rates = [...new Set(net.map(({ taxBp }) => taxBp))].sort((a, b) => b - a);
  const language = languageOfQuote(quote);
  const of = quote.options.length;
  const what = `${words.option(option.place)} / ${of}: ${words.ofMemory(capacityIn(language, option.totalMiB))}`;
  const taxMinor = net.reduce((total, one) => total + one.taxMinor, 0);
  const netMinor = sum(net);
  return {
    name: 'Quotation',
    content: [
      cbc('UBLVersionID', '2.3'),
      cbc('ID', `${quote.number}-${option.place}`),
      cbc('IssueDate', quote.sentOn),
      cbc('Note', what),
      ...option.warnings.map((warning) => cbc('Note', warning)),
      ...(quote.note === undefined ? [] : [cbc('Note', quote.note)]),
      cbc('PricingCurrencyCode', currency),
      cbc('LineCountNumeric', String(lines.length)),
      cac('ValidityPeriod', [cbc('StartDate', quote.sentOn), cbc('EndDate', quote.validUntil)]),
      cac('SellerSupplierParty', [shopParty(quote.shop)]),
      cac('BuyerCustomerParty', [partyNamed(quote.customer.name)]),
      ...off.map(({ line, taxBp, netMinor: minor }) =>
        cac('AllowanceCharge', [
          cbc('ChargeIndicator', String(minor > 0)),
          cbc('AllowanceChargeReason', line.quantity > 1 ? `${line.quantity} × ${line.text}` : line.text),
          money('Amount', Math.abs(minor)),
          category('TaxCategory', taxBp),
        ]),
      ),
      cac('TaxTotal', [
        money('TaxAmount', taxMinor),
        ...rates.map((rate) => {
          const ofRate = net.filter(({ taxBp }) => taxBp === rate);
          return cac('TaxSubtotal', [
            money('TaxableAmount', sum(ofRate)),
            money(
              'TaxAmount',
              ofRate.reduce((total, one) => total + one.taxMinor, 0),
            ),
            category('TaxCategory', rate),
          ]);
        }),
      ]),
      cac('QuotedMonetaryTotal', [
        money('LineExtensionAmount', sum(lines)),
        money('TaxExclusiveAmount', netMinor),
        money('TaxInclusiveAmount', netMinor + taxMinor),
        money('AllowanceTotalAmount', -sum(off)),
        money('PayableAmount', netMinor + taxMinor),
      ]),
      ...lines.map(({ line, taxBp, netMinor: minor, taxMinor: tax }, index) =>
        cac('QuotationLine', [
          cbc('ID', String(index + 1)),
          cac('LineItem', [
            cbc('ID', String(index + 1)),
            cbc('Quantity', String(line.quantity), { unitCode: ONE }),
            money('LineExtensionAmount', minor),
            money('TotalTaxAmount', tax),
            // A unit's price without tax need not be whole cents: the price is of the whole quantity.
            cac('Price', [money('PriceAmount', minor), cbc('BaseQuantity', String(line.quantity), { unitCode: ONE })]),
            cac('Item', [cbc('Name', line.text), category('ClassifiedTaxCategory', taxBp)]),
          ]),
        ]),
      ),
    ],
  };
}
