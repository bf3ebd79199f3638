import { oldSpd } from '../../../demo/spd-image';
import { cls, NAMES } from '../../../testing/spds';
import { readSpd } from './spd';

describe('SPDs of old', () => {
  it('of SDR are read, with the CL at each rate', () => {
    const bytes = oldSpd({
      ...NAMES,
      makerId: [2, 0xa7],
      generation: 'SDR',
      rows: 13,
      columns: 9,
      banks: 4,
      ranks: 2,
      rankBits: 0x20,
      latencyBits: 0x06,
      cycles: [0x75, 0xa0, 0],
      times: [20, 20, 45],
    });
    const { module, spd, warnings } = readSpd(bytes);
    expect(warnings).toEqual([]);
    expect(module).toMatchObject({
      capacityMiB: 256,
      generation: 'SDR',
      buffering: 'unbuffered',
      ecc: false,
      rateMTs: 133,
      casLatency: 3,
      voltagesMv: [3300],
      form: null,
      makerId: '3-A7',
    });
    expect(cls(spd?.timings)).toEqual([
      [133, 3],
      [100, 2],
      [66, 2],
    ]);
  });

  it('of DDR are read, halves of a cycle included', () => {
    const bytes = oldSpd({
      ...NAMES,
      makerId: [2, 0xa7],
      generation: 'DDR',
      rows: 13,
      columns: 10,
      banks: 4,
      ranks: 2,
      rankBits: 0x40,
      latencyBits: 0x1c,
      cycles: [0x50, 0x60, 0x75],
    });
    const { module, spd, warnings } = readSpd(bytes);
    expect(warnings).toEqual([]);
    expect(module).toMatchObject({
      capacityMiB: 512,
      rateMTs: 400,
      casLatency: 3,
      voltagesMv: [2500],
      makerId: '3-A7',
    });
    expect(spd?.casLatencies).toEqual([2, 2.5, 3]);
    expect(cls(spd?.timings)).toEqual([
      [400, 3],
      [333, 2.5],
      [266, 2],
      [200, 2],
    ]);
    expect(spd?.timings[0]).toMatchObject({ rcd: 3, rp: 3, ras: 9, ns: { cas: 15, rcd: 15 } });
  });

  it('of DDR2 are read, with their kind and height', () => {
    const bytes = oldSpd({
      ...NAMES,
      makerId: [2, 0xa7],
      generation: 'DDR2',
      rows: 14,
      columns: 10,
      banks: 8,
      ranks: 2,
      rankBits: 0x01,
      latencyBits: 0x78,
      cycles: [0x25, 0x30, 0x3d],
      kind: 1,
      ecc: true,
      heightCode: 3,
    });
    const { module, spd, warnings } = readSpd(bytes);
    expect(warnings).toEqual([]);
    expect(module).toMatchObject({
      capacityMiB: 2048,
      generation: 'DDR2',
      form: 'DIMM',
      buffering: 'registered',
      ecc: true,
      rateMTs: 800,
      casLatency: 6,
      voltagesMv: [1800],
      heightMm: 30,
      ranks: 2,
    });
    expect(cls(spd?.timings)).toEqual([
      [800, 6],
      [667, 5],
      [533, 4],
      [400, 4],
    ]);
  });

  it('of a registered DDR module say so by their attributes', () => {
    const base = { ...NAMES, rows: 13, columns: 10, banks: 4, ranks: 1, rankBits: 0x40, latencyBits: 0x0c } as const;
    const bytes = oldSpd({ ...base, generation: 'DDR', cycles: [0x75, 0xa0, 0], kind: 0x26, ecc: true });
    expect(readSpd(bytes).module).toMatchObject({ buffering: 'registered', ecc: true, rateMTs: 266, casLatency: 2.5 });
  });

  it('with two unequal ranks have the sum of both', () => {
    const base = { ...NAMES, rows: 13, columns: 9, banks: 4, ranks: 2, latencyBits: 0x06 } as const;
    const bytes = oldSpd({ ...base, generation: 'SDR', rankBits: 0x30, cycles: [0x75, 0xa0, 0] });
    expect(readSpd(bytes)).toMatchObject({ module: { capacityMiB: 192 }, spd: { asymmetric: true } });
  });

  it('say where sums and sizes do not hold', () => {
    const base = { ...NAMES, rows: 13, columns: 9, banks: 4, ranks: 1, latencyBits: 0x06 } as const;
    const bytes = oldSpd({ ...base, generation: 'SDR', rankBits: 0x40, cycles: [0x75, 0xa0, 0] });
    expect(readSpd(bytes).warnings).toEqual([
      'byte 31 says ranks of 256 MiB, rows, columns and banks (bytes 3, 4, 17) say 128 MiB',
    ]);
    bytes[10] = 0x54;
    expect(readSpd(bytes).warnings[0]).toBe('checksum: bytes 0 to 62 do not agree with their check');
  });
});
