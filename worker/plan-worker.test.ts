import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { withSockets } from '../bench/plan-cases';
import { whyNot } from '../core/planning/explain/why-not';
import { growLater } from '../core/planning/later/grow-later';
import type { PlanCase } from '../core/planning/model/case';
import { answer } from '../core/planning/search/answer';
import { Search } from '../core/planning/search/search';
import { goalKey, likelyGoals } from './likely-goals';
import { Unpacker } from './packed-answer';
import type { PlanReply, PlanRequest } from './plan-message';
import { PlanWork } from './plan-work';

const worked = (name: string) =>
  JSON.parse(readFileSync(join(__dirname, '..', 'core', 'planning', 'cases', `${name}.case.json`), 'utf8'));
const planCase = worked('library-kiosk');

/** A worker's global scope as far as this worker uses it. */
const scope: { onmessage: ((event: { data: PlanRequest }) => void) | null; postMessage: (reply: PlanReply) => void } = {
  onmessage: null,
  postMessage: (reply) => replies.push(reply),
};
let replies: PlanReply[] = [];

const answers = new Unpacker();
/** What ended it, answers unpacked. */
const ends = () =>
  replies
    .filter(({ state }) => state !== 'planning')
    .map((reply) => (reply.state === 'done' ? { ...reply, answer: answers.unpack(reply.answer) } : reply));

beforeAll(async () => {
  Object.assign(globalThis, { self: scope });
  await import('./plan-worker');
});
beforeEach(() => {
  replies = [];
});

async function send(request: Exclude<PlanRequest, { cancel: number }>): Promise<void> {
  scope.onmessage?.({ data: request });
  // However slow the machine is: every request of these is answered.
  while (!replies.some((reply) => reply.id === request.id && reply.state !== 'planning'))
    await new Promise((resolve) => setTimeout(resolve, 5));
}

test('answers a case as the core does, under the same id', async () => {
  await send({ id: 7, planCase });
  expect(ends()).toEqual([{ id: 7, state: 'done', answer: answer(planCase) }]);
});

test('a case that breaks the planner is answered as failed, and the next one is served', async () => {
  await send({ id: 8, planCase: { ...planCase, machine: null } });
  await send({ id: 9, planCase });
  expect(ends()).toMatchObject([
    { id: 8, state: 'failed' },
    { id: 9, state: 'done' },
  ]);
});

test('of a large board the nearest plans are told first, and the whole answer is as the core has it', async () => {
  const large = withSockets(12, 40);
  const told: PlanReply[] = [];
  const work = new PlanWork({
    reply: (reply) => told.push(reply),
    read: async () => '',
    now: () => 0,
    pause: async () => {},
  });
  await work.take({ id: 1, planCase: large });
  const unpacker = new Unpacker();
  const [first, done] = told
    .filter(({ state }) => state === 'first' || state === 'done')
    .map((reply) => ('answer' in reply && reply.state !== 'told' ? unpacker.unpack(reply.answer) : null));
  const whole = answer(large);
  expect(done).toEqual(whole);
  const today = whole.baseline.totalMiB;
  const totals = first?.plans.map(({ totalMiB }) => totalMiB) ?? [];
  expect(totals).toHaveLength(8);
  const cheapest = (mib: number) =>
    Math.min(...whole.plans.filter(({ totalMiB }) => totalMiB >= mib && totalMiB > today).map((one) => one.priceCents));
  expect(first?.plans.map(({ priceCents }) => priceCents)).toEqual(totals.map(cheapest));
});

test('a change is answered as the changed case would be', async () => {
  const goal = { minMiB: 16 * 1024 };
  await send({ id: 1, planCase });
  await send({ id: 2, change: { goal } });
  expect(ends()[1]).toEqual({ id: 2, state: 'done', answer: answer({ ...planCase, goal }) });
});

test('a question why something is not there is answered as the core does', async () => {
  const asked = { offer: planCase.offers[0].id };
  await send({ id: 3, asked, about: planCase });
  expect(ends()).toEqual([{ id: 3, state: 'told', answer: whyNot(planCase, asked) }]);
});

