import type { ReadFact } from '../reading';
import type { Span } from './listing-text';

/** A value of the title with the place it stands at. */
export interface TitleValue<T> extends Span {
  value: T;
}

const NOTHING: readonly ReadFact[] = [];

/** What a title says, field by field, before anyone weighs it; nothing is dropped. */
export class ListingNotes {
  readonly facts: ReadFact[] = [];
  readonly #byField = new Map<string, ReadFact[]>();
  readonly warnings: string[] = [];
  readonly #title: string;

  constructor(title: string) {
    this.#title = title;
  }

  note(field: string, value: ReadFact['value'], { start, end }: Span): void {
    const fact = { field, value, start, end };
    this.facts.push(fact);
    const others = this.#byField.get(field);
    if (others === undefined) this.#byField.set(field, [fact]);
    else others.push(fact);
  }

  /** All that is said of a field, in the order it was understood. */
  said<T extends ReadFact['value']>(field: string): readonly TitleValue<T>[] {
    return (this.#byField.get(field) ?? NOTHING) as readonly (ReadFact & { value: T })[];
  }

  has(field: string): boolean {
    return this.#byField.has(field);
  }

  values<T extends ReadFact['value']>(field: string): T[] {
    const said = this.said<T>(field);
    if (said.length < 2) return said.map(({ value }) => value);
    return [...new Set(said.map(({ value }) => value))];
  }

  /** The one value all say; null where nobody says one, and, with a warning that names both, where they differ. */
  agreed<T extends ReadFact['value']>(field: string, what: string): T | null {
    const said = this.said<T>(field);
    const [first] = said;
    if (first === undefined) return null;
    const other = said.find(({ value }) => value !== first.value);
    if (other === undefined) return first.value;
    this.contradiction(first, other, what);
    return null;
  }

  /** Names two places of the title that do not go together. */
  contradiction(first: Span, second: Span, what: string): void {
    this.warnings.push(`contradiction: ${this.#quote(first)} and ${this.#quote(second)} differ in ${what}`);
  }

  #quote({ start, end }: Span): string {
    return `“${this.#title.slice(start, end).trim()}”`;
  }
}
