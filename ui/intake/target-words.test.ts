import { GB } from '@/core/machine/samples';
import { suggestTarget, type Wants } from '@/core/machine/suggest-target';
import { staffWords } from '@/words/staff-words';
import { cautionText, targetReasonText } from './target-words';

const shop = {
  uses: [
    { use: 'many browser tabs', text: 'viele Tabs', needMiB: 16 * GB, reason: 'sie werden nie geschlossen' },
    { use: 'knitting patterns', needMiB: 4 * GB, reason: 'they are small' },
    { use: 'dictation', needMiB: 4 * GB, reason: '' },
  ],
  systems: [{ os: 'Tidewater 9', leastMiB: 4 * GB, visibleMiB: null }],
  floorMiB: 0,
};
const nothing: Wants = { uses: [], inUseMiB: null, full: null, os: '', osBits: null };
const en = staffWords('en', 'intake');
const de = staffWords('de', 'intake');

/** All that is suggested, as each language says it. */
function said(wants: Partial<Wants>, floorMiB = 0, todayMiB = 0) {
  const { reasons, cautions } = suggestTarget({ ...nothing, ...wants }, { ...shop, floorMiB }, todayMiB);
  return [en, de].map((t) => [
    ...reasons.map((reason) => targetReasonText(t, reason)),
    ...cautions.map((caution) => cautionText(t, caution)),
  ]);
}

describe('why a target is suggested', () => {
  it('names the use as the screen calls it, and why where the shop says why', () => {
    expect(said({ uses: ['many browser tabs'] })[1]).toEqual(['16 GB für viele Tabs (sie werden nie geschlossen)']);
    expect(said({ uses: ['knitting patterns', 'dictation'] })[0]).toEqual([
      '4 GB for knitting patterns (they are small)',
      '4 GB for dictation',
    ]);
  });

  it('says what is in use, what the system needs and what the shop recommends', () => {
    expect(said({ inUseMiB: 11 * GB })).toEqual([
      ['11 GB in use now, with room to spare 16 GB'],
      ['11 GB sind belegt, mit Reserve 16 GB'],
    ]);
    expect(said({ os: 'Tidewater 9' }, 8 * GB)).toEqual([
      ['the shop’s minimum recommended memory is 8 GB', '4 GB for Tidewater 9 itself'],
      ['die Werkstatt empfiehlt mindestens 8 GB', '4 GB für Tidewater 9 selbst'],
    ]);
  });

  it('warns of what more memory does not change', () => {
    expect(said({ full: 'storage' })[1]?.[0]).toMatch(/^Das Laufwerk ist voll/);
    expect(said({ full: 'neither' })[0]?.[0]).toMatch(/look for the cause/);
    expect(said({ uses: ['many browser tabs'], osBits: 32 })[1]?.[1]).toMatch(
      /^Ein 32-Bit-System nutzt höchstens 3[.,]5 GB/,
    );
    expect(said({ uses: ['dictation'] }, 0, 8 * GB)[0]?.[1]).toBe('It already has 8 GB: the uses need no more.');
  });
});
