/** @jest-environment jsdom */
import { deserialize, serialize } from 'node:v8';
import { act } from 'react';
import type { Goal, PlanCase } from '@/core/planning/model/case';
import { LANES } from '@/core/planning/model/lanes';
import { answer } from '@/core/planning/search/answer';
import { WORKED_CASES } from '@/testing/worked-cases';
import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { PlanWork } from '@/worker/plan-work';
import { endHooks, type RunningHook, runHook } from '../client/testing/run-hook';
import { type Planning, usePlans } from './use-plans';

const worked = new Map(WORKED_CASES).get('library-kiosk');
if (worked === undefined) throw new Error('the case is gone');
const kiosk: PlanCase = { ...worked, goal: null };
const [first] = kiosk.installed;
if (first === undefined) throw new Error('the case has nothing in it');

/** As a message comes out on the other side. */
const sent = <T>(message: T): T => deserialize(serialize(message));

/** A worker with the real planner in it, which answers once it is let. */
class Bench {
  readonly asked: PlanRequest[] = [];
  onmessage: ((event: { data: PlanReply }) => void) | null = null;
  onerror: (() => void) | null = null;
  ended = false;
  #waiting: PlanReply[] = [];
  readonly #work = new PlanWork({
    reply: (reply) => this.#waiting.push(sent(reply)),
    read: async () => {
      if (market === null) throw new Error('it is away');
      return market;
    },
    now: () => 0,
    pause: async () => {},
  });

  postMessage(request: PlanRequest): void {
    this.asked.push(sent(request));
    void this.#work.take(sent(request));
  }

  terminate(): void {
    this.ended = true;
  }

  /** Hands out what was worked out, ahead as well. */
  async answers(): Promise<void> {
    await new Promise((resolve) => setTimeout(resolve));
    await act(async () => {
      for (const data of this.#waiting.splice(0)) this.onmessage?.({ data });
    });
  }
}

let bench: Bench;
/** what the worker reads by itself; null: it cannot */
let market: string | null = null;
/** the market that the page's worker was started on, before the page was there */
let mockPlanned: string | null = null;
jest.mock('./early-worker', () => ({
  EARLY: 0,
  takeWorker: () => ({ worker: bench, planned: mockPlanned, inbox: [] }),
}));
beforeEach(() => {
  bench = new Bench();
  market = null;
  mockPlanned = null;
});
afterEach(endHooks);

interface Given {
  base: PlanCase | null;
  goal: Goal;
}
const open = (given: Given): Promise<RunningHook<Given, Planning>> =>
  runHook(({ base, goal }: Given) => usePlans(base, mockPlanned, goal), given);
const withKeep = (keep: 'may' | 'must' | 'never'): PlanCase => ({
  ...kiosk,
  installed: kiosk.installed.map((one) => (one.slot === first.slot ? { ...one, keep } : one)),
});
const without = (lane: (typeof LANES)[number]): Goal => ({ lanes: LANES.filter((one) => one !== lane) });
const plansOf = (planCase: PlanCase, goal: Goal = {}) => answer({ ...planCase, goal }).plans;

test('nothing is asked before the case is there; then its plans are those of the core', async () => {
  const hook = await open({ base: null, goal: {} });
  expect(bench.asked).toEqual([]);
  expect(hook.now()).toMatchObject({ answer: null, planCase: null, failed: false });
  await hook.give({ base: kiosk, goal: {} });
  expect(hook.now().answer).toBeNull();
  await bench.answers();
  expect(hook.now().answer?.plans).toEqual(plansOf(kiosk));
  expect(hook.now()).toMatchObject({ base: kiosk, planCase: { goal: {} }, share: null });
  await hook.end();
  expect(bench.ended).toBe(true);
});

test('a lane that is left out is drawn before the worker has said a word, and comes back as quickly', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await bench.answers();
  const whole = hook.now().answer;
  for (const lane of ['third-party', 'original', 'used'] as const) {
    await hook.give({ base: kiosk, goal: without(lane) });
    expect(hook.now().answer?.plans).toEqual(plansOf(kiosk, without(lane)));
    expect(hook.now().planCase?.goal).toEqual(without(lane));
    await hook.give({ base: kiosk, goal: {} });
    expect(hook.now().answer).toBe(whole);
  }
  // What the worker says of it later changes nothing.
  const drawn = hook.drawn().length;
  await bench.answers();
  expect(hook.drawn().length).toBe(drawn);
  expect(hook.now().answer).toBe(whole);
});

