import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { answer } from '../core/planning/answer';
import { boardRates } from '../core/planning/board-rates';
import { whyNot } from '../core/planning/explain/why-not';
import { Search } from '../core/planning/search/search';
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

test('a change is answered as the changed case would be', async () => {
  const goal = { minMiB: 16 * 1024 };
  await send({ id: 1, planCase });
  await send({ id: 2, change: { goal } });
  expect(ends()[1]).toEqual({ id: 2, state: 'done', answer: answer({ ...planCase, goal }) });
});

test('a question why something is not there is answered as the core does', async () => {
  const asked = { offer: planCase.offers[0].id };
  await send({ id: 3, asked, about: planCase });
  expect(ends()).toEqual([{ id: 3, state: 'told', lines: whyNot(planCase, asked) }]);
});

describe('work that takes long', () => {
  /** A place where every look at the clock is a second later. */
  function slowPlace(between: (work: PlanWork) => void) {
    const told: PlanReply[] = [];
    let ms = 0;
    const work: PlanWork = new PlanWork({
      reply: (reply) => told.push(reply),
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

  it('the other least rates are worked out ahead, and nothing is told of it', async () => {
    const told: PlanReply[] = [];
    let quiet = 0;
    const work = new PlanWork({
      reply: (reply) => told.push(reply),
      now: () => 0,
      pause: async (wait) => {
        if (wait > 0) quiet++;
      },
    });
    const kiosk = worked('vet-workstation');
    await work.take({ id: 1, planCase: kiosk });
    const searched = jest.spyOn(Search.prototype, 'take');
    // Two turns: the quiet moment, and what follows it.
    await new Promise((resolve) => setTimeout(resolve));
    expect(quiet).toBe(1);
    expect(searched).toHaveBeenCalled();
    searched.mockClear();
    const rates = boardRates(kiosk);
    for (const [nr, minRateMTs] of rates.entries()) await work.take({ id: 2 + nr, change: { goal: { minRateMTs } } });
    expect(searched).not.toHaveBeenCalled();
    searched.mockRestore();
    const unpacker = new Unpacker();
    const answers = told.flatMap((reply) => (reply.state === 'done' ? [unpacker.unpack(reply.answer)] : []));
    expect(told).toHaveLength(1 + rates.length);
    expect(answers.slice(1)).toEqual(rates.map((minRateMTs) => answer({ ...kiosk, goal: { minRateMTs } })));
    expect(new Set(answers.map(({ plans }) => plans.length)).size).toBeGreaterThan(1);
  });

  it('a change without a case before it fails', async () => {
    const { told, work } = slowPlace(() => undefined);
    await work.take({ id: 1, change: { goal: null } });
    expect(told).toEqual([{ id: 1, state: 'failed' }]);
  });
});
