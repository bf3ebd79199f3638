import { readSpecification } from './read-specification';

const LINE = 'Maximum memory: 64 GB DDR4-2666, 2 SO-DIMM slots\n';

describe('what is longer than any page', () => {
  it('is read as far as a bound, and says so', () => {
    const { reading } = readSpecification(LINE + 'Colour: grey\n'.repeat(20_000));
    expect(reading.slotCount).toBe(2);
    expect(reading.warnings).toContainEqual(expect.stringMatching(/^truncated: .* 200,000 characters/));
  });

  it('says so too where it has more lines of data than a page', () => {
    const { reading } = readSpecification(LINE.repeat(2_500));
    expect(reading.slotCount).toBe(2);
    expect(reading.warnings).toContainEqual(expect.stringMatching(/^truncated/));
  });

  it('has no such warning within it', () => {
    expect(readSpecification(LINE.repeat(20)).reading.warnings).toEqual([]);
  });
});
