import { containedTax } from '../pricing/contained-tax';
import type { QuoteOption } from './snapshot';

export interface LowestMargin {
  /** what parts must bring above what they cost, hundredths of a percent of the cost */
  lowestBp: number;
  /** do the option's lines hold the tax */
  taxContained: boolean;
  /** what lines that fall on several rates are taken to be taxed at, hundredths of a percent */
  taxBp: number;
}

/**
 * Is an option sold for less than the shop lets anybody but an owner sell it? Its parts, less their share of any discount, must bring what
 * they cost and the lowest margin on it, without tax; and the whole must not lose money, whatever credit was given.
 */
export function isBelowLowest(option: Pick<QuoteOption, 'lines' | 'shop'>, rule: LowestMargin): boolean {
  const { costCents, marginCents } = option.shop;
  if (marginCents < 0) return true;
  const net = (kind: QuoteOption['lines'][number]['kind']): number =>
    option.lines
      .filter((line) => line.kind === kind)
      .reduce((sum, { totalCents, taxBp }) => {
        const tax = rule.taxContained ? containedTax(totalCents, taxBp ?? rule.taxBp) : 0;
        return sum + totalCents - tax;
      }, 0);
  const [parts, work] = [net('part'), net('labour')];
  // A discount falls on parts and work alike: of it the parts bear their share.
  const share = parts + work > 0 ? parts / (parts + work) : 1;
  return (parts + net('discount') * share) * 10_000 < costCents * (10_000 + rule.lowestBp);
}