test('what nobody foresaw leaves the last plans standing until the worker has the new ones', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await bench.answers();
  const whole = hook.now().answer;
  const goal: Goal = { maxOffers: 1, ...without('used') };
  await hook.give({ base: kiosk, goal });
  expect(hook.now().answer).toBe(whole);
  expect(bench.asked.at(-1)).toEqual({ id: 2, change: { goal } });
  await bench.answers();
  expect(hook.now().answer?.plans).toEqual(plansOf(kiosk, goal));
});

test('a question that is taken over by a newer one is ended, and only the newer one is drawn', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await hook.give({ base: kiosk, goal: { maxOffers: 1 } });
  await hook.give({ base: kiosk, goal: { maxOffers: 2 } });
  expect(bench.asked.filter((request) => 'cancel' in request)).toEqual([{ cancel: 1 }, { cancel: 2 }]);
  await bench.answers();
  expect(hook.now().answer?.plans).toEqual(plansOf(kiosk, { maxOffers: 2 }));
});

test('what must stay is planned again from what is known, and both ways are kept in mind', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await bench.answers();
  const before = hook.now().answer;
  await hook.give({ base: withKeep('must'), goal: {} });
  expect(hook.now().answer).toBe(before);
  const asked = bench.asked.at(-1);
  expect(asked !== undefined && 'change' in asked && asked.change.keep?.[first.slot]).toBe('must');
  await bench.answers();
  expect(hook.now().answer?.plans).toEqual(plansOf(withKeep('must')));
  await hook.give({ base: kiosk, goal: {} });
  expect(hook.now().answer).toBe(before);
  // The worker was told all the same: what comes next builds on the case as it stands.
  await bench.answers();
  await hook.give({ base: kiosk, goal: { maxOffers: 1 } });
  await bench.answers();
  expect(hook.now().answer?.plans).toEqual(plansOf(kiosk, { maxOffers: 1 }));
});

test('other prices make another ground: nothing of before is taken for it', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await bench.answers();
  const dearer = { ...kiosk, offers: kiosk.offers.map((one) => ({ ...one, priceCents: one.priceCents + 700 })) };
  await hook.give({ base: dearer, goal: without('used') });
  expect(hook.now().answer?.plans).toEqual(plansOf(kiosk));
  await bench.answers();
  expect(hook.now().answer?.plans).toEqual(plansOf(dearer, without('used')));
  expect(bench.asked.filter((request) => 'planCase' in request)).toHaveLength(2);
});

test('the same case read again is not planned again', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await bench.answers();
  const asked = bench.asked.length;
  const again = sent(kiosk);
  await hook.give({ base: again, goal: {} });
  expect(bench.asked).toHaveLength(asked);
  expect(hook.now().base).toBe(again);
});

test('a worker that fails says so, and the next that is known is drawn again', async () => {
  const hook = await open({ base: kiosk, goal: {} });
  await bench.answers();
  await act(async () => bench.onerror?.());
  expect(hook.now().failed).toBe(true);
  await hook.give({ base: kiosk, goal: without('used') });
  expect(hook.now()).toMatchObject({ failed: false, planCase: { goal: without('used') } });
});

describe('a worker that the page started on its market before anything else', () => {
  function startedOn(text: string | null): void {
    market = text;
    mockPlanned = '/api/jobs/1/market/abc';
    bench.postMessage({ id: 0, path: mockPlanned });
  }

  test('is not asked again: its answer is the first ladder', async () => {
    startedOn(JSON.stringify({ planCase: kiosk, supplies: {} }));
    const hook = await open({ base: kiosk, goal: {} });
    await bench.answers();
    expect(bench.asked).toHaveLength(1);
    expect(hook.now().answer?.plans).toEqual(plansOf(kiosk));
    expect(hook.now().failed).toBe(false);
  });

  test('is handed the case where it could not read the market', async () => {
    startedOn(null);
    const hook = await open({ base: kiosk, goal: {} });
    await bench.answers();
    expect(bench.asked[1]).toEqual({ id: 1, planCase: { ...kiosk, goal: {} } });
    await bench.answers();
    expect(hook.now().answer?.plans).toEqual(plansOf(kiosk));
    expect(hook.now().failed).toBe(false);
  });
});
