import * as fc from 'fast-check';
import { canonicalJson, type Json } from './canonical-json';

describe('canonical JSON', () => {
  it('writes what RFC 8785 writes', () => {
    // Section 3.2.3 of it: names sorted by UTF-16 code units.
    const names = {
      '\u20ac': 'Euro Sign',
      '\r': 'Carriage Return',
      '\ufb33': 'Hebrew Letter Dalet With Dagesh',
      '1': 'One',
    };
    const more = {
      ...names,
      '\ud83d\ude00': 'Emoji: Grinning Face',
      '\u0080': 'Control',
      '\u00f6': 'Latin Small Letter O',
    };
    expect(Object.values(JSON.parse(canonicalJson(more)))).toHaveLength(7);
    const order = [...canonicalJson(more).matchAll(/:"([^"]+)"/g)].map(([, text]) => text);
    expect(order).toEqual([
      'Carriage Return',
      'One',
      'Control',
      'Latin Small Letter O',
      'Euro Sign',
      'Emoji: Grinning Face',
      'Hebrew Letter Dalet With Dagesh',
    ]);
    // Section 3.2.2: numbers, text and literals.
    const values = {
      numbers: [333333333.3333333, 1e30, 4.5, 2e-3, 1e-27],
      string: '\u20ac$\u000F\nA\'B"\\\\"/',
      literals: [null, true, false],
    };
    expect(canonicalJson(values)).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
  });

  it('is the same whatever order members came in, and reads back as what was written', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const shuffled = (one: unknown): unknown =>
          Array.isArray(one)
            ? one.map(shuffled)
            : one !== null && typeof one === 'object'
              ? Object.fromEntries(
                  Object.entries(one)
                    .reverse()
                    .map(([name, inner]) => [name, shuffled(inner)]),
                )
              : one;
        const text = canonicalJson(value as Json);
        expect(canonicalJson(shuffled(value) as Json)).toBe(text);
        expect(canonicalJson(JSON.parse(text))).toBe(text);
      }),
      { numRuns: 500 },
    );
  });

  it('leaves out what is not said, and refuses what cannot be written', () => {
    expect(canonicalJson({ b: undefined, a: 1 })).toBe('{"a":1}');
    expect(() => canonicalJson([Number.NaN])).toThrow(RangeError);
    expect(() => canonicalJson({ a: '\ud800' })).toThrow(RangeError);
  });
});
