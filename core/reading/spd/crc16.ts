/** Generator x^16 + x^12 + x^5 + 1, register cleared at the start (JEDEC 21-C annexes K and L, JESD400-5 clause 5). */
const POLYNOMIAL = 0x1021;

const TABLE = Uint16Array.from({ length: 256 }, (_, index) => {
  let crc = index << 8;
  for (let bit = 0; bit < 8; bit++) crc = crc & 0x8000 ? (crc << 1) ^ POLYNOMIAL : crc << 1;
  return crc & 0xffff;
});

/** The check of the bytes from `from` to `to`, both included. */
export function crc16(bytes: Uint8Array, from: number, to: number): number {
  let crc = 0;
  for (let at = from; at <= to; at++) {
    crc = ((crc << 8) & 0xffff) ^ (TABLE[((crc >> 8) ^ (bytes[at] ?? 0)) & 0xff] ?? 0);
  }
  return crc;
}
