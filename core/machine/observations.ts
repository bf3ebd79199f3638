import { lettersAndDigits } from '../letters-and-digits';
import type { ReadingFormat } from '../reading/reading';

/** Who says something: a reading by its format and the name it came under, the model library, or a person. */
export interface ObservationSource {
  kind: ReadingFormat | 'model' | 'typed';
  name: string;
}

/** Somebody's word on one value. */
export interface Observation {
  value: string | number | boolean | readonly number[];
  by: ObservationSource;
}

/** All that is said of some fields; the first word of each is the one that holds. */
export type Observations<Field extends string> = Partial<Record<Field, readonly Observation[]>>;

/**
 * Whose word on a module weighs more: a person's, then what the module says of itself, then what the firmware and
 * systems over it say of it, then what stands on a label.
 */
const TRUST: readonly ObservationSource['kind'][] = [
  'typed',
  'spd',
  'smbios',
  'smbios-text',
  'cim-json',
  'cim-csv',
  'hardware-tree',
  'machine-text',
  'model',
  'listing',
  'product-page',
  'specification',
];

export const trustOf = (kind: ObservationSource['kind']): number => TRUST.indexOf(kind);

/** Adds a word where it says anything, behind those that weigh more. */
export function addObservation<Field extends string>(
  all: Observations<Field>,
  field: Field,
  value: unknown,
  by: ObservationSource,
): Observations<Field> {
  if (!isValue(value)) return all;
  const words = [...(all[field] ?? []), { value, by }].sort((a, b) => trustOf(a.by.kind) - trustOf(b.by.kind));
  return { ...all, [field]: words };
}

function isValue(value: unknown): value is Observation['value'] {
  if (Array.isArray(value)) return value.length > 0 && value.every((one) => typeof one === 'number');
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean';
}

/**
 * Do two words say the same? Names may differ in case and blanks, and one may be cut short; a list that names part of
 * another does not contradict it.
 */
export function sameWord(a: Observation['value'], b: Observation['value']): boolean {
  if (typeof a === 'string' && typeof b === 'string') {
    const [one, two] = [lettersAndDigits(a), lettersAndDigits(b)];
    return one === two || (Math.min(one.length, two.length) >= 6 && (one.startsWith(two) || two.startsWith(one)));
  }
  if (typeof a === 'object' && typeof b === 'object') {
    return a.every((one) => b.includes(one)) || b.every((one) => a.includes(one));
  }
  return a === b;
}

/** The words that say something else than the one that holds. */
export function dissent(words: readonly Observation[]): Observation[] {
  const [first, ...others] = words;
  return first === undefined ? [] : others.filter((other) => !sameWord(first.value, other.value));
}
