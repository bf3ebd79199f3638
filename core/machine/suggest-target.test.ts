import { GB } from './samples';
import { suggestTarget, type Wants } from './suggest-target';

const shop = {
  uses: [
    { use: 'office', needMiB: 8 * GB, reason: 'letters' },
    { use: 'video', needMiB: 32 * GB, reason: 'frames' },
  ],
  systems: [
    { os: '64-bit desktop system', leastMiB: 4 * GB, visibleMiB: null },
    { os: '32-bit desktop system', leastMiB: GB, visibleMiB: 3584 },
  ],
  floorMiB: 8 * GB,
};
const wants = (more: Partial<Wants>): Wants => ({
  uses: [],
  inUseMiB: null,
  full: null,
  os: '',
  osBits: null,
  ...more,
});

describe('a suggested target', () => {
  it('is what the hungriest use needs, with the reason', () => {
    expect(suggestTarget(wants({ uses: ['office', 'video'] }), shop)).toEqual({
      targetMiB: 32 * GB,
      reasons: ['video wants 32 GB (frames)'],
      cautions: [],
    });
  });

  it('leaves room over what is in use now, in a size that machines have', () => {
    expect(suggestTarget(wants({ inUseMiB: 11 * GB }), shop)).toMatchObject({
      targetMiB: 16 * GB,
      reasons: ['11 GB are in use now; with room to spare that is 16 GB'],
    });
  });

  it('is never below the shop’s floor', () => {
    const { targetMiB, reasons } = suggestTarget(wants({ os: '64-bit desktop system' }), shop);
    expect(targetMiB).toBe(8 * GB);
    expect(reasons[0]).toBe('the shop advises nobody less than 8 GB');
  });

  it('ends at what the system can see, and says so', () => {
    const { targetMiB, cautions } = suggestTarget(wants({ uses: ['video'], osBits: 32 }), shop);
    expect(targetMiB).toBe(4 * GB);
    expect(cautions).toEqual(['A 32-bit system sees at most 3.5 GB: more is of use only with another system.']);
    expect(suggestTarget(wants({ uses: ['video'], os: '32-bit desktop system' }), shop).targetMiB).toBe(4 * GB);
  });

  it('warns where memory is not what is full', () => {
    expect(suggestTarget(wants({ full: 'storage' }), shop)).toEqual({
      targetMiB: null,
      reasons: [],
      cautions: ['The storage is full, not the memory: more memory will not mend that.'],
    });
    expect(suggestTarget(wants({ full: 'neither' }), shop).cautions).toHaveLength(1);
    expect(suggestTarget(wants({ full: 'memory' }), shop).cautions).toEqual([]);
  });

  it('says so where the machine has enough today', () => {
    const enough = 'It has 16 GB already: what it is for asks for no more.';
    expect(suggestTarget(wants({ uses: ['office'] }), shop, 16 * GB).cautions).toEqual([enough]);
    expect(suggestTarget(wants({ uses: ['office'] }), shop, 4 * GB).cautions).toEqual([]);
  });

  it('is none where nobody says anything', () => {
    expect(suggestTarget(wants({}), shop).targetMiB).toBeNull();
  });
});
