import { guide, outcomeOf, type Tested, testOf } from './guide';
import {
  CAUSES,
  type Cause,
  END_OF,
  ENDS,
  SIGNS,
  type Sign,
  SUSPECTS,
  TESTS,
  type Test,
  type TestKey,
} from './guide-data';

const ALL_SIGNS = SIGNS;

/** Every way through a search: each with how it ended, and the tests on the way. */
function* ways(
  sign: Sign,
  tested: readonly Tested[] = [],
): Generator<{ tested: readonly Tested[]; end: string | null; suspects: Cause[] }> {
  const { next, end, suspects } = guide(sign, tested);
  if (next === null) {
    yield { tested, end, suspects };
    return;
  }
  for (const outcome of Object.keys(TESTS[next].outcomes)) yield* ways(sign, [...tested, { test: next, outcome }]);
}

describe('the guided search', () => {
  it.each(ALL_SIGNS)('ends on every way from "%s", asks nothing twice, and never loses all suspects', (sign) => {
    let count = 0;
    for (const { tested, suspects } of ways(sign)) {
      count++;
      expect(new Set(tested.map(({ test }) => test)).size).toBe(tested.length);
      expect(suspects.length).toBeGreaterThan(0);
    }
    expect(count).toBeGreaterThan(1);
  });

  it('comes to each of its ends, and each cause that a sign names can be found from it', () => {
    const ends = new Set<string | null>();
    for (const sign of ALL_SIGNS) {
      const found = new Set<Cause>();
      for (const { end, suspects } of ways(sign)) {
        ends.add(end);
        for (const cause of suspects) found.add(cause);
      }
      expect([...found].sort()).toEqual(expect.arrayContaining([...SUSPECTS[sign]].sort()));
    }
    for (const end of ENDS) expect(ends).toContain(end);
  });

  it('tries the cheapest first of what can tell something', () => {
    expect(guide('beeps', []).next).toBe('labels');
    expect(guide('beeps', [{ test: 'labels', outcome: 'agree' }]).next).toBe('reseat');
    expect(guide('slower', [{ test: 'labels', outcome: 'agree' }]).next).toBe('order');
    const sets = guide('dead', []);
    expect(sets).toMatchObject({ next: 'reseat', suspects: ['seating', 'machine'] });
  });

  it('a module that fails alone is a bad one, whatever else was suspected', () => {
    const tested = [
      { test: 'labels', outcome: 'agree' },
      { test: 'reseat', outcome: 'same' },
      { test: 'alone', outcome: 'one' },
    ];
    expect(guide('beeps', tested)).toEqual({ suspects: ['bad-module'], next: null, end: 'bad-module' });
  });

  it('what was seen to help is fixed by that; what a repair would have fixed is no end on its own', () => {
    expect(guide('beeps', [{ test: 'reseat', outcome: 'works' }])).toEqual({
      suspects: ['seating'],
      next: null,
      end: 'fixed',
    });
    for (const sign of ALL_SIGNS) {
      for (const { end, tested } of ways(sign)) {
        const last = tested.at(-1);
        if (end === 'fixed') expect(outcomeOf(last?.test ?? '', last?.outcome ?? '')?.fixedBy).toBeDefined();
      }
    }
  });

  it('knows its own tests and outcomes, and nothing that every object has', () => {
    expect(testOf('labels')).toBe(TESTS.labels);
    expect(outcomeOf('labels', 'agree')).toBe(TESTS.labels.outcomes.agree);
    for (const name of ['constructor', 'toString', '__proto__', 'hasOwnProperty']) {
      expect(testOf(name)).toBeNull();
      expect(outcomeOf(name, 'agree')).toBeNull();
      expect(outcomeOf('labels', name)).toBeNull();
      expect(guide('dead', [{ test: 'labels', outcome: name }])).toEqual(guide('dead', []));
    }
  });

  it('an outcome that speaks against all that is left leaves all of it, and what nobody knows is passed over', () => {
    const before = guide('dead', [{ test: 'reseat', outcome: 'same' }]);
    expect(before).toMatchObject({ suspects: ['machine'], end: 'machine-fault' });
    expect(guide('dead', [{ test: 'labels', outcome: 'differ' }]).suspects).toEqual(['seating', 'machine']);
    expect(guide('dead', [{ test: 'no such', outcome: 'x' }])).toEqual(guide('dead', []));
  });

  it('its data name only what there is', () => {
    for (const key of Object.keys(TESTS) as TestKey[]) {
      const test: Test = TESTS[key];
      expect(Object.keys(test.outcomes).length).toBeGreaterThan(1);
      for (const { fixedBy, leaves } of Object.values(test.outcomes)) {
        expect((fixedBy === undefined) !== (leaves === undefined)).toBe(true);
        if (fixedBy !== undefined) expect(END_OF[fixedBy]).toBe('fixed');
        for (const cause of leaves ?? []) expect(CAUSES).toContain(cause);
      }
    }
  });
});
