import { known, slot } from '@/core/machine/samples';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { slotChanges } from '@/core/quoting/slot-changes';
import { staffWords } from '@/words/staff-words';
import { channelRows, neighbour } from './channel-groups';
import { moduleOfLabel } from './module-of-label';
import { fittingDetail, nowDrawn, socketWords } from './socket-words';

const t = staffWords('en', 'board');

const board = (names: string, more: (name: string) => Partial<JobSlot> = () => ({})) =>
  slotChanges(
    names.split(' ').map((name) => slot(name, null, { bank: Number(name.slice(1)), ...more(name) })),
    null,
    [],
  );
const drawn = (rows: ReturnType<typeof channelRows>) =>
  rows.map((row) => row.map(({ slots }) => slots.map((one) => one.slot).join(' ')));

describe('channels side by side', () => {
  it('stand in the order of their names, banks in order, whatever order they came in', () => {
    expect(drawn(channelRows(board('B2 A2 B1 A1')))).toEqual([['A1 A2', 'B1 B2']]);
    expect(drawn(channelRows(board('C1')))).toEqual([['C1']]);
    expect(channelRows([])).toEqual([]);
  });

  it('are at most four beside each other, in rows as even as can be', () => {
    const channels = (count: number) =>
      channelRows(board(Array.from({ length: count }, (_, at) => `${String.fromCharCode(65 + at)}1`).join(' '))).map(
        (row) => row.length,
      );
    expect([1, 2, 3, 4, 5, 6, 8, 16].map(channels)).toEqual([[1], [2], [3], [4], [3, 2], [3, 3], [4, 4], [4, 4, 4, 4]]);
  });

  it('count numbers in names as numbers', () => {
    const changes = board('A1 B1 C1', (name) => ({ channel: { A1: 'P10', B1: 'P9', C1: 'P1' }[name] ?? '' }));
    expect(channelRows(changes)[0]?.map(({ name }) => name)).toEqual(['P1', 'P9', 'P10']);
  });

  it('are walked with the arrows, from row to row, and end at the edges', () => {
    const rows = channelRows(board('A1 A2 B1 B2 C1 C2 D1 D2 E1 E2'));
    expect(drawn(rows)).toEqual([
      ['A1 A2', 'B1 B2', 'C1 C2'],
      ['D1 D2', 'E1 E2'],
    ]);
    expect(neighbour(rows, 'A1', 'ArrowRight')).toBe('B1');
    expect(neighbour(rows, 'A2', 'ArrowDown')).toBe('D1');
    expect(neighbour(rows, 'D1', 'ArrowUp')).toBe('A2');
    expect(neighbour(rows, 'C2', 'ArrowDown')).toBeNull();
    expect(neighbour(rows, 'A1', 'ArrowLeft')).toBeNull();
    expect(neighbour(rows, 'Z9', 'ArrowUp')).toBeNull();
  });
});

describe('a socket in words', () => {
  const words = (one: JobSlot, more = {}) => {
    const [change] = slotChanges([one], null, []);
    return change === undefined ? '' : socketWords(t, change, false, more);
  };

  it('say all that is drawn', () => {
    const kept = slot('A2', known, { keep: 'must', lidName: '1' });
    expect(words(kept, { detail: 'DDR4-2400 1R', fill: 3 })).toBe(
      'A2, channel A: 8 GB DDR4-2400 1R, 1 on the lid’s label, must stay, filled as number 3',
    );
    expect(words(slot('B1', null, { blocked: true }))).toBe('B1, channel B: blocked');
    expect(words(slot('B1', { ...known, rateMTs: null }))).toContain('its rate is not known');
  });

  it('draw a blocked socket apart from an empty one', () => {
    const [blocked, empty] = slotChanges([slot('A1', null, { blocked: true }), slot('B1')], null, []).map((one) =>
      nowDrawn(t, one),
    );
    expect([blocked?.look, empty?.look]).toEqual(['blocked', 'empty']);
  });

  it('leave out of the detail what has no room', () => {
    const detail = 'DDR4-2400 CL17 1Rx8';
    expect([140, 100, 70, 40, 10].map((width) => fittingDetail(detail, width))).toEqual([
      'DDR4-2400 CL17 1Rx8',
      '2400 CL17 1Rx8',
      '2400 1Rx8',
      '2400',
      '',
    ]);
  });
});

describe('a label that is pasted on a socket', () => {
  it('is a module where it says a capacity', () => {
    expect(moduleOfLabel('16GB 2Rx8 PC4-2666V-SE1-11\n')).toMatchObject({
      module: { capacityMiB: 16384, generation: 'DDR4', rateMTs: 2666, form: 'SO-DIMM', ranks: 2 },
    });
    for (const text of ['', 'hello', 'PC4-2666V']) expect(moduleOfLabel(text)).toBeNull();
  });
});
