import { WORKED_CASES } from '../../../testing/worked-cases';
import { STAFF_LANGUAGES } from '../../../words/languages';
import { staffWords } from '../../../words/staff-words';
import { moneyText } from '../../pricing/money-text';
import { reasonFacts } from '../../quoting/reason-facts';
import { noteText, reasonText } from '../../quoting/reason-words';
import type { Because } from '../filters/suggest-three';
import { becauseText, whyBestText } from '../filters/suggestion-words';
import { makeBoard } from '../model/board';
import type { PlanCase } from '../model/case';
import { CARE_REASONS, NOTES } from '../rules/care';
import { effectiveLimits } from '../rules/effective-limits';
import { OFFER_REFUSALS } from '../rules/refuse-offer';
import { answer } from '../search/answer';
import type { Plan } from '../search/plan';
import { effectiveChannelsText } from './channel-words';
import { explainOffer } from './explain-offer';
import { explainPlan } from './explain-plan';
import { nearestSentence, offerSentences, planSentences, whyRate } from './explain-words';
import { listed, type PlanSay } from './plan-say';
import { boughtText, fateText, freeText, planLine, runText } from './plan-words';
import { SET_REFUSALS } from './set-refusals';
import { whyNot } from './why-not';
import { whyNotLines } from './why-not-words';

const GB = 1024;
const till = WORKED_CASES.find(([name]) => name === 'bakery-till')?.[1] as PlanCase;
const { plans } = answer({ ...till, goal: null });

const sayIn = (language: 'en' | 'de'): PlanSay => ({
  t: staffWords(language, 'plans'),
  tTrade: staffWords(language, 'trade'),
  money: (cents) => moneyText(cents, 'EUR', language),
});
const german = sayIn('de');

/** A plan of which only that is known. */
const plan = (of: Partial<Plan>) => ({ kept: [], bought: [], openSlots: 0, ...of }) as unknown as Plan;
const installed = (count: number) =>
  ({ ...till, installed: Array.from({ length: count }, (_, nr) => ({ slot: `S${nr}` })) }) as unknown as PlanCase;

describe('a plan in German', () => {
  it('is one line with its money, its modules and what becomes of the old one', () => {
    const adding = plans.find(
      ({ reuse, lane, bought }) => reuse === 'add' && lane === 'third-party' && bought[0]?.offer === 'tp-8',
    ) as Plan;
    expect(planLine(german, till, adding)).toBe(
      `16 GB für ${moneyText(adding.priceCents, 'EUR', 'de')}, 2400 MT/s, Zweikanalbetrieb: 8 GB DDR4-2400 CL17 DIMM, das alte Modul bleibt`,
    );
    const kit = plans.find(({ kept, bought }) => bought[0]?.offer === 'tp-2x16' && kept.length === 0) as Plan;
    expect(boughtText(german.t, till, kit)).toContain('2er-Kit: 16 GB DDR4-2666 CL19 DIMM');
    expect(boughtText(german.t, till, plan({}))).toBe('nichts Neues: dieselben Module in anderen Steckplätzen');
  });

  it.each([
    [0, 0, 'die Steckplätze waren leer'],
    [1, 1, 'das alte Modul bleibt'],
    [2, 2, 'beide alten Module bleiben'],
    [4, 4, 'alle 4 alten Module bleiben'],
    [1, 0, 'das alte Modul kommt heraus'],
    [2, 0, 'beide alten Module kommen heraus'],
    [3, 0, 'alle 3 alten Module kommen heraus'],
    [3, 2, '1 von 3 alten Modulen heraus'],
  ])('says of %i modules of which %i stay: %s', (all, stay, text) => {
    const kept = Array.from({ length: stay }, (_, nr) => `S${nr}`);
    expect(fateText(german.t, installed(all), plan({ kept } as never))).toBe(text);
  });

  it('counts slots and channels as German does', () => {
    expect([0, 1, 3].map((openSlots) => freeText(german.t, plan({ openSlots })))).toEqual([
      'kein Steckplatz frei',
      '1 Steckplatz frei',
      '3 Steckplätze frei',
    ]);
    expect([1, 2, 1.5, 2.667].map((channels) => effectiveChannelsText(german.t, channels))).toEqual([
      'Einkanalbetrieb',
      'Zweikanalbetrieb',
      '1,5 Kanäle',
      '2,67 Kanäle',
    ]);
    expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map((words) => listed(german.t, words))).toEqual([
      '',
      'a',
      'a und b',
      'a, b und c',
    ]);
  });

  it('says what its rate comes from, where it is known', () => {
    const [first] = plans;
    const why = whyRate(german.t, explainPlan(till, first as Plan));
    expect(why).toBe('wie ausgelegt');
    expect(runText(german.t, first as Plan, why)).toMatch(/^\d+ MT\/s \(wie ausgelegt\), /);
    expect(runText(german.t, first as Plan)).not.toContain('(');
    expect(whyRate(german.t, { limits: [] })).toBe('');
  });
});

