import { lettersAndDigits } from '../letters-and-digits';
import type { ReadMachine } from '../reading/reading';

/** Two words that both say something, and not the same. */
const differ = (a: string | null, b: string | null): boolean =>
  a !== null &&
  b !== null &&
  lettersAndDigits(a) !== '' &&
  lettersAndDigits(b) !== '' &&
  lettersAndDigits(a) !== lettersAndDigits(b);

/** What fills a machine's slots, as far as a report's letters go. */
const filling = ({ memory }: ReadMachine): string =>
  JSON.stringify(
    memory.slots.map(({ locator, installed }) => [locator, installed?.capacityMiB ?? null, installed?.serial ?? null]),
  );

/**
 * Why a report after fitting may not be this machine's, or not from after the fitting, in one sentence; null: nothing speaks
 * against it.
 *
 * @param before what the machine said of itself at intake
 * @param serial the machine's serial as the job knows it; empty: nobody knows
 * @param changes the fitting changes what the machine holds
 */
export function apartFromJob(
  machine: ReadMachine,
  { before, serial, changes }: { before: readonly ReadMachine[]; serial: string; changes: boolean },
): string | null {
  const serials = [serial === '' ? null : serial, ...before.map((one) => one.serial)];
  const other = serials.find((one) => differ(one, machine.serial));
  if (other != null) {
    return `This report is of a machine with the serial ${machine.serial}; this job’s has ${other}.`;
  }
  const isSameSerial = serials.some(
    (one) => one !== null && machine.serial !== null && lettersAndDigits(one) === lettersAndDigits(machine.serial),
  );
  const model = before.map((one) => one.model).find((one) => differ(one, machine.model));
  if (model != null && !isSameSerial) {
    return `This report is of a ${machine.model}; this job’s machine calls itself ${model}.`;
  }
  if (changes && before.some((one) => filling(one) === filling(machine))) {
    return 'This report says what the machine said before the fitting: it may be from then.';
  }
  return null;
}
