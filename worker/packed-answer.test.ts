import { answer } from '../core/planning/search/answer';
import type { Answer } from '../core/planning/search/plan';
import { Planner } from '../core/planning/search/planner';
import { WORKED_CASES } from '../testing/worked-cases';
import { type PackedAnswer, Packer, Unpacker } from './packed-answer';

const kiosk = new Map(WORKED_CASES).get('library-kiosk');
if (kiosk === undefined) throw new Error('the case is gone');
const planCase = kiosk;

/** As it comes out of a message. */
const sent = (packed: PackedAnswer): PackedAnswer => structuredClone(packed);

test('every answer comes out as it went in, and plans that come again stay the same objects', () => {
  const planner = new Planner(planCase);
  const [packer, unpacker] = [new Packer(), new Unpacker()];
  const first = planner.answer();
  const before = unpacker.unpack(sent(packer.pack(first)));
  expect(before).toEqual(first);
  planner.change({ goal: { minMiB: 4096 } });
  const second = planner.answer();
  const packed = sent(packer.pack(second));
  expect(packed.fresh).toEqual([]);
  const after = unpacker.unpack(packed);
  expect(after).toEqual(second);
  expect(after.plans.length).toBeGreaterThan(0);
  for (const plan of after.plans) expect(before.plans).toContain(plan);
});

test('what was told long ago is forgotten by both', () => {
  const [packer, unpacker] = [new Packer(), new Unpacker()];
  const [plan] = answer(planCase).plans;
  if (plan === undefined) throw new Error('no plan');
  const many: Answer = {
    baseline: { totalMiB: 0, rateMTs: null, bandwidthMBs: 0 },
    refusedOffers: [],
    plans: Array.from({ length: 2_100 }, (_, nr) => ({ ...plan, priceCents: nr })),
  };
  const few = { ...many, plans: many.plans.slice(0, 10) };
  unpacker.unpack(sent(packer.pack(many)));
  const packed = sent(packer.pack(few));
  expect(packed).toMatchObject({ anew: true });
  expect(packed.fresh.length).toBe(10);
  expect(unpacker.unpack(packed)).toEqual(few);
});

test('an answer that was left out is noticed', () => {
  const [packer, unpacker] = [new Packer(), new Unpacker()];
  const whole = answer(planCase);
  packer.pack(whole);
  expect(() => unpacker.unpack(packer.pack(whole))).toThrow('was never told');
});
