import { bytesOfHexDump } from './hex-dump';

describe('the bytes of a hex dump', () => {
  it('are as many as are taken, also in one run of digits, on however small a stack', () => {
    const deep = (left: number): number | undefined =>
      left === 0 ? bytesOfHexDump('0f'.repeat(400_000))?.length : deep(left - 1);
    expect(deep(500)).toBe(256 * 1024);
  });

  it('are those of a row that repeats up to the next address', () => {
    const row = '00 01 02 03 04 05 06 07 08 09 0a 0b 0c 0d 0e 0f';
    const bytes = bytesOfHexDump(`0000: ${row}\n*\n*\n0040: ${row}\n`);
    expect(bytes?.length).toBe(80);
    expect(bytes?.[63]).toBe(15);
  });

  it('are none of rows that repeat nothing', () => {
    expect(bytesOfHexDump('*\n'.repeat(1000))).toBe(null);
  });
});
