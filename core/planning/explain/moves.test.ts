import { WORKED_CASES } from '../../../testing/worked-cases';
import type { PlanCase } from '../model/case';
import { answer } from '../search/answer';
import type { Plan, Seat } from '../search/plan';
import { makeCase, offer, stick } from '../testing/small-case';
import { movesOf } from './moves';

const planOf = (kept: string[], placement: Record<string, Seat>) => ({ kept, placement }) as unknown as Plan;
const installed = (...slots: string[]) => slots.map((slot) => ({ slot, module: stick }));
const words = (planCase: PlanCase, plan: Plan) =>
  movesOf(planCase, plan).map((move) =>
    move.what === 'move' ? `${move.from} to ${move.to}` : `${move.what} ${move.slot}`,
  );

describe('the moves of a plan', () => {
  it('take out what goes, then move what stays, then put in what is new, by the fill order', () => {
    const planCase = makeCase(
      { installed: installed('S1', 'S3'), offers: [offer('a', 1)] },
      { fillOrder: ['S4', 'S1'] },
    );
    const plan = planOf(['S3'], { S1: { offer: 'a' }, S2: { kept: 'S3' }, S4: { offer: 'a' } });
    expect(words(planCase, plan)).toEqual(['out S1', 'S3 to S2', 'in S4', 'in S1']);
  });

  it('wait for a slot to be free', () => {
    const planCase = makeCase({ installed: installed('S1', 'S2') });
    const plan = planOf(['S1', 'S2'], { S2: { kept: 'S1' }, S3: { kept: 'S2' } });
    expect(words(planCase, plan)).toEqual(['S2 to S3', 'S1 to S2']);
  });

  it('set one aside where two change places', () => {
    const planCase = makeCase({ installed: installed('S1', 'S2') });
    const plan = planOf(['S1', 'S2'], { S1: { kept: 'S2' }, S2: { kept: 'S1' } });
    expect(words(planCase, plan)).toEqual(['set-aside S2', 'S1 to S2', 'S2 to S1']);
  });

  test.each(WORKED_CASES)('%s: lead from today to each plan, never into a slot that is taken', (_, planCase) => {
    for (const plan of answer(planCase).plans) {
      const held = new Map<string, Seat>(planCase.installed.map(({ slot }) => [slot, { kept: slot }]));
      const aside = new Map<string, Seat>();
      for (const move of movesOf(planCase, plan)) {
        if (move.what === 'in') {
          expect(held.has(move.slot)).toBe(false);
          held.set(move.slot, { offer: move.offer });
        } else if (move.what === 'move') {
          expect(held.has(move.to)).toBe(false);
          held.set(move.to, held.get(move.from) ?? aside.get(move.from) ?? { kept: '' });
          held.delete(move.from);
        } else {
          if (move.what === 'set-aside') aside.set(move.slot, { kept: move.slot });
          held.delete(move.slot);
        }
      }
      expect(Object.fromEntries(held)).toEqual(plan.placement);
    }
  });
});
