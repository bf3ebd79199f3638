import { slot } from '../machine/samples';
import type { BoardPicture } from '../quoting/snapshot';
import { benchState, minutesTaken, type Tick } from './bench-state';
import { type ChecklistInput, checklistOf, fittingStepSchema, PHASES } from './checklist';

const GB = 1024;
const board = (gbs: Record<string, [number | null, BoardPicture[number]['fate']]>): BoardPicture =>
  Object.entries(gbs).map(([name, [gb, fate]]) => ({
    slot: name,
    capacityMiB: gb === null ? null : gb * GB,
    text: gb === null ? null : `${gb} GB DDR4`,
    fate,
  }));

const OPENING = [
  { text: 'Open the door', tool: 'cross-head 1', fasteners: 2, lengthMm: 6, unplug: '', caution: '', minutes: 2 },
  {
    text: 'Lift the shield',
    tool: '',
    fasteners: null,
    lengthMm: null,
    unplug: 'fan cable',
    caution: 'thin',
    minutes: 1,
  },
  { text: 'Take the cage out', tool: '', fasteners: 4, lengthMm: 12, unplug: '', caution: '', minutes: null },
];

/** A1 goes, A2 moves to B2, a new one comes into A2. */
const INPUT: ChecklistInput = {
  opening: OPENING,
  slots: ['A1', 'B1', 'A2', 'B2'].map((name) => slot(name, null)),
  library: [{ name: 'B2', place: 'shield', latch: 'white' }],
  fillOrder: ['A2', 'B2', 'A1', 'B1'],
  generation: 'DDR4',
  form: 'DIMM',
  option: {
    before: board({ A1: [4, 'today'], B1: [null, 'empty'], A2: [8, 'today'], B2: [null, 'empty'] }),
    after: board({ A1: [null, 'empty'], B1: [null, 'empty'], A2: [16, 'new'], B2: [8, 'moves'] }),
    shop: {
      kept: ['A2'],
      bought: [],
      placement: { B2: { kept: 'A2' }, A2: { offer: 'o1' } },
      reasons: [],
      costCents: 0,
      marginCents: 0,
    },
  },
};
const steps = checklistOf(INPUT);
const keys = steps.map(({ key }) => key);

describe('the checklist', () => {
  it('goes from making safe to the last checks, and tests before it closes', () => {
    const order = steps.map(({ phase }) => PHASES.indexOf(phase));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(keys.indexOf('test.total')).toBeLessThan(keys.indexOf('close.3'));
    expect(new Set(keys).size).toBe(keys.length);
    for (const step of steps) expect(fittingStepSchema.safeParse(step).error).toBeUndefined();
  });

  it('says which module leaves which socket and goes where, in the order of doing', () => {
    const moves = steps.filter(({ phase }) => phase === 'out' || phase === 'in').map(({ key }) => key);
    expect(moves).toEqual(['out.A1', 'move.A2.B2', 'in.A2']);
    const move = steps.find(({ key }) => key === 'move.A2.B2');
    expect(move?.caution).toContain('under the shield, white latches');
    expect(move?.notch).toEqual({ generation: 'DDR4', form: 'DIMM' });
    expect(steps.find(({ key }) => key === 'out.A1')?.text).toContain('bag 1');
  });

  it('closes what was opened the other way round, each fastener from its own dish', () => {
    const closing = steps.filter(({ phase }) => phase === 'close');
    expect(closing.map(({ key }) => key)).toEqual(['close.3', 'close.2', 'close.1']);
    expect(closing.map(({ text }) => text)).toEqual([
      'Drive the 4 fasteners of dish 2 back',
      'Plug in again: fan cable',
      'Drive the 2 fasteners of dish 1 back',
    ]);
  });

  it('asks for the battery where a machine has one', () => {
    expect(keys).not.toContain('safe.battery');
    expect(checklistOf({ ...INPUT, form: 'SO-DIMM' }).map(({ key }) => key)).toContain('safe.battery');
  });
});

const tick = (step: string, minute: number, state: Tick['state'] = 'done'): Tick => ({
  step,
  state,
  reason: state === 'skipped' ? 'no need' : '',
  by: 'Teo',
  at: new Date(Date.UTC(2026, 0, 1, 9, minute)).toISOString(),
});

describe('the work as it stands', () => {
  const { before, after } = INPUT.option;
  const boardAfter = (...done: string[]) =>
    Object.fromEntries(
      benchState(
        steps,
        done.map((key, nr) => tick(key, nr)),
        before,
        after,
      ).board.map(({ slot: name, capacityMiB }) => [name, capacityMiB === null ? null : capacityMiB / GB]),
    );

  it('the board follows the hands', () => {
    expect(boardAfter()).toEqual({ A1: 4, B1: null, A2: 8, B2: null });
    expect(boardAfter('out.A1')).toEqual({ A1: null, B1: null, A2: 8, B2: null });
    expect(boardAfter('out.A1', 'move.A2.B2')).toEqual({ A1: null, B1: null, A2: null, B2: 8 });
    expect(boardAfter('out.A1', 'move.A2.B2', 'in.A2')).toEqual({ A1: null, B1: null, A2: 16, B2: 8 });
  });

  it('goes on at the first step that is neither done nor left out', () => {
    const state = benchState(steps, [tick('safe.off', 0), tick('safe.unplug', 1, 'skipped')], before, after);
    expect(state).toMatchObject({ done: 1, skipped: 1, next: { key: 'safe.drain' } });
    expect(
      benchState(
        steps,
        keys.map((key) => tick(key, 0)),
        before,
        after,
      ).next,
    ).toBeNull();
  });

  it('two modules that change places end where they are to', () => {
    const swapped: ChecklistInput = {
      ...INPUT,
      option: {
        ...INPUT.option,
        after: board({ A1: [8, 'moves'], B1: [null, 'empty'], A2: [4, 'moves'], B2: [null, 'empty'] }),
        shop: { ...INPUT.option.shop, kept: ['A1', 'A2'], placement: { A1: { kept: 'A2' }, A2: { kept: 'A1' } } },
      },
    };
    const list = checklistOf(swapped);
    const state = benchState(
      list,
      list.map(({ key }, nr) => tick(key, nr)),
      before,
      swapped.option.after,
    );
    expect(state.board.map(({ capacityMiB }) => capacityMiB)).toEqual([8 * GB, null, 4 * GB, null]);
  });

  it('counts the minutes between ticks, a long pause as no more than work may take', () => {
    expect(minutesTaken(steps, [tick('open.1', 0)])).toBeNull();
    expect(minutesTaken(steps, [tick('open.1', 0), tick('open.2', 3)])).toBe(5);
    expect(minutesTaken(steps, [tick('open.1', 0), tick('open.2', 59)])).toBe(17);
    expect(minutesTaken(steps, [tick('open.2', 3), tick('open.1', 0), tick('in.A2', 4, 'skipped')])).toBe(5);
  });
});

test('a step shows its photograph, opening and closing, and a list of before has none', () => {
  const opening = OPENING.map((one, nr) => ({ ...one, photo: nr === 0 ? 7 : null }));
  const steps = checklistOf({ ...INPUT, opening });
  expect(steps.filter(({ photo }) => photo === 7).map(({ key }) => key)).toEqual(['open.1', 'close.1']);
  const { photo: _, ...before } = steps[0] ?? { photo: null };
  expect(fittingStepSchema.parse(before).photo).toBeNull();
});
