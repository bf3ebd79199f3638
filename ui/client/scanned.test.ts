import { mayOpen, ScanWatch } from './scanned';

/** Keys that come so many milliseconds apart. */
function typed(keys: readonly string[], apart: number): (string | null)[] {
  const watch = new ScanWatch();
  return keys.map((key, nr) => watch.key(key, 1_000 + nr * apart));
}

describe('a keyboard-like scanner', () => {
  it('is told from typing by its haste', () => {
    const keys = [...'VE4D8-2400', 'Enter'];
    expect(typed(keys, 8).at(-1)).toBe('VE4D8-2400');
    expect(typed(keys, 90).at(-1)).toBe(null);
  });

  it('may end with a tab, and holds Shift in between', () => {
    expect(typed(['Shift', 'V', 'E', 'Shift', '4', 'D', 'Tab'], 5).at(-1)).toBe('VE4D');
    expect(typed(['1', '2', 'Enter'], 5).at(-1)).toBe(null);
  });

  it('begins again after typing, a pause and other keys', () => {
    const watch = new ScanWatch();
    expect([...'abc'].map((key, nr) => watch.key(key, nr * 200))).toEqual([null, null, null]);
    for (const [nr, key] of [...'4711-88'].entries()) watch.key(key, 5_000 + nr * 5);
    expect(watch.key('Enter', 5_040)).toBe('4711-88');
    expect(watch.key('Enter', 5_045)).toBe(null);
    for (const [nr, key] of [...'4711'].entries()) watch.key(key, 9_000 + nr * 5);
    expect(watch.key('Backspace', 9_025)).toBe(null);
    expect(watch.key('Enter', 9_030)).toBe(null);
  });

  it('may bring what opens something', () => {
    expect(['http://10.0.0.5:4200/jobs/12/intake', 'https://shop.example/q/abc', '2026-0012'].map(mayOpen)).toEqual([
      ...[true, true, true],
    ]);
    expect(['VE4D8-2400', '01020304', '2026-12', 'http://'].some(mayOpen)).toBe(false);
  });
});
