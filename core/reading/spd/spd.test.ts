import { ddr3Spd, ddr4Spd, ddr5Spd, settleSpd } from '../../../demo/spd-image';
import { cls, DDR3, DDR4, DDR5 } from '../../../testing/spds';
import { crc16 } from './crc16';
import { isSpd, readSpd } from './spd';
import { cyclePs, standardRate } from './spd-timings';

describe('an SPD of DDR4', () => {
  it('is read whole', () => {
    const reading = readSpd(ddr4Spd(DDR4));
    expect(reading.warnings).toEqual([]);
    expect(reading.module).toEqual({
      capacityMiB: 8192,
      generation: 'DDR4',
      form: 'SO-DIMM',
      buffering: 'unbuffered',
      ecc: false,
      rateMTs: 2666,
      configuredRateMTs: null,
      ranks: 1,
      deviceWidth: 8,
      casLatency: 19,
      voltagesMv: [1200],
      heightMm: 30,
      maker: null,
      makerId: '3-A7',
      part: 'VE4S8-2666',
      serial: '1A2B3C4D',
      soldered: false,
      profiles: [],
    });
    expect(reading.spd).toMatchObject({
      bytes: 512,
      revision: '1.1',
      logicalRanks: 1,
      stackHeight: 1,
      asymmetric: false,
      deviceGbit: 8,
      casLatencies: DDR4.latencies,
      made: '2021-W07',
    });
    expect(reading.spd?.checks.map(({ kind, from, to, ok }) => [kind, from, to, ok])).toEqual([
      ['CRC', 0, 125, true],
      ['CRC', 128, 253, true],
    ]);
  });

  it('tells the CL at its own and at every slower standard rate', () => {
    expect(cls(readSpd(ddr4Spd(DDR4)).spd?.timings)).toEqual([
      [2666, 19],
      [2400, 17],
      [2133, 15],
      [1866, 13],
      [1600, 11],
    ]);
    const [own] = readSpd(ddr4Spd(DDR4)).spd?.timings ?? [];
    expect(own).toEqual({
      rateMTs: 2666,
      casLatency: 19,
      rcd: 19,
      rp: 19,
      ras: 43,
      ns: { cas: 14.25, rcd: 14.25, rp: 14.25, ras: 32.25 },
    });
  });

  test.each([
    [625, 13750, [22, 24], 3200, 22],
    [682, 13750, [20, 21, 22], 2933, 21],
    [833, 13750, [15, 16, 17], 2400, 17],
    [833, 13320, [15, 16, 17], 2400, 16],
    [938, 14063, [14, 15, 16], 2133, 15],
    [937, 14060, [14, 15, 16], 2133, 15],
    [1071, 13922, [12, 13], 1866, 13],
    [1250, 13750, [11, 12], 1600, 11],
    [1249, 13750, [11, 12], 1600, 11],
  ])('with a cycle of %i ps and %i ps to the first data is %s', (cycle, aa, latencies, rate, cl) => {
    const { module } = readSpd(ddr4Spd({ ...DDR4, cyclePs: cycle, aaPs: aa, latencies }));
    expect(module?.rateMTs).toBe(rate);
    expect(module?.casLatency).toBe(cl);
  });

  it('reads CLs of the high range', () => {
    const { spd } = readSpd(ddr4Spd({ ...DDR4, latencies: [23, 24, 26, 52] }));
    expect(spd?.casLatencies).toEqual([23, 24, 26, 52]);
  });

  test.each([
    ['2Rx4 registered with ECC', { type: 1, ranks: 2, width: 4, ecc: true }, 32768, 2, 2],
    ['4Rx4 load-reduced', { type: 4, ranks: 4, width: 4, ecc: true }, 65536, 4, 4],
    ['1Rx16', { ranks: 1, width: 16, gbit: 8 }, 4096, 1, 1],
    ['of 12 Gbit chips', { gbit: 12, ranks: 2 }, 24576, 2, 2],
    ['2S2Rx4 of a stack of two', { type: 1, ranks: 2, width: 4, ecc: true, stack: 2 }, 65536, 2, 4],
    ['4S2Rx4 of a stack of four', { type: 1, ranks: 2, width: 4, ecc: true, stack: 4 }, 131072, 2, 8],
    ['asymmetric, 8 and 4 Gbit', { ranks: 2, oddSmaller: 1 }, 12288, 2, 2],
    ['asymmetric, 16 and 4 Gbit', { ranks: 2, gbit: 16, oddSmaller: 2 }, 20480, 2, 2],
  ])('%s has its capacity and ranks', (_name, change, mib, ranks, logical) => {
    const { module, spd } = readSpd(ddr4Spd({ ...DDR4, ...change }));
    expect(module).toMatchObject({ capacityMiB: mib, ranks });
    expect(spd?.logicalRanks).toBe(logical);
  });

  test.each([
    [1, 'DIMM', 'registered'],
    [2, 'DIMM', 'unbuffered'],
    [3, 'SO-DIMM', 'unbuffered'],
    [4, 'DIMM', 'load-reduced'],
    [8, 'SO-DIMM', 'registered'],
    [9, 'SO-DIMM', 'unbuffered'],
    [7, null, null],
  ])('of type %i is a %s, %s', (type, form, buffering) => {
    expect(readSpd(ddr4Spd({ ...DDR4, type })).module).toMatchObject({ form, buffering });
  });

  it('names the block whose CRC does not hold, and reads on', () => {
    const bytes = ddr4Spd(DDR4);
    bytes[130] = 0x55;
    const reading = readSpd(bytes);
    expect(reading.warnings).toEqual(['CRC: bytes 128 to 253 do not agree with their check']);
    expect(reading.module?.part).toBe('VE4S8-2666');
    bytes[4] = 0x86;
    expect(readSpd(bytes).warnings[0]).toBe('CRC: bytes 0 to 125 do not agree with their check');
  });

  it('that is cut says so and tells what it holds', () => {
    const reading = readSpd(ddr4Spd(DDR4).slice(0, 128));
    expect(reading.warnings).toEqual(['truncated: 128 of 512 bytes are here']);
    expect(reading.module).toMatchObject({ capacityMiB: 8192, rateMTs: 2666, part: null, heightMm: null });
    expect(reading.spd?.checks).toHaveLength(1);
  });
});

