import { NOTHING_TOLD, type ReadSlot } from './reading';
import { serialText, withSerials } from './slot-serials';

const slots = (...serials: (string | null)[]): ReadSlot[] =>
  serials.map((serial, index) => ({
    locator: `A${index + 1}`,
    bank: null,
    installed: { ...NOTHING_TOLD, serial: serialText(serial) },
  }));
const kept = (...serials: (string | null)[]) =>
  withSerials(slots(...serials)).map(({ installed }) => installed?.serial);

describe('serials that firmware numbers', () => {
  it('are serials where every filled slot has its own', () => {
    expect(kept('SerNum0', 'SerNum1')).toEqual(['SerNum0', 'SerNum1']);
    expect(kept('SerNum0', '1A2B3C4D')).toEqual(['SerNum0', '1A2B3C4D']);
  });

  it('stand for a missing one where they repeat, where a sister has none, and alone', () => {
    expect(kept('SerNum0', 'SerNum0')).toEqual([null, null]);
    expect(kept('SerNum0', null)).toEqual([null, null]);
    expect(kept('SerNum0')).toEqual([null]);
  });

  it('leave real serials and filling as they were', () => {
    expect(kept('1A2B3C4D', '1A2B3C4D')).toEqual(['1A2B3C4D', '1A2B3C4D']);
    expect(kept('00000000', 'Serial Number')).toEqual([null, null]);
  });
});
