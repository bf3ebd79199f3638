import { reportText } from '../demo/report';
import { textInput } from '../scripts/text-input';

/** Modules in the slots of a till, MB by slot; those that are not named are free. */
type Filled = Readonly<Record<string, number>>;

const SLOTS = ['A1', 'B1', 'A2', 'B2'] as const;

/** What a till with this serial and these modules says. */
export const tillReport = (serial: string, filled: Filled, rate = 2400): string =>
  reportText({
    maker: 'Tarnholt',
    product: 'tc4-1900',
    serial,
    cpu: 'Merle 4300',
    maxGb: 64,
    devices: SLOTS.map((locator) => ({ locator, mb: filled[locator] ?? null, rate, ranks: 1 })),
  });

const numbered = (letter: string, count: number): string[] =>
  Array.from({ length: count }, (_, nr) => `${letter}-${String(nr + 1).padStart(2, '0')}`);

/** A school's twelve tills: seven have one module of 8 GB, five have two of 4 GB. */
export const SEVEN = numbered('SK', 7);
export const FIVE = numbered('SM', 5);
export const ONE_MODULE: Filled = { A2: 8192 };
export const TWO_MODULES: Filled = { A2: 4096, B2: 4096 };

/** Their reports, mixed as they stand on a table. */
export const twelveReports = (): { name: string; text: string }[] =>
  [...SEVEN, ...FIVE]
    .map((serial) => ({
      name: `${serial}.txt`,
      text: tillReport(serial, serial.startsWith('SK') ? ONE_MODULE : TWO_MODULES),
    }))
    .sort((a, b) => a.name.slice(3).localeCompare(b.name.slice(3)));

export const asInputs = (reports: readonly { name: string; text: string }[]) =>
  reports.map(({ name, text }) => textInput(name, text));
