import { desktopCase, withSockets, workstationCase } from '../../bench/plan-cases';
import { WORKED_CASES } from '../../testing/worked-cases';
import { caseSchema, type PlanCase } from './model/case';
import { CARES } from './rules/care';
import { answer } from './search/answer';
import { evaluateChoice } from './search/evaluate-choice';
import type { Plan } from './search/plan';

/*
 * What must hold between the answers of a case and of the same case changed, on all worked cases, large ones too.
 */

/** Larger than can be tried wholly. */
const LARGE: [string, PlanCase][] = [
  ['desktop, 1,200 offers', caseSchema.parse(desktopCase(1200))],
  ['workstation, 600 offers', caseSchema.parse(workstationCase(600))],
  ['16 sockets, 400 offers', caseSchema.parse(withSockets(16, 400))],
];

const known = new Map<string, Plan[]>();
function plansOf(name: string, planCase: PlanCase): Plan[] {
  const plans = known.get(name) ?? answer(planCase).plans;
  known.set(name, plans);
  return plans;
}

const atLeastAsGood = (a: Plan, b: Plan): boolean =>
  a.totalMiB >= b.totalMiB &&
  a.priceCents <= b.priceCents &&
  a.bandwidthMBs >= b.bandwidthMBs &&
  CARES.indexOf(a.care) <= CARES.indexOf(b.care) &&
  a.openSlots >= b.openSlots;

/** Plans that have no plan at least as good among the others; of their own lane and reuse unless they are mixed. */
function left(before: Plan[], after: Plan[]): Plan[] {
  return before.filter(
    (plan) =>
      !after.some(
        (other) =>
          (plan.lane === 'mixed' || (other.lane === plan.lane && other.reuse === plan.reuse)) &&
          atLeastAsGood(other, plan),
      ),
  );
}

// The larger boards take half a minute: a short run has the smallest of them.
const HELD = process.env.FENBRIK_LONG === '1' ? LARGE : LARGE.slice(0, 1);

describe.each([...WORKED_CASES, ...HELD])('%s', (name, planCase) => {
  it('scales its prices and savings with all prices, labour and credits', () => {
    const tenfold: PlanCase = {
      ...planCase,
      offers: planCase.offers.map((offer) => ({ ...offer, priceCents: offer.priceCents * 10 })),
      installed: planCase.installed.map((one) => ({ ...one, creditCents: (one.creditCents ?? 0) * 10 })),
      labourCents: (planCase.labourCents ?? 0) * 10,
      goal:
        planCase.goal == null
          ? null
          : {
              ...planCase.goal,
              maxPriceCents: planCase.goal.maxPriceCents == null ? null : planCase.goal.maxPriceCents * 10,
            },
    };
    const figures = (plans: Plan[], times: number) =>
      plans.map((plan) => [
        plan.kept,
        plan.bought,
        plan.placement,
        plan.priceCents * times,
        plan.savingCents === null ? null : plan.savingCents * times,
      ]);
    expect(figures(answer(tenfold).plans, 1)).toEqual(figures(plansOf(name, planCase), 10));
  });

  it('changes nothing but names when slots and offers are called otherwise', () => {
    const to = (id: string) => `new ${id}`;
    const renamed: PlanCase = {
      ...planCase,
      machine: {
        ...planCase.machine,
        slots: planCase.machine.slots.map((slot) => ({ ...slot, id: to(slot.id) })),
        fillOrder: planCase.machine.fillOrder?.map(to) ?? null,
      },
      installed: planCase.installed.map((one) => ({ ...one, slot: to(one.slot) })),
      offers: planCase.offers.map((offer) => ({ ...offer, id: to(offer.id) })),
      goal: planCase.goal == null ? null : { ...planCase.goal, without: planCase.goal.without?.map(to) ?? null },
    };
    const back = JSON.parse(JSON.stringify(answer(renamed).plans).replaceAll('"new ', '"'));
    expect(back).toEqual(plansOf(name, planCase));
  });

  it('leaves every plan one at least as good when a seller offers the same cheaper', () => {
    const [first] = planCase.offers;
    if (first === undefined) return;
    const cheaper = { ...first, id: 'one more', priceCents: Math.max(0, first.priceCents - 1) };
    expect(left(plansOf(name, planCase), answer({ ...planCase, offers: [...planCase.offers, cheaper] }).plans)).toEqual(
      [],
    );
  });

  it('leaves every plan one at least as good when a ceiling is raised', () => {
    const { ceilings, cpu } = planCase.machine;
    const raised = (mib: number | null | undefined) => (mib == null ? mib : mib * 2);
    const machine = {
      ...planCase.machine,
      cpu: cpu == null ? cpu : { ...cpu, maxMiB: raised(cpu.maxMiB) },
      ceilings: {
        totalMiB: { official: raised(ceilings?.totalMiB?.official), proven: raised(ceilings?.totalMiB?.proven) },
        moduleMiB: {
          official: raised(ceilings?.moduleMiB?.official),
          proven: raised(ceilings?.moduleMiB?.proven),
          failed: ceilings?.moduleMiB?.failed,
        },
      },
    };
    expect(left(plansOf(name, planCase), answer({ ...planCase, machine }).plans)).toEqual([]);
  });

  it('has for each plan the figures that its own evaluation gives', () => {
    const plans = plansOf(name, planCase);
    for (const plan of plans.filter((_, index) => index % Math.ceil(plans.length / 8) === 0)) {
      const again = evaluateChoice(planCase, plan);
      // A goal takes originals out of the answer that the evaluation still compares with.
      const { savingCents: _, ...figures } = plan;
      expect(again).toMatchObject({ ok: true, plan: figures });
    }
  });
});
