/** An element of a document: its name with prefix, attributes, and text or elements in their order. */
export interface Element {
  name: string;
  attributes?: Record<string, string>;
  content: string | Element[];
}

/** A basic component of the Universal Business Language 2.3 (OASIS). */
export const cbc = (name: string, text: string, attributes?: Record<string, string>): Element => ({
  name: `cbc:${name}`,
  content: text,
  ...(attributes !== undefined && { attributes }),
});

/** An aggregate component of it. */
export const cac = (name: string, content: Element[]): Element => ({ name: `cac:${name}`, content });

/** Units of what is counted: UN/ECE Recommendation 20, "one". */
export const ONE = 'C62';

export const partyNamed = (name: string): Element => cac('Party', [cac('PartyName', [cbc('Name', name)])]);