/** What a language says of everything that a case can ask. */
function allSaid(say: PlanSay, planCase: PlanCase): string[] {
  const { plans: all } = answer(planCase);
  const force = effectiveLimits(makeBoard(planCase));
  return [
    ...all.flatMap((one) => {
      const facts = reasonFacts(planCase, one, force);
      return [
        planLine(say, planCase, one),
        ...planSentences(say.t, planCase, explainPlan(planCase, one)),
        ...one.reasons.map((reason) => reasonText(say.t, reason, facts)),
        ...one.notes.map((note) => noteText(say.t, note, facts)),
      ];
    }),
    ...planCase.offers.flatMap(({ id }) => {
      const explained = explainOffer(planCase, id);
      return explained === null ? [] : offerSentences(say, planCase, explained);
    }),
    ...whyNotLines(say, planCase, whyNot(planCase, { wish: { minMiB: 4096 * GB, maxPriceCents: 1 } })),
  ];
}

describe.each(STAFF_LANGUAGES)('in %s', (language) => {
  const say = sayIn(language);

  it.each(WORKED_CASES)('%s: everything that is said is whole', (_, planCase) => {
    const said = allSaid(say, planCase);
    expect(said.length).toBeGreaterThan(3);
    expect(said.filter((text) => text === '' || /undefined|null|NaN|[{}]|plans\./.test(text))).toEqual([]);
  });

  it('every code has words of its own', () => {
    const { t } = say;
    const facts = reasonFacts(till, plans[0] as Plan, effectiveLimits(makeBoard(till)));
    const reasons = Object.keys(CARE_REASONS) as (keyof typeof CARE_REASONS)[];
    for (const texts of [
      OFFER_REFUSALS.map((code) => t(`refusals.${code}`)),
      SET_REFUSALS.map((code) => t(`sets.${code}`)),
      reasons.map((reason) => reasonText(t, reason, facts)),
      NOTES.map((note) => noteText(t, note, facts)),
    ]) {
      expect(texts.length).toBeGreaterThan(2);
      expect(new Set(texts).size).toBe(texts.length);
    }
  });

  it('every reason for a suggestion has its figures', () => {
    const all: [Because, string[]][] = [
      [{ why: 'first', totalMiB: 16 * GB, cents: 4500 }, ['16 GB', '45']],
      [{ why: 'exact', cents: 4500 }, ['45']],
      [{ why: 'reaches', needMiB: 12 * GB, cents: 4500 }, ['12 GB', '45']],
      [{ why: 'comfortable', moreMiB: 8 * GB, moreCents: 1600 }, ['8 GB', '16']],
      [{ why: 'most', cents: 8750, budgetCents: null }, ['87']],
      [{ why: 'most', cents: 8750, budgetCents: 9000 }, ['87', '90']],
      [{ why: 'warranty' }, []],
      [{ why: 'support' }, []],
    ];
    const texts = all.map(([because]) => becauseText(say, because));
    expect(new Set(texts).size).toBe(all.length);
    for (const [nr, [, figures]] of all.entries()) {
      expect(texts[nr]).toMatch(/\.$/);
      for (const figure of figures) expect(texts[nr]).toContain(figure);
    }
    const two = { isAlone: false, leastCents: 4500, near: 3, deciders: ['caution', 'slots'] as never };
    expect(whyBestText(say, two, 500)).toMatch(/3.*5 ?%.*45/);
    expect(whyBestText(say, { ...two, deciders: [] }, 500)).not.toBe(whyBestText(say, two, 500));
  });
});

test('both languages say as much of the same plans', () => {
  const [en, de] = STAFF_LANGUAGES.map((language) => allSaid(sayIn(language), till));
  expect(de?.length).toBe(en?.length);
  // A line in which no word differs was left in English.
  const same = (en ?? []).filter((line, nr) => line === de?.[nr]);
  expect(same).toEqual([]);
});

test('what is nearest to a wish says by how much it misses it', () => {
  const found = whyNot(till, { wish: { minMiB: 64 * GB, maxPriceCents: 5000 } });
  if (found.is !== 'near') throw new Error('the till has nearest plans');
  const lines = found.plans.map((near) => nearestSentence(german, till, near));
  expect(lines.join(' ')).toContain('über dem Budget');
  expect(lines.join(' ')).toContain('weniger als gewünscht');
});
