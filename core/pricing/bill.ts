import { containedTax } from './contained-tax';
import { roundHalfEven } from './round-half-even';
import { shares } from './shares';

/** Do the shop's prices hold the tax, or is it added to them? */
export const TAX_WAYS = ['contained', 'added'] as const;
export type TaxWay = (typeof TAX_WAYS)[number];

/** Is tax rounded for each line, or once for all that is taxed at one rate? Laws differ. */
export const TAX_ROUNDINGS = ['line', 'total'] as const;
export type TaxRounding = (typeof TAX_ROUNDINGS)[number];

export interface BillRule {
  taxWay: TaxWay;
  taxRounding: TaxRounding;
}

/** Something that is charged, or with a minus taken off. */
export interface BillLine {
  /** with tax where the shop's prices hold it, without where it is added; integer minor units */
  minor: number;
  /** hundredths of a percent */
  taxBp: number;
}

/** What is taxed at one rate. Minor units; net and tax add up to gross. */
export interface TaxOfRate {
  taxBp: number;
  netMinor: number;
  taxMinor: number;
  grossMinor: number;
}

export interface Bill {
  netMinor: number;
  taxMinor: number;
  grossMinor: number;
  /** the highest rate first; they add up to the whole */
  rates: TaxOfRate[];
  /** the tax of each line, in their order; the lines of a rate add up to its tax */
  lineTaxMinor: number[];
}

/**
 * Tax and totals of lines. Tax is rounded half to even, by line or by rate as the shop's law wants it; rounded by rate, each
 * line's share of it is by largest remainder, so that nothing is lost either way.
 */
export function billOf(lines: readonly BillLine[], { taxWay, taxRounding }: BillRule): Bill {
  const taxOn = (minor: number, taxBp: number): number =>
    taxWay === 'contained' ? containedTax(minor, taxBp) : roundHalfEven(minor, taxBp, 10_000);
  const lineTaxMinor = lines.map(() => 0);
  const rates = [...new Set(lines.map(({ taxBp }) => taxBp))]
    .sort((a, b) => b - a)
    .map((taxBp): TaxOfRate => {
      const places = lines.flatMap((line, place) => (line.taxBp === taxBp ? [place] : []));
      const amounts = places.map((place) => lines[place]?.minor ?? 0);
      const sum = amounts.reduce((total, minor) => total + minor, 0);
      const taxes =
        taxRounding === 'line' ? amounts.map((minor) => taxOn(minor, taxBp)) : shares(taxOn(sum, taxBp), amounts);
      places.forEach((place, index) => {
        lineTaxMinor[place] = taxes[index] ?? 0;
      });
      const taxMinor = taxes.reduce((total, tax) => total + tax, 0);
      return taxWay === 'contained'
        ? { taxBp, netMinor: sum - taxMinor, taxMinor, grossMinor: sum }
        : { taxBp, netMinor: sum, taxMinor, grossMinor: sum + taxMinor };
    });
  const total = (of: (rate: TaxOfRate) => number): number => rates.reduce((sum, rate) => sum + of(rate), 0);
  return {
    netMinor: total(({ netMinor }) => netMinor),
    taxMinor: total(({ taxMinor }) => taxMinor),
    grossMinor: total(({ grossMinor }) => grossMinor),
    rates,
    lineTaxMinor,
  };
}

/**
 * An amount that is taken off several lines at once, or put on them: so much of it for each tax rate as that rate's lines
 * have of the whole. The parts add up to the amount.
 */
export function spreadOverRates(minor: number, lines: readonly BillLine[]): BillLine[] {
  const sums = new Map<number, number>();
  for (const line of lines) sums.set(line.taxBp, (sums.get(line.taxBp) ?? 0) + line.minor);
  const rates = [...sums].filter(([, sum]) => sum > 0).sort(([a], [b]) => b - a);
  if (rates.length === 0) return [{ taxBp: lines[0]?.taxBp ?? 0, minor }];
  const parts = shares(
    minor,
    rates.map(([, sum]) => sum),
  );
  return rates.map(([taxBp], index) => ({ taxBp, minor: parts[index] ?? 0 }));
}
