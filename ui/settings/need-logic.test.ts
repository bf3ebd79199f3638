import { staffWords } from '@/words/staff-words';
import { readSystem, readUse, rungsOfUses, typedSystem, typedUse, withEntry } from './need-logic';

const t = staffWords('en', 'settings');

const office = { use: 'office', needMiB: 8192, reason: 'letters' };
const video = { use: 'video', needMiB: 32768, reason: '' };
const photo = { use: 'photo', needMiB: 8192, reason: '' };

test('uses stand on the rungs that they need, the most first', () => {
  expect(rungsOfUses([office, video, photo]).map(({ mib, uses }) => [mib, uses.map(({ use }) => use)])).toEqual([
    [32768, ['video']],
    [8192, ['office', 'photo']],
  ]);
});

test('what is shown for editing comes back as it was', () => {
  expect(readUse(t, typedUse(office))).toEqual({ ok: true, value: office });
  for (const visibleMiB of [null, 3584]) {
    const system = { os: '32-bit', leastMiB: 1024, visibleMiB };
    expect(readSystem(t, typedSystem(system))).toEqual({ ok: true, value: system });
  }
});

test('what is wrong is told in a sentence', () => {
  expect(readUse(t, { name: ' ', size: '8 GB', more: '' })).toEqual({
    ok: false,
    wrong: { name: 'Enter the name of the use.' },
  });
  expect(readUse(t, { name: 'x', size: 'lots', more: '' })).toEqual({
    ok: false,
    wrong: { size: '"lots" is not a size such as 16 GB.' },
  });
  expect(readSystem(t, { name: 'x', size: '4 GB', more: 'much' })).toMatchObject({ ok: false });
  expect(readSystem(t, { name: '', size: '4 GB', more: '' })).toMatchObject({ ok: false });
});

test('an entry is put in place of another, added, or taken out', () => {
  expect(withEntry([office, video], office, photo)).toEqual([photo, video]);
  expect(withEntry([office], null, video)).toEqual([office, video]);
  expect(withEntry([office, video], video, null)).toEqual([office]);
  expect(withEntry([office], null, null)).toEqual([office]);
});
