import { outcomeOf, testOf } from '@/core/fitting/guide';
import type { TestKey } from '@/core/fitting/guide-data';
import type { StaffWords } from '@/words/staff-words';

type Words = StaffWords<'fitting'>;

/** A test's name on the screen; one that is no longer made keeps the key that it was stored with. */
export const testText = (t: Words, test: string): string =>
  testOf(test) === null ? test : t(`guide.tests.${test as TestKey}.title`);

/** What came of a test. The outcomes' keys differ from test to test, which the catalogue's types cannot say. */
export const outcomeText = (t: Words, test: string, outcome: string): string =>
  outcomeOf(test, outcome) === null
    ? outcome
    : t(`guide.tests.${test}.outcomes.${outcome}` as 'guide.tests.wait.title');
