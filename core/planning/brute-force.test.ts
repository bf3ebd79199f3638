import fc from 'fast-check';
import { amount } from '../../testing/amount';
import { SET_REFUSALS } from './explain/set-refusals';
import { caseSchema, type PlanCase } from './model/case';
import { REUSES } from './model/lane-and-reuse';
import { LANES } from './model/lanes';
import { CARE_REASONS } from './rules/care';
import { OFFER_REFUSALS } from './rules/refuse-offer';
import { answer } from './search/answer';
import { bruteForce } from './testing/brute-force';
import {
  caseArbitrary,
  equalCaseArbitrary,
  equalMachinesArbitrary,
  loadedCaseArbitrary,
} from './testing/case-arbitrary';

/** The answer of a case is what trying everything gives; what was met is told to `count`. */
function sameAsTryingEverything(planCase: PlanCase, count: (name: string) => void): void {
  expect(caseSchema.safeParse(planCase).error?.issues ?? []).toEqual([]);
  const want = bruteForce(planCase);
  const got = answer(planCase);
  expect(got.baseline).toEqual(want.baseline);
  expect(got.refusedOffers).toEqual(want.refusedOffers);
  const [model] = want.plans;
  const named = got.plans.map((plan) =>
    Object.fromEntries(Object.keys(model ?? {}).map((key) => [key, plan[key as keyof typeof plan]])),
  );
  expect(named).toEqual(want.plans);
  for (const { codes } of want.refusedOffers) for (const code of codes ?? []) count(`offer ${code}`);
  for (const code of want.setCodes) count(`set ${code}`);
  for (const plan of want.plans) {
    for (const name of [`lane ${plan.lane}`, `reuse ${plan.reuse}`, ...plan.reasons]) count(name);
  }
}

/** All that a run has to meet: a rule that no case met was not tested. */
const WANTED = [
  ...OFFER_REFUSALS.map((code) => `offer ${code}`),
  ...SET_REFUSALS.map((code) => `set ${code}`),
  ...LANES.map((lane) => `lane ${lane}`),
  ...REUSES.map((reuse) => `reuse ${reuse}`),
  ...Object.keys(CARE_REASONS),
];
/** All of it in `npm run test:long`, so much in `npm test` that it takes some seconds. */
const RUNS = amount(700, 4000);
const MORE_RUNS = amount(20, 200);
const LEAST_MET = amount(2, 20);
const SEED = 20261125;

test(`on ${RUNS} made cases the planner answers as trying everything does`, () => {
  const met = new Map(WANTED.map((name) => [name, 0]));
  const count = (name: string) => met.set(name, (met.get(name) ?? 0) + 1);
  fc.assert(
    fc.property(caseArbitrary, (planCase) => sameAsTryingEverything(planCase, count)),
    { numRuns: RUNS, seed: SEED },
  );
  process.stdout.write(`met in ${RUNS} cases: ${[...met].map(([name, times]) => `${name} ${times}`).join(', ')}\n`);
  expect([...met].filter(([, times]) => times < LEAST_MET)).toEqual([]);
}, 180_000);

test.each([
  ['in which the load decides', loadedCaseArbitrary],
  ['in which many plans are equally good', equalCaseArbitrary],
])(
  `on ${MORE_RUNS} made cases %s, too`,
  (_, arbitrary) => {
    fc.assert(
      fc.property(arbitrary, (planCase) => sameAsTryingEverything(planCase, () => undefined)),
      { numRuns: MORE_RUNS, seed: SEED },
    );
  },
  180_000,
);

const MACHINES_RUNS = amount(250, 2000);

test(`on ${MACHINES_RUNS} made cases of several equal machines, too`, () => {
  const met = new Map<string, number>();
  const note = (name: string) => met.set(name, (met.get(name) ?? 0) + 1);
  const property = fc.property(equalMachinesArbitrary, (planCase) => {
    sameAsTryingEverything(planCase, () => undefined);
    for (const { bought } of answer(planCase).plans) {
      for (const { offer, count } of bought) {
        const modules = planCase.offers.find(({ id }) => id === offer)?.modules ?? 1;
        note(count % (planCase.machines ?? 1) === 0 ? 'whole packs in each' : 'packs shared');
        if (modules > 1 && (count * modules) / (planCase.machines ?? 1) === 1) note('a module of a pack in each');
      }
    }
  });
  fc.assert(property, { numRuns: MACHINES_RUNS, seed: SEED });
  process.stdout.write(`met: ${[...met].map(([name, times]) => `${name} ${times}`).join(', ')}\n`);
  for (const name of ['whole packs in each', 'packs shared', 'a module of a pack in each'])
    expect(met.get(name) ?? 0).toBeGreaterThan(10);
}, 180_000);