describe('an SPD of DDR3', () => {
  it('is read whole', () => {
    const reading = readSpd(ddr3Spd(DDR3));
    expect(reading.warnings).toEqual([]);
    expect(reading.module).toMatchObject({
      capacityMiB: 8192,
      generation: 'DDR3',
      form: 'SO-DIMM',
      buffering: 'unbuffered',
      ecc: false,
      rateMTs: 1600,
      ranks: 2,
      deviceWidth: 8,
      casLatency: 11,
      voltagesMv: [1350, 1500],
      heightMm: 30,
      makerId: '3-A7',
      part: 'VE4S8-2666',
      serial: '1A2B3C4D',
    });
    expect(cls(reading.spd?.timings)).toEqual([
      [1600, 11],
      [1333, 9],
      [1066, 7],
      [800, 6],
    ]);
  });

  test.each([
    [1875, 1066],
    [1500, 1333],
    [1250, 1600],
    [1249, 1600],
    [1071, 1866],
    [938, 2133],
    [2500, 800],
    [833, 2400],
  ])('with a cycle of %i ps runs at %i', (cycle, rate) => {
    expect(readSpd(ddr3Spd({ ...DDR3, cyclePs: cycle })).module?.rateMTs).toBe(rate);
  });

  it('checks as many bytes as its first byte says', () => {
    const short = ddr3Spd({ ...DDR3, shortCrc: true });
    expect(readSpd(short).spd?.checks).toMatchObject([{ from: 0, to: 116, ok: true }]);
    short[122] = 0x99;
    expect(readSpd(short).warnings).toEqual([]);
    const long = ddr3Spd(DDR3);
    long[122] = 0x99;
    expect(readSpd(long).warnings).toEqual(['CRC: bytes 0 to 125 do not agree with their check']);
  });

  test.each([
    [0, [1500]],
    [2, [1350, 1500]],
    [3, [1350]],
    [6, [1250, 1350, 1500]],
    [1, null],
  ])('with voltage bits %i runs at %s mV', (voltage, volts) => {
    expect(readSpd(ddr3Spd({ ...DDR3, voltage })).module?.voltagesMv).toEqual(volts);
  });

  it('knows registered and load-reduced modules with ECC, and eight ranks', () => {
    expect(readSpd(ddr3Spd({ ...DDR3, type: 1, ecc: true, width: 4 })).module).toMatchObject({
      form: 'DIMM',
      buffering: 'registered',
      ecc: true,
      capacityMiB: 16384,
    });
    expect(readSpd(ddr3Spd({ ...DDR3, type: 11, ranks: 8, width: 4, ecc: true })).module).toMatchObject({
      buffering: 'load-reduced',
      ranks: 8,
      capacityMiB: 65536,
    });
  });
});

