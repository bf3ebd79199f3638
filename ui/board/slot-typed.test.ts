import type { JobSlot } from '@/core/machine/slots/job-slot';
import { staffWords } from '@/words/staff-words';
import { moduleOfLabel } from './module-of-label';
import { readSlot, typedSlot } from './slot-typed';

const t = staffWords('en', 'board');

const GB = 1024;
const inIt = moduleOfLabel('8GB 2Rx8 PC4-2666V-UB1-11')?.module ?? null;
const slot: JobSlot = {
  name: 'A1',
  channel: 'A',
  bank: 1,
  maxMiB: null,
  soldered: false,
  module: inIt,
  keep: 'may',
  creditCents: 450,
  placeSource: 'reading',
  moduleSource: 'reading',
} as JobSlot;
const read = (more: Partial<ReturnType<typeof typedSlot>>, of: JobSlot = slot) =>
  readSlot(t, of, { ...typedSlot(of, 'EUR'), ...more }, of.module, 'EUR');
const wrong = (more: Partial<ReturnType<typeof typedSlot>>, of?: JobSlot) => {
  const made = read(more, of);
  return made.ok ? {} : made.wrong;
};

test('a slot in which nothing is typed is what it was, and nobody typed it', () => {
  expect(read({})).toEqual({ ok: true, value: { ...slot, blocked: false } });
});

test('what is typed of a module is known beside what no field shows, and is marked as typed', () => {
  const made = read({ rate: '2400', part: ' VE4D8-2400 ' });
  expect(made.ok && made.value.module).toMatchObject({
    capacityMiB: 8 * GB,
    rateMTs: 2400,
    part: 'VE4D8-2400',
    ranks: inIt?.ranks,
    deviceWidth: inIt?.deviceWidth,
  });
  expect(made.ok && [made.value.moduleSource, made.value.placeSource]).toEqual(['typed', 'reading']);
});

test('a slot without a capacity is empty; one that moves on the board is placed by hand', () => {
  const empty = read({ capacity: '' });
  expect(empty.ok && empty.value.module).toBeNull();
  const moved = read({ channel: 'B', largest: '16 GB' });
  expect(moved.ok && [moved.value.channel, moved.value.maxMiB, moved.value.placeSource]).toEqual([
    'B',
    16 * GB,
    'typed',
  ]);
});

test.each([
  [{ capacity: 'big' }, 'capacity'],
  [{ rate: '0' }, 'rate'],
  [{ cl: 'x' }, 'cl'],
  [{ ranks: '1.5' }, 'ranks'],
  [{ channel: ' ' }, 'channel'],
  [{ bank: 'one' }, 'bank'],
  [{ largest: 'all' }, 'largest'],
  [{ credit: '-1' }, 'credit'],
  [{ blocked: true }, 'capacity'],
])('%j is told at its field', (more, field) => {
  expect(Object.keys(wrong(more))).toEqual([field]);
});

test('soldered memory has a size', () => {
  expect(wrong({ capacity: '' }, { ...slot, soldered: true })).toEqual({
    capacity: 'Soldered memory has a size: enter it.',
  });
});