/** The one market that there is. */
async function marketAt(path: string): Promise<string> {
  if (path !== '/market') throw new Error('there is none');
  return JSON.stringify({ planCase, supplies: {} });
}

describe('a market that the worker reads by itself', () => {
  const place = () => {
    const told: PlanReply[] = [];
    const work = new PlanWork({
      reply: (reply) => told.push(reply),
      read: marketAt,
      now: () => 0,
      pause: async () => {},
    });
    return { told, work };
  };

  it('is planned as its case would be, and changed as that', async () => {
    const { told, work } = place();
    void work.take({ id: 0, path: '/market' });
    const goal = { minMiB: 16 * 1024 };
    await work.take({ id: 1, change: { goal } });
    const unpacker = new Unpacker();
    const done = told.flatMap((one) => (one.state === 'done' ? [{ ...one, answer: unpacker.unpack(one.answer) }] : []));
    expect(done).toEqual([
      { id: 0, state: 'done', answer: answer(planCase) },
      { id: 1, state: 'done', answer: answer({ ...planCase, goal }) },
    ]);
  });

  it('fails where it cannot be read, and the case itself is planned afterwards', async () => {
    const { told, work } = place();
    void work.take({ id: 0, path: '/elsewhere' });
    await work.take({ id: 1, planCase });
    expect(told.map(({ id, state }) => [id, state])).toEqual([
      [0, 'failed'],
      [1, 'done'],
    ]);
  });

  it('is not planned once nobody wants it any more', async () => {
    const { told, work } = place();
    const taken = work.take({ id: 0, path: '/market' });
    void work.take({ cancel: 0 });
    await taken;
    expect(told).toEqual([{ id: 0, state: 'cancelled' }]);
  });

  it('and what is steered before it was read is a change of it all the same', async () => {
    const { told, work } = place();
    void work.take({ id: 0, path: '/market' });
    void work.take({ cancel: 0 });
    await work.take({ id: 1, change: { goal: { minMiB: 32_768 } } });
    expect(told.map(({ id, state }) => [id, state])).toEqual(
      expect.arrayContaining([
        [0, 'cancelled'],
        [1, 'done'],
      ]),
    );
  });

  it('comes over HTTP in the browser, and an answer that is no market fails', async () => {
    const texts: Record<string, Response> = {
      '/market': new Response(JSON.stringify({ planCase })),
      '/gone': new Response('', { status: 404 }),
    };
    const fetched = jest
      .spyOn(globalThis, 'fetch')
      .mockImplementation(async (path) => texts[String(path)] ?? new Response('', { status: 500 }));
    await send({ id: 20, path: '/market' });
    await send({ id: 21, path: '/gone' });
    expect(ends()).toEqual([
      { id: 20, state: 'done', answer: answer(planCase) },
      { id: 21, state: 'failed' },
    ]);
    fetched.mockRestore();
  });
});

