import { readOffered } from './read-offered';

const formatOf = async (text: string): Promise<string> => {
  const outcome = await readOffered(new TextEncoder().encode(text));
  return outcome.ok ? outcome.reading.format : outcome.code;
};

describe('a text where something to buy is asked for', () => {
  test.each([
    ['Memory: 8 GB DDR4-2666 SO-DIMM €19.90'],
    ['8GB DDR4 2666 SODIMM\nVellamo, new\n€19.90'],
    ['16GB (2x8GB) DDR4 3200, works in up to 4 slots, max 64 GB boards €49'],
  ])('%j is a title', async (text) => {
    expect(await formatOf(text)).toBe('listing');
  });

  it('stays what it is where it names no module', async () => {
    expect(await formatOf('hello')).toBe('unknown-format');
    expect(await formatOf('')).toBe('empty');
  });
});
