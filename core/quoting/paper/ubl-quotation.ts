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

/** What the elements of one document are made with: amounts in its currency, its tax categories. */
class Elements {
  readonly #quote: CustomerQuote;

  constructor(quote: CustomerQuote) {
    this.#quote = quote;
  }

  money(name: string, minor: number): Element {
    const { currency } = this.#quote;
    return cbc(name, plainMoney(minor, currency), { currencyID: currency });
  }

  category(name: string, taxBp: number): Element {
    const { exempt } = this.#quote;
    return cac(name, [
      cbc('ID', exempt !== undefined ? 'E' : taxBp === 0 ? 'Z' : 'S'),
      cbc('Percent', String(taxBp / 100)),
      ...(exempt === undefined ? [] : [cbc('TaxExemptionReason', exempt)]),
      cac('TaxScheme', [cbc('ID', 'VAT')]),
    ]);
  }

  /** A credit or a discount on the whole. */
  allowance({ line, taxBp, netMinor }: NetLine): Element {
    return cac('AllowanceCharge', [
      cbc('ChargeIndicator', String(netMinor > 0)),
      cbc('AllowanceChargeReason', line.quantity > 1 ? `${line.quantity} × ${line.text}` : line.text),
      this.money('Amount', Math.abs(netMinor)),
      this.category('TaxCategory', taxBp),
    ]);
  }

  /** The tax of all lines, the highest rate first. */
  taxTotal(net: readonly NetLine[]): Element {
    const rates = [...new Set(net.map(({ taxBp }) => taxBp))].sort((a, b) => b - a);
    return cac('TaxTotal', [
      this.money('TaxAmount', taxOf(net)),
      ...rates.map((rate) => {
        const ofRate = net.filter(({ taxBp }) => taxBp === rate);
        return cac('TaxSubtotal', [
          this.money('TaxableAmount', netOf(ofRate)),
          this.money('TaxAmount', taxOf(ofRate)),
          this.category('TaxCategory', rate),
        ]);
      }),
    ]);
  }

  /** @param nr counted from 1 */
  line({ line, taxBp, netMinor, taxMinor }: NetLine, nr: number): Element {
    return cac('QuotationLine', [
      cbc('ID', String(nr)),
      cac('LineItem', [
        cbc('ID', String(nr)),
        cbc('Quantity', String(line.quantity), { unitCode: ONE }),
        this.money('LineExtensionAmount', netMinor),
        this.money('TotalTaxAmount', taxMinor),
        // A unit's price without tax need not be whole cents: the price is of the whole quantity.
        cac('Price', [
          this.money('PriceAmount', netMinor),
          cbc('BaseQuantity', String(line.quantity), { unitCode: ONE }),
        ]),
        cac('Item', [
          ...(line.about === undefined ? [] : [cbc('Description', line.about)]),
          cbc('Name', line.text),
          this.category('ClassifiedTaxCategory', taxBp),
        ]),
      ]),
    ]);
  }
}

const netOf = (lines: readonly NetLine[]): number => lines.reduce((total, { netMinor }) => total + netMinor, 0);
const taxOf = (lines: readonly NetLine[]): number => lines.reduce((total, { taxMinor }) => total + taxMinor, 0);

/** Which option of how many, in words. */
function whatText(quote: CustomerQuote, { place, totalMiB }: CustomerOption): string {
  const words = wordsOf(quote);
  const memory = words.ofMemory(capacityIn(languageOfQuote(quote), totalMiB));
  return `${words.option(place)} / ${quote.options.length}: ${memory}`;
}

/**
 * An option of a quote as a Quotation of the Universal Business Language 2.3 (OASIS), elements in the order of its schema.
 * UBL has no alternatives with totals of their own: each option is a document, and says which of how many it is. All amounts
 * are without tax but those that say otherwise.
 */
export function ublQuotation(quote: CustomerQuote, option: CustomerOption): Element {
  const elements = new Elements(quote);
  const net = netLines(quote, option);
  const lines = net.filter(({ line }) => isLine(line));
  const off = net.filter(({ line }) => !isLine(line));
  const [netMinor, taxMinor] = [netOf(net), taxOf(net)];
  return {
    name: 'Quotation',
    content: [
      cbc('UBLVersionID', '2.3'),
      cbc('ID', `${quote.number}-${option.place}`),
      cbc('IssueDate', quote.sentOn),
      cbc('Note', whatText(quote, option)),
      ...option.warnings.map((warning) => cbc('Note', warning)),
      ...(quote.note === undefined ? [] : [cbc('Note', quote.note)]),
      cbc('PricingCurrencyCode', quote.currency),
      cbc('LineCountNumeric', String(lines.length)),
      cac('ValidityPeriod', [cbc('StartDate', quote.sentOn), cbc('EndDate', quote.validUntil)]),
      cac('SellerSupplierParty', [shopParty(quote.shop)]),
      cac('BuyerCustomerParty', [partyNamed(quote.customer.name)]),
      ...off.map((line) => elements.allowance(line)),
      elements.taxTotal(net),
      cac('QuotedMonetaryTotal', [
        elements.money('LineExtensionAmount', netOf(lines)),
        elements.money('TaxExclusiveAmount', netMinor),
        elements.money('TaxInclusiveAmount', netMinor + taxMinor),
        elements.money('AllowanceTotalAmount', -netOf(off)),
        elements.money('PayableAmount', netMinor + taxMinor),
      ]),
      ...lines.map((line, index) => elements.line(line, index + 1)),
    ],
  };
}