describe('an SPD of DDR5', () => {
  it('is read whole', () => {
    const reading = readSpd(ddr5Spd(DDR5));
    expect(reading.warnings).toEqual([]);
    expect(reading.module).toMatchObject({
      capacityMiB: 16384,
      generation: 'DDR5',
      form: 'DIMM',
      buffering: 'unbuffered',
      ecc: false,
      rateMTs: 5600,
      ranks: 1,
      deviceWidth: 8,
      casLatency: 46,
      voltagesMv: [1100],
      heightMm: 32,
      makerId: '3-A7',
      part: 'VE4S8-2666',
      serial: '1A2B3C4D',
    });
    expect(cls(reading.spd?.timings)).toEqual([
      [5600, 46],
      [5200, 42],
      [4800, 40],
      [4400, 36],
      [4000, 32],
      [3600, 30],
      [3200, 26],
    ]);
  });

  test.each([
    [416, 4800],
    [384, 5200],
    [357, 5600],
    [333, 6000],
    [312, 6400],
    [454, 4400],
  ])('with a cycle of %i ps runs at %i', (cycle, rate) => {
    expect(readSpd(ddr5Spd({ ...DDR5, cyclePs: cycle })).module?.rateMTs).toBe(rate);
  });

  test.each([
    ['1Rx16 of 16 Gbit', { width: 16 }, 8192, false],
    ['2Rx8 of 24 Gbit', { ranks: 2, gbit: 24 }, 49152, false],
    ['2Rx4 registered, 80 bits', { type: 1, ranks: 2, width: 4, check: 8 }, 65536, true],
    ['with 4 check bits', { check: 4 }, 16384, true],
    ['of two dies in a stack', { type: 1, ranks: 2, width: 4, dies: 2, check: 8 }, 131072, true],
    ['asymmetric, 16 and 24 Gbit', { ranks: 2, odd: { gbit: 24, width: 8 } }, 40960, false],
  ] as const)('%s has its capacity', (_name, change, mib, ecc) => {
    expect(readSpd(ddr5Spd({ ...DDR5, ...change })).module).toMatchObject({ capacityMiB: mib, ecc });
  });

  it('on a compression-attached module is no soldered memory', () => {
    expect(readSpd(ddr5Spd({ ...DDR5, type: 8 })).module).toMatchObject({ form: 'CAMM2', soldered: false });
    const low = ddr5Spd({ ...DDR5, type: 8 });
    low[2] = 0x15;
    expect(readSpd(low).module).toMatchObject({ form: 'CAMM2', soldered: false, generation: 'LPDDR5X' });
    low[3] = 0x0b;
    expect(readSpd(low).module).toMatchObject({ form: null, soldered: true, capacityMiB: null });
  });
});

describe('fully buffered and low-power memory', () => {
  it('is told by kind and names, and says what is not read', () => {
    const bytes = ddr3Spd(DDR3);
    bytes.set([4, 1, 12], 9);
    bytes[2] = 9;
    settleSpd(bytes);
    const { module, warnings } = readSpd(bytes);
    expect(module).toMatchObject({ generation: 'DDR2', buffering: 'fully-buffered', ecc: true, part: 'VE4S8-2666' });
    expect(module?.capacityMiB).toBeNull();
    expect(warnings.at(-1)).toMatch(/^a fully buffered module/);
    const low = ddr4Spd(DDR4);
    low[2] = 0x10;
    expect(readSpd(low).module).toMatchObject({
      generation: 'LPDDR4',
      soldered: true,
      capacityMiB: null,
      part: 'VE4S8-2666',
    });
  });
});

describe('what is an SPD', () => {
  it('is told by its head, whole or cut', () => {
    expect([ddr3Spd(DDR3), ddr4Spd(DDR4), ddr5Spd(DDR5)].every(isSpd)).toBe(true);
    expect(isSpd(ddr4Spd(DDR4).slice(0, 100))).toBe(true);
    expect(isSpd(new Uint8Array(256))).toBe(false);
    expect(isSpd(new Uint8Array(256).fill(0xff))).toBe(false);
    expect(isSpd(new Uint8Array(20).fill(0x0c))).toBe(false);
  });

  it('is cut at every length without harm', () => {
    for (const whole of [ddr3Spd(DDR3), ddr4Spd(DDR4), ddr5Spd(DDR5)])
      for (let length = 32; length < whole.length; length += 7)
        expect(readSpd(whole.slice(0, length)).warnings[0]).toMatch(/^truncated/);
  });

  it('that is too long is read, and says so', () => {
    const padded = new Uint8Array(512).fill(0xff);
    padded.set(ddr3Spd(DDR3));
    expect(readSpd(padded).warnings).toEqual([]);
    padded[300] = 0x42;
    expect(readSpd(padded).warnings).toEqual(['overlong: what follows byte 255 is not read']);
  });
});

it('computes the check of the standard’s polynomial', () => {
  // "123456789" is the usual check input; 0x31C3 its value for this polynomial with a cleared register.
  expect(crc16(new TextEncoder().encode('123456789'), 0, 8)).toBe(0x31c3);
});

it('knows the standard cycle of every rate, and the rate of every standard cycle', () => {
  expect([1600, 1866, 2133, 2400, 2666, 2933, 3200].map((rate) => cyclePs('DDR4', rate))).toEqual([
    1250, 1071, 938, 833, 750, 682, 625,
  ]);
  expect([4800, 5200, 5600, 6400].map((rate) => cyclePs('DDR5', rate))).toEqual([416, 384, 357, 312]);
  expect(standardRate('DDR2', 3750)).toBe(533);
  expect(standardRate('SDR', 8000)).toBe(100);
});
