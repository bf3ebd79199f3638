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
      reasons: [{ because: 'use', use: 'video', needMiB: 32 * GB, reason: 'frames' }],
      cautions: [],
    });
  });

  it('leaves room over what is in use now, in a size that machines have', () => {
    expect(suggestTarget(wants({ inUseMiB: 11 * GB }), shop)).toMatchObject({
      targetMiB: 16 * GB,
      reasons: [{ because: 'in-use', inUseMiB: 11 * GB, needMiB: 16 * GB }],
    });
  });

  it('is never below the shop’s floor', () => {
    const { targetMiB, reasons } = suggestTarget(wants({ os: '64-bit desktop system' }), shop);
    expect(targetMiB).toBe(8 * GB);
    expect(reasons[0]).toEqual({ because: 'floor', needMiB: 8 * GB });
  });

  it('ends at what the system can see, and says so', () => {
    const { targetMiB, cautions } = suggestTarget(wants({ uses: ['video'], osBits: 32 }), shop);
    expect(targetMiB).toBe(4 * GB);
    expect(cautions).toEqual([{ caution: 'system-sees', bits32: true, visibleMiB: 3584 }]);
    expect(suggestTarget(wants({ uses: ['video'], os: '32-bit desktop system' }), shop).targetMiB).toBe(4 * GB);
  });

  it('warns where memory is not what is full', () => {
    expect(suggestTarget(wants({ full: 'storage' }), shop)).toEqual({
      targetMiB: null,
      reasons: [],
      cautions: [{ caution: 'storage-full' }],
    });
    expect(suggestTarget(wants({ full: 'neither' }), shop).cautions).toEqual([{ caution: 'neither-full' }]);
    expect(suggestTarget(wants({ full: 'memory' }), shop).cautions).toEqual([]);
  });

  it('says so where the machine has enough today', () => {
    expect(suggestTarget(wants({ uses: ['office'] }), shop, 16 * GB).cautions).toEqual([
      { caution: 'enough-today', todayMiB: 16 * GB },
    ]);
    expect(suggestTarget(wants({ uses: ['office'] }), shop, 4 * GB).cautions).toEqual([]);
  });

  it('is none where nobody says anything', () => {
    expect(suggestTarget(wants({}), shop).targetMiB).toBeNull();
  });
});