describe('work that takes long', () => {
  /** A place where every look at the clock is a second later. */
  function slowPlace(between: (work: PlanWork) => void) {
    const told: PlanReply[] = [];
    let ms = 0;
    const work: PlanWork = new PlanWork({
      reply: (reply) => told.push(reply),
      read: marketAt,
      now: () => (ms += 1000),
      pause: async (wait) => {
        if (wait === 0) between(work);
      },
    });
    return { told, work };
  }

  it('tells how far it has come, ever more, before it is done', async () => {
    const { told, work } = slowPlace(() => undefined);
    await work.take({ id: 1, planCase: worked('vet-workstation') });
    const shares = told.flatMap((reply) => (reply.state === 'planning' ? [reply.share] : []));
    expect(shares.length).toBeGreaterThan(10);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
    expect(told.at(-1)?.state).toBe('done');
  });

  it('ends when it is no longer wanted, and serves the next', async () => {
    const { told, work } = slowPlace((own) => void own.take({ cancel: 1 }));
    await work.take({ id: 1, planCase: worked('vet-workstation') });
    expect(told.map(({ state }) => state)).toEqual(['planning', 'cancelled']);
    await work.take({ id: 2, planCase });
    const last = told.at(-1);
    expect(last?.state === 'done' && new Unpacker().unpack(last.answer)).toEqual(answer(planCase));
  });

  /** A place where nothing takes time, and where all that was begun is over after a turn. */
  async function quickPlace(first: PlanCase) {
    const told: PlanReply[] = [];
    const work = new PlanWork({
      reply: (reply) => told.push(reply),
      read: marketAt,
      now: () => 0,
      pause: async () => {},
    });
    await work.take({ id: 1, planCase: first });
    await new Promise((resolve) => setTimeout(resolve));
    return { told, work };
  }
  const unpacked = (told: readonly PlanReply[]) => {
    const unpacker = new Unpacker();
    return told.flatMap((reply) =>
      reply.state === 'done' || reply.state === 'ahead'
        ? [{ ...reply, answer: unpacker.unpack(reply.answer), goal: reply.state === 'ahead' ? reply.goal : {} }]
        : [],
    );
  };

  it('what is likely asked next is told ahead, each as the core answers it, under the request it builds on', async () => {
    const workstation = worked('vet-workstation');
    const { told } = await quickPlace(workstation);
    const [first, ...ahead] = unpacked(told);
    expect(first).toMatchObject({ id: 1, state: 'done' });
    expect(ahead.map(({ goal }) => goalKey(goal))).toEqual(likelyGoals(workstation).map(goalKey));
    for (const { id, goal, answer: own } of ahead) {
      expect(id).toBe(1);
      expect(own).toEqual(answer({ ...workstation, goal }));
    }
    expect(new Set(ahead.map(({ answer: own }) => own.plans.length)).size).toBeGreaterThan(1);
  });

  it('what was worked out ahead is not searched again, and not told twice', async () => {
    const workstation = worked('vet-workstation');
    const { told, work } = await quickPlace(workstation);
    const searched = jest.spyOn(Search.prototype, 'take');
    const [goal] = likelyGoals(workstation);
    await work.take({ id: 2, change: { goal } });
    expect(searched).not.toHaveBeenCalled();
    searched.mockRestore();
    await new Promise((resolve) => setTimeout(resolve));
    const keys = unpacked(told).flatMap((reply) => (reply.state === 'ahead' ? [goalKey(reply.goal)] : []));
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).not.toContain(goalKey({}));
  });

  it('what takes long is not worked out ahead', async () => {
    const told: PlanReply[] = [];
    let ms = 0;
    const work = new PlanWork({
      reply: (reply) => told.push(reply),
      read: marketAt,
      now: () => (ms += 401),
      pause: async () => {},
    });
    await work.take({ id: 1, planCase });
    await new Promise((resolve) => setTimeout(resolve));
    expect(told.filter(({ state }) => state !== 'planning').map(({ state }) => state)).toEqual(['done']);
  });

  it('once something must stay, all of it is told again', async () => {
    const kiosk = worked('library-kiosk');
    const { told, work } = await quickPlace(kiosk);
    const before = told.length;
    const slot = kiosk.installed[0].slot;
    await work.take({ id: 2, change: { goal: null, keep: { [slot]: 'must' } } });
    await new Promise((resolve) => setTimeout(resolve));
    const changed = {
      ...kiosk,
      installed: kiosk.installed.map((one: { slot: string }) => (one.slot === slot ? { ...one, keep: 'must' } : one)),
    };
    const later = unpacked(told).slice(before);
    expect(later.map(({ id }) => id)).toEqual(later.map(() => 2));
    expect(later.length).toBe(1 + likelyGoals(kiosk).length);
    for (const { goal, answer: own } of later) expect(own).toEqual(answer({ ...changed, goal }));
  });

  it('a change without a case before it fails', async () => {
    const { told, work } = slowPlace(() => undefined);
    await work.take({ id: 1, change: { goal: null } });
    expect(told).toEqual([{ id: 1, state: 'failed' }]);
  });
});

it('what the next step up from a plan would be is answered as the core does', async () => {
  const [plan] = answer(planCase).plans;
  if (plan === undefined) throw new Error('the case has no plan');
  await send({ id: 31, grown: plan, about: planCase });
  expect(replies.at(-1)).toEqual({ id: 31, state: 'grown', growth: growLater(planCase, plan) });
});
