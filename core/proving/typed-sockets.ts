import { capacityText } from '../memory/capacity';
import { parseCapacity } from '../memory/parse-capacity';
import type { Promised, ShownMemory } from './compare-proof';

const EMPTY = /^(?:0|-|–|empty|none|leer|vide)$/i;

/**
 * What somebody read off a screen for single sockets: a size such as `8 GB`, or `empty`. What is left empty is not told.
 *
 * @returns what is in each socket that is told, or which one does not read, in a sentence
 */
export function parseSockets(
  after: Promised['after'],
  typed: Readonly<Record<string, string>>,
): { ok: true; slots: ShownMemory['slots'] } | { ok: false; sentence: string } {
  const slots: Record<string, ShownMemory['slots'][string]> = {};
  for (const { slot } of after) {
    const text = typed[slot]?.trim() ?? '';
    if (text === '') continue;
    const capacityMiB = EMPTY.test(text) ? 0 : parseCapacity(text);
    if (capacityMiB === null) return { ok: false, sentence: `${slot}: type a size such as 8 GB, or "empty".` };
    const words = capacityMiB === 0 ? 'empty' : capacityText(capacityMiB);
    slots[slot] = { capacityMiB, text: words, part: null, serial: null };
  }
  return { ok: true, slots };
}

/**
 * Why sockets and total that were typed cannot both be right; null: they can.
 *
 * @param heldMiB what may be held back of the total, MiB
 */
export function whySocketsDiffer(
  slots: ShownMemory['slots'],
  after: Promised['after'],
  { mib, heldMiB }: { mib: number; heldMiB: number },
): string | null {
  const told = after.flatMap(({ slot }) => slots[slot]?.capacityMiB ?? []);
  const sum = told.reduce((all, one) => all + one, 0);
  const isLess = told.length === after.length && mib > sum;
  if (sum - heldMiB <= mib && !isLess) return null;
  return `The slots come to ${capacityText(sum)}, the total says ${capacityText(mib)}: look at the screen again.`;
}
