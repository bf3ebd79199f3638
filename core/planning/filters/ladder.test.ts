import { WORKED_CASES } from '../../../testing/worked-cases';
import { effectiveChannelsText } from '../explain/channel-words';
import { boughtText, fateText, freeText, runText } from '../explain/plan-words';
import type { PlanCase } from '../model/case';
import { answer } from '../search/answer';
import type { Plan } from '../search/plan';
import { english } from '../testing/english';
import { bestOfRung, USUAL_TOLERANCE_BP, whyBest } from './best-of-rung';
import { planKey, rungsOf } from './ladder';
import { whyBestText } from './suggestion-words';

const GB = 1024;
const worked = (name: string) => WORKED_CASES.find(([own]) => own === name)?.[1] as PlanCase;

const said = (plans: Plan[], toleranceBp = USUAL_TOLERANCE_BP): string => {
  const why = whyBest(plans, toleranceBp);
  return why === null ? '' : whyBestText(english, why, toleranceBp);
};

describe('the ladder', () => {
  const planCase = worked('bakery-till');
  const { plans } = answer(planCase);
  const rungs = rungsOf(plans);

  it('gathers every plan once, the lowest total first', () => {
    expect(rungs.flatMap((rung) => rung.plans)).toHaveLength(plans.length);
    const totals = rungs.map((rung) => rung.totalMiB);
    expect(totals).toEqual([...totals].sort((a, b) => a - b));
    expect(new Set(plans.map(planKey)).size).toBe(plans.length);
  });

  it('spans from the cheapest original to the best third-party plan of a rung', () => {
    const rung = rungs.find((one) => one.totalMiB === 16 * GB);
    const originals = rung?.plans.filter((plan) => plan.lane === 'original').map((plan) => plan.priceCents) ?? [];
    expect(rung?.saving?.fromCents).toBe(Math.min(...originals));
    expect(rung?.saving?.cents).toBe((rung?.saving?.fromCents ?? 0) - (rung?.saving?.toCents ?? 0));
    const kiosk = rungsOf(answer(worked('library-kiosk')).plans);
    // No original part reaches 8 GB there, so nothing is claimed.
    expect(kiosk.find((one) => one.totalMiB === 8 * GB)?.saving).toBeNull();
  });

  it('writes out the plan with the fewest notes among the nearly cheapest', () => {
    const plan = (priceCents: number, care: Plan['care'], bandwidth: number) => ({
      ...(plans[0] as Plan),
      priceCents,
      care,
      bandwidthMBs: bandwidth,
    });
    const cheap = plan(10000, 'heads-up', 1);
    const calm = plan(10400, 'clear', 1);
    const dear = plan(12000, 'clear', 9);
    expect(bestOfRung([cheap, calm, dear])).toBe(calm);
    expect(bestOfRung([cheap, dear])).toBe(cheap);
    expect(bestOfRung([plan(10000, 'clear', 1), plan(10100, 'clear', 2)])?.bandwidthMBs).toBe(2);
    expect(bestOfRung([])).toBeNull();
    expect(bestOfRung([cheap, dear], 10_000)).toBe(dear);
    expect(said([cheap, calm, dear])).toBe(
      'Of 2 plans within 5 % of the lowest price, €100.00, it has the fewest notes.',
    );
    expect(said([cheap, dear])).toBe('The only plan within 5 % of the lowest price, €100.00.');
    expect(said([cheap])).toBe('The only plan here.');
    expect(said([])).toBe('');
    const wider = plan(10200, 'clear', 2);
    expect(said([cheap, calm, wider], 250)).toContain('within 2.5 % of the lowest price');
    expect(said([cheap, calm, wider])).toContain('it has the fewest notes, of those the most bandwidth.');
  });

  it('writes out the best of the plans that are wanted, or of all where none is', () => {
    const wanted = rungsOf(plans, { isWanted: ({ lane }) => lane === 'original' });
    const reached = wanted.filter((rung) => rung.isWanted);
    expect(reached.length).toBeGreaterThan(0);
    expect(reached.every(({ best }) => best.lane === 'original')).toBe(true);
    const none = rungsOf(plans, { isWanted: () => false });
    expect(none.map(({ best }) => best)).toEqual(rungs.map(({ best }) => best));
    expect(none.some((rung) => rung.isWanted)).toBe(false);
  });

  it('puts a plan in the words of the trade', () => {
    const plan = plans.find(
      (one) => one.reuse === 'add' && one.lane === 'third-party' && one.bought[0]?.offer === 'tp-8',
    ) as Plan;
    expect(boughtText(english.t, planCase, plan)).toBe('8 GB DDR4-2400 CL17 DIMM');
    expect(fateText(english.t, planCase, plan)).toBe('the old module stays');
    expect(runText(english.t, plan)).toBe('2400 MT/s, dual channel');
    expect(freeText(english.t, plan)).toBe('2 slots free');
    const kit = plans.find((one) => one.bought[0]?.offer === 'tp-2x16' && one.kept.length === 0) as Plan;
    expect(boughtText(english.t, planCase, kit)).toContain('kit of 2: 16 GB DDR4-2666 CL19 DIMM');
    expect(fateText(english.t, planCase, kit)).toBe('the old module comes out');
    expect(effectiveChannelsText(english.t, 1.75)).toBe('1.75 channels');
  });
});
