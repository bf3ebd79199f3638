import type { SellerTerms } from '../core/pricing/seller-terms';
import { type ListEnd, type ListOrder, ListReading } from '../outward/lists/list-reading';

const terms: SellerTerms = { currency: 'EUR', withTax: false, taxBp: 0, taxBack: true, shipping: { kind: 'none' } };

/** A list of a seller whose numbers are what the shop pays, as nobody has read one before. */
export const PLAIN_ORDER: ListOrder = {
  listId: 7,
  encoding: null,
  told: null,
  remembered: null,
  fixes: {},
  partsOf: '',
  ground: { terms, currency: 'EUR', day: '2026-11-25', rates: [] },
};

export interface WholeList {
  /** fields of each row as COPY takes them, without the list's id */
  lines: string[][];
  modules: unknown[];
  end: ListEnd;
}

/** Reads a list to its end in pieces of a size; throws the sentence where it is none. */
export async function readWhole(
  input: Uint8Array,
  order: Partial<ListOrder> = {},
  size = input.length,
): Promise<WholeList> {
  const reading = new ListReading({ ...PLAIN_ORDER, ...order });
  const lines: string[][] = [];
  const modules: unknown[] = [];
  for (let from = 0; ; from += size) {
    const last = from + size >= input.length;
    const taken = await reading.take(input.subarray(from, from + size), last);
    if (!taken.ok) throw new Error(taken.sentence);
    const text = new TextDecoder().decode(taken.piece.lines);
    lines.push(
      ...text
        .split('\n')
        .slice(0, -1)
        .map((line) => line.split('\t').slice(1)),
    );
    modules.push(...taken.piece.specs.map(({ module }) => module));
    if (taken.piece.end !== null) return { lines, modules, end: taken.piece.end };
  }
}
