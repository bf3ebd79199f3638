/** Of a byte that carries odd parity in its highest bit, only the lower seven count (JEP106). */
const COUNT_BITS = 0x7f;

/**
 * A maker's JEP106 code as `bank-id`: the bank from 1, the id in hexadecimal with its parity bit, e.g. `3-A7`.
 *
 * @param continuations how many continuation codes come before the id, parity bit or not
 * @param id the maker's byte in its bank
 * @returns null where no code is stored (0x00 or 0xFF)
 */
export function makerIdText(continuations: number | null, id: number | null): string | null {
  if (continuations === null || id === null) return null;
  if (id === 0x00 || id === 0xff || id === COUNT_BITS) return null;
  return `${(continuations & COUNT_BITS) + 1}-${id.toString(16).toUpperCase().padStart(2, '0')}`;
}
