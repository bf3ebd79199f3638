import { type BillLine, billOf, spreadOverRates, type TaxRounding, type TaxWay } from '../../pricing/bill';
import { plainMoney } from '../../pricing/currency';
import type { QuoteLine } from '../snapshot';
import { cac, cbc, type Element, ONE } from './ubl-elements';

/** A line, or the part of it that one tax rate falls on, with what it comes to without tax. */
export interface NetLine {
  line: QuoteLine;
  taxBp: number;
  netMinor: number;
  taxMinor: number;
}

/** How a paper's lines are counted and taxed. */
export interface TaxedPaper {
  currency: string;
  taxBp: number;
  taxWay?: TaxWay | undefined;
  taxRounding?: TaxRounding | undefined;
  /** why no tax is charged */
  exempt?: string | undefined;
}

/** Lines with the rate that each is taxed at. Those of before rates were told are all taxed at the quote's. */
const taxedLines = (paper: TaxedPaper, lines: readonly QuoteLine[]): QuoteLine[] =>
  lines.map((line) => (line.taxBp === undefined ? { ...line, taxBp: paper.taxBp } : line));

/** Every line without its tax, in its parts by rate; they add up to the paper's net and tax. */
export function netLines(paper: TaxedPaper, all: readonly QuoteLine[]): NetLine[] {
  const { taxWay = 'contained', taxRounding = 'total' } = paper;
  const lines = taxedLines(paper, all);
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
export const isLine = ({ kind }: QuoteLine): boolean => kind === 'part' || kind === 'labour' || kind === 'fee';

/** What the elements of one document are made with: amounts in its currency, its tax categories. */
export class TaxedElements {
  readonly #paper: TaxedPaper;

  constructor(paper: TaxedPaper) {
    this.#paper = paper;
  }

  money(name: string, minor: number): Element {
    const { currency } = this.#paper;
    return cbc(name, plainMoney(minor, currency), { currencyID: currency });
  }

  category(name: string, taxBp: number): Element {
    const { exempt } = this.#paper;
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

  /** A unit's price without tax need not be whole cents: the price is of the whole quantity. */
  price({ line, netMinor }: NetLine): Element {
    return cac('Price', [
      this.money('PriceAmount', netMinor),
      cbc('BaseQuantity', String(line.quantity), { unitCode: ONE }),
    ]);
  }

  item({ line, taxBp }: NetLine): Element {
    return cac('Item', [
      ...(line.about === undefined ? [] : [cbc('Description', line.about)]),
      cbc('Name', line.text),
      this.category('ClassifiedTaxCategory', taxBp),
    ]);
  }

  /** @param nr counted from 1 */
  quotationLine(net: NetLine, nr: number): Element {
    return cac('QuotationLine', [
      cbc('ID', String(nr)),
      cac('LineItem', [
        cbc('ID', String(nr)),
        cbc('Quantity', String(net.line.quantity), { unitCode: ONE }),
        this.money('LineExtensionAmount', net.netMinor),
        this.money('TotalTaxAmount', net.taxMinor),
        this.price(net),
        this.item(net),
      ]),
    ]);
  }

  /** @param nr counted from 1 */
  invoiceLine(net: NetLine, nr: number): Element {
    return cac('InvoiceLine', [
      cbc('ID', String(nr)),
      cbc('InvoicedQuantity', String(net.line.quantity), { unitCode: ONE }),
      this.money('LineExtensionAmount', net.netMinor),
      this.item(net),
      this.price(net),
    ]);
  }
}

export const netOf = (lines: readonly NetLine[]): number => lines.reduce((total, { netMinor }) => total + netMinor, 0);
export const taxOf = (lines: readonly NetLine[]): number => lines.reduce((total, { taxMinor }) => total + taxMinor, 0);
