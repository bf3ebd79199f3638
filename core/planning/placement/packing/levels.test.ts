import type { Machine } from '../../model/case';
import { GB, makeCase, placesOf, stick } from '../../testing/small-case';
import { barePlacement, evenDemand, type Load } from './levels';
import { OPEN } from './partial-placement';

/** Levels of sets of so many modules of 4, 8 and 16 GB on two channels of two slots. */
function levelsOf(machine: Partial<Machine>, ...sets: readonly [number, number, number][]) {
  const { places } = placesOf(makeCase({}, machine));
  const sizes = [4 * GB, 8 * GB, 16 * GB];
  const shapes = sizes.map((capacityMiB) => {
    const piece = { module: { ...stick, capacityMiB }, speed: { rateMTs: 2400, casLatency: 17 } };
    return places.shapes.numberOf(piece);
  });
  return sets.map((set) => {
    const counts: number[] = [];
    for (const [nr, shape] of shapes.entries()) counts[shape] = set[nr] ?? 0;
    const totalMiB = set.reduce((sum, count, nr) => sum + count * (sizes[nr] ?? 0), 0);
    const load: Load = { counts, mostRanks: 1, totalMiB };
    return places.levels.of(load).map(({ even, share, capMTs }) => ({
      even,
      capMTs,
      channels: share.totalMiB / share.largestMiB,
    }));
  });
}

const NO_CAP = Number.POSITIVE_INFINITY;

describe('levels', () => {
  it('tell whether a set can stand evenly, and how many channels it makes work', () => {
    expect(levelsOf({}, [0, 2, 0], [2, 1, 0], [1, 1, 0], [0, 1, 0])).toEqual([
      [{ even: true, capMTs: NO_CAP, channels: 2 }],
      // Two of 4 beside one of 8.
      [{ even: true, capMTs: NO_CAP, channels: 2 }],
      [{ even: false, capMTs: NO_CAP, channels: 1.5 }],
      [{ even: false, capMTs: NO_CAP, channels: 1 }],
    ]);
  });

  it('count an uneven set as one channel where the board works so', () => {
    expect(levelsOf({ unevenChannels: 'single' }, [1, 1, 0], [0, 2, 0])).toEqual([
      [{ even: false, capMTs: NO_CAP, channels: 1 }],
      [{ even: true, capMTs: NO_CAP, channels: 2 }],
    ]);
  });

  it('are none where a set cannot be placed at all', () => {
    expect(levelsOf({}, [3, 2, 0])).toEqual([[]]);
  });

  it('are one for each cap of the load that the set can stand under, the highest first', () => {
    const rateByLoad = [{ modulesPerChannel: 2, maxRateMTs: 2133 }];
    expect(levelsOf({ rateByLoad }, [0, 2, 0], [0, 4, 0], [2, 1, 0])).toEqual([
      [
        { even: true, capMTs: NO_CAP, channels: 2 },
        { even: false, capMTs: 2133, channels: 1 },
      ],
      [{ even: true, capMTs: 2133, channels: 2 }],
      // Three modules fill one channel with two in any case.
      [{ even: true, capMTs: 2133, channels: 2 }],
    ]);
  });

  it('are none under a cap below every rate of the board', () => {
    expect(levelsOf({ rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 1600 }] }, [0, 4, 0])).toEqual([[]]);
  });

  it('mind banks where those are to match', () => {
    expect(levelsOf({ pairing: 'advised' }, [2, 2, 0], [2, 1, 0])).toEqual([
      [{ even: true, capMTs: NO_CAP, channels: 2 }],
      // Even channels alone: one bank would hold a 4 beside the 8.
      [{ even: false, capMTs: NO_CAP, channels: 2 }],
    ]);
  });
});

describe('what is demanded of channels', () => {
  const load = { least: 0, most: 2, maxRateMTs: NO_CAP };

  it('is an equal share, where the total has one', () => {
    const { board } = placesOf(makeCase());
    expect(evenDemand(board, 16 * GB, load)?.channel).toEqual({ rule: 'each', mib: 8 * GB });
    expect(evenDemand(board, 16 * GB + 1, load)).toBeNull();
  });

  it('is nothing of a single channel', () => {
    const slots = [1, 2].map((nr) => ({ id: `S${nr}`, channel: 'A', bank: nr }));
    const { board } = placesOf(makeCase({}, { slots }));
    expect(evenDemand(board, 5 * GB, load)?.channel.rule).toBe('at-most');
  });

  it('begins with what is soldered', () => {
    const slots = [
      { id: 'down', channel: 'A', bank: 1, soldered: stick },
      { id: 'S1', channel: 'B', bank: 1 },
    ];
    const { board } = placesOf(makeCase({}, { slots }));
    expect(barePlacement(board, [7, -1], [1])).toEqual({ slots: [7, OPEN], left: [1], homes: [-1, -1] });
  });
});
