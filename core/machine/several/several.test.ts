import type { Reading } from '../../reading/reading';
import { insideOf, machinesRead } from './machines-read';
import { type KnownGroup, MOST_GROUPS, shareOut } from './share-out';

const GB = 1024;
let last = 0;
/** A report of a machine with these modules in slots A, B and so on. */
function report(serial: string | null, sizes: (number | null)[], more: { rate?: number; maker?: string } = {}) {
  const slots = sizes.map((size, nr) => ({
    locator: 'ABCD'[nr] ?? '',
    bank: null,
    installed:
      size === null
        ? null
        : {
            capacityMiB: size * GB,
            rateMTs: more.rate ?? 2400,
            ranks: 1,
            maker: more.maker ?? 'Corrick',
            serial: `m${last}${nr}`,
          },
  }));
  const reading = {
    format: 'smbios',
    machine: { serial, model: 'Ferrow L5', memory: { slots } },
  } as unknown as Reading;
  return { id: ++last, name: 'report', reading };
}
const lead = (machines: number, more: Partial<KnownGroup> = {}): KnownGroup => ({
  jobId: 1,
  machines,
  serials: Array.from({ length: machines }, () => ''),
  read: [],
  inside: null,
  ...more,
});

describe('machines that were read', () => {
  it('are told apart by their serials, and two reports of one are one', () => {
    const read = machinesRead([report('S1', [4, null]), report('S2', [4, null]), report('s-1', [4, null])]);
    expect(read.map(({ serial, readings }) => [serial, readings.length])).toEqual([
      ['S1', 2],
      ['S2', 1],
    ]);
  });

  it('are alike whoever made their modules, and not where size, rate or place differ', () => {
    const [a, maker, rate, place] = machinesRead([
      report('S1', [4, null]),
      report('S2', [4, null], { maker: 'Vellamo' }),
      report('S3', [4, null], { rate: 2666 }),
      report('S4', [null, 4]),
    ]);
    expect(maker?.inside).toBe(a?.inside);
    expect(rate?.inside).not.toBe(a?.inside);
    expect(place?.inside).not.toBe(a?.inside);
  });

  it('are alike in whatever order their slots are listed', () => {
    const slot = (name: string, capacityMiB: number) => ({ slot: name, capacityMiB, rateMTs: 2400, ranks: 1 });
    expect(insideOf([slot('DIMM A', 4), slot('DIMM-B', 8)])).toBe(insideOf([slot('dimm b', 8), slot('DIMM A', 4)]));
  });
});

describe('shared out', () => {
  const twelve = () => [
    ...Array.from({ length: 7 }, (_, nr) => report(`A${nr}`, [4, null])),
    ...Array.from({ length: 5 }, (_, nr) => report(`B${nr}`, [8, null])),
  ];

  it('twelve that were counted and read fall into seven and five', () => {
    const out = shareOut(machinesRead(twelve()), [lead(12)]);
    expect(out?.groups.map(({ machines, serials }) => [machines, serials.filter(Boolean).length])).toEqual([
      [7, 7],
      [5, 5],
    ]);
    expect(out?.shares.filter(({ group }) => group === 1).map(({ machine }) => machine)).toEqual([1, 2, 3, 4, 5]);
  });

  it('nobody counted: as many as were read', () => {
    const out = shareOut(machinesRead(twelve()), [lead(1)]);
    expect(out?.groups.map(({ machines }) => machines)).toEqual([7, 5]);
  });

  it('twelve were counted, three of them read: the one that differs is among the twelve', () => {
    const out = shareOut(machinesRead([report('A1', [4]), report('A2', [4]), report('B1', [8])]), [lead(12)]);
    expect(out?.groups.map(({ machines }) => machines)).toEqual([11, 1]);
  });

  it('one whose serial is known goes to its place, whatever is in it by now', () => {
    const known = lead(3, {
      serials: ['A1', 'A2', ''],
      read: [1, 2],
      inside: machinesRead([report('x', [4])])[0]?.inside ?? '',
    });
    const out = shareOut(machinesRead([report('a-2', [16])]), [known]);
    expect(out?.shares).toMatchObject([{ group: 0, machine: 2 }]);
    expect(out?.groups).toHaveLength(1);
    expect(shareOut(machinesRead([report('A3', [4])]), [known])?.shares).toMatchObject([{ group: 0, machine: 3 }]);
  });

  it('serials that were typed before anything was read say nothing of what is inside', () => {
    const all = twelve();
    const serials = all.map(({ reading }) => reading.machine?.serial ?? '');
    // The five that differ stand first, in the middle and last among the typed ones.
    const typed = [
      ...serials.slice(7, 9),
      ...serials.slice(0, 4),
      ...serials.slice(9, 11),
      ...serials.slice(4, 7),
      ...serials.slice(11),
    ];
    const inside = machinesRead(all)[0]?.inside ?? '';
    const out = shareOut(machinesRead(all), [lead(12, { serials: typed, inside })]);
    expect(out?.groups.map(({ machines }) => machines)).toEqual([7, 5]);
    expect(out?.groups[0]?.serials.toSorted()).toEqual(serials.slice(0, 7).toSorted());
    expect(out?.groups[1]?.serials.toSorted()).toEqual(serials.slice(7).toSorted());
    // Every report is where its machine's serial is, also where it moved up.
    const at = new Map(out?.shares.map(({ readings: [id = 0], ...place }) => [id, place]));
    for (const { id, reading } of all) {
      const { group = -1, machine = 0 } = at.get(id) ?? {};
      expect(out?.groups[group]?.serials[machine - 1]).toBe(reading.machine?.serial);
    }
  });

  it('more kinds or machines than a job holds are not shared out', () => {
    const kinds = Array.from({ length: MOST_GROUPS + 1 }, (_, nr) => report(`K${nr}`, [nr + 1]));
    expect(shareOut(machinesRead(kinds), [lead(1)])).toBeNull();
    expect(shareOut(machinesRead(kinds.slice(1)), [lead(1)])?.groups).toHaveLength(MOST_GROUPS);
    const many = Array.from({ length: 65 }, (_, nr) => report(`M${nr}`, [4]));
    expect(shareOut(machinesRead(many), [lead(1)])).toBeNull();
  });
});
