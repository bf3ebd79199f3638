import {
  type Cause,
  END_OF,
  type End,
  type Sign,
  SUSPECTS,
  TESTS,
  type Test,
  type TestKey,
  type TestOutcome,
} from './guide-data';

/** A test that was made, and what came of it. */
export interface Tested {
  test: string;
  outcome: string;
}

/** Where a search stands: what is still suspected, what to try next, and how it ended, if it did. */
export interface Guidance {
  suspects: Cause[];
  /** the cheapest test that can still tell something; null: it is over, or nothing more can tell these apart */
  next: TestKey | null;
  /** null: it goes on, or is for a person to decide */
  end: End | null;
}

/** The test of a key; null: there is none, whatever else an object knows by that name. */
export const testOf = (key: string): Test | null => (Object.hasOwn(TESTS, key) ? TESTS[key as TestKey] : null);

/** What came of a test; null: it has no such outcome. */
export function outcomeOf(test: string, outcome: string): TestOutcome | null {
  const { outcomes = {} } = testOf(test) ?? {};
  return Object.hasOwn(outcomes, outcome) ? (outcomes[outcome] ?? null) : null;
}

/** What an outcome leaves of suspects; none of them left: what was seen speaks against all, so all stay. */
function left(suspects: readonly Cause[], { leaves }: TestOutcome): Cause[] {
  if (leaves === undefined) return [...suspects];
  const still = suspects.filter((cause) => leaves.includes(cause));
  return still.length === 0 ? [...suspects] : still;
}

/** Can it tell anything? What comes of it must be able to leave fewer suspects, or end the search. */
function tells({ outcomes, signs }: Test, sign: Sign, suspects: readonly Cause[]): boolean {
  if (signs !== undefined && !signs.includes(sign)) return false;
  return Object.values(outcomes).some(({ fixedBy, leaves }) =>
    fixedBy === undefined
      ? left(suspects, { ...(leaves !== undefined && { leaves }) }).length < suspects.length
      : suspects.includes(fixedBy),
  );
}

const endOf = (suspects: readonly Cause[]): End | null => {
  const [end, ...others] = new Set(suspects.map((cause) => END_OF[cause]));
  return end === undefined || others.length > 0 || end === 'fixed' ? null : end;
};

/**
 * Where a search for a fault stands after some tests: each outcome narrows what is suspected, and what is asked next is the
 * cheapest test that was not made and can still tell something. A cause that a repair would have fixed is never an end by
 * itself: it is fixed once somebody saw that it is.
 *
 * @param tested in the order of testing; what is not known is passed over
 */
export function guide(sign: Sign, tested: readonly Tested[]): Guidance {
  let suspects = [...SUSPECTS[sign]];
  for (const { test, outcome } of tested) {
    const came = outcomeOf(test, outcome);
    if (came === null) continue;
    if (came.fixedBy !== undefined) return { suspects: [came.fixedBy], next: null, end: 'fixed' };
    suspects = left(suspects, came);
  }
  const end = endOf(suspects);
  if (end !== null) return { suspects, next: null, end };
  const made = new Set(tested.map(({ test }) => test));
  const [next] = (Object.keys(TESTS) as TestKey[])
    .filter((key) => !made.has(key) && tells(TESTS[key], sign, suspects))
    .sort((a, b) => TESTS[a].minutes - TESTS[b].minutes);
  return { suspects, next: next ?? null, end: null };
}
