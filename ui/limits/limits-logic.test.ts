import { LIMIT_SCHEMAS, SOURCE_KINDS } from '@/core/machine/limits/limit';
import { staffWords } from '@/words/staff-words';
import { LIMIT_ROWS, limitText, SOURCE_WORDS } from './limit-words';
import { parseLimit } from './parse-limit';

const t = staffWords('en', 'limits');

describe('a limit as it is typed', () => {
  test.each([
    ['capacity', '32 GB', 32768],
    ['rates', '2666 2133, 2400', [2133, 2400, 2666]],
    ['rates', 'any', []],
    ['rates', '2400 2400', [2400]],
    ['millivolts', '1.35 1.5 V', [1350, 1500]],
    ['millivolts', '1,2', [1200]],
    ['rate', '2400 MT/s', 2400],
    ['number', '35 mm', 35],
    ['yes', 'yes', true],
    ['words', 'DIMM', 'DIMM'],
    ['names', 'A2, B2 A1', ['A2', 'B2', 'A1']],
    ['capacities', '8 GB, 16', [8192, 16384]],
    ['widths', 'x8 16', [8, 16]],
    ['load', '2: 1066', [{ modulesPerChannel: 2, maxRateMTs: 1066 }]],
  ] as const)('%s "%s"', (sort, typed, value) => {
    expect(parseLimit(t, sort, typed)).toEqual({ ok: true, value });
  });

  test.each([
    ['capacity', '0'],
    ['capacity', 'lots'],
    ['rates', 'fast'],
    ['millivolts', '12'],
    ['millivolts', ''],
    ['rate', '-1'],
    ['names', ' '],
    ['capacities', '8 GB, lots'],
    ['number', ''],
    ['widths', 'x7'],
    ['load', 'fast when full'],
    ['load', '2: 1066; x'],
  ] as const)('%s "%s" is told what is wrong', (sort, typed) => {
    expect(parseLimit(t, sort, typed)).toMatchObject({ ok: false, sentence: expect.stringMatching(/^Enter .*\.$/) });
  });

  it('is a list where the limit is one', () => {
    expect(parseLimit(t, 'words', 'DDR5', true)).toEqual({ ok: true, value: ['DDR5'] });
  });

  it('reads back what the grid shows, for every row that is typed', () => {
    const samples: Record<string, unknown> = {
      generations: ['DDR4'],
      form: 'DIMM',
      voltagesMv: [1350, 1500],
      totalMiB: 65536,
      ratesMTs: [2133, 2400],
      cpuMaxRateMTs: 2400,
      pairing: 'advised',
      clearanceMm: 35,
      profiles: true,
      fillOrder: ['A2', 'B2'],
      deviceWidths: [8, 16],
      maxDeviceGbit: 8,
      fillRule: 'required',
      rateByLoad: [
        { modulesPerChannel: 2, maxRateMTs: 1066 },
        { modulesPerChannel: 2, ranks: 4, maxRateMTs: 800 },
      ],
    };
    for (const row of LIMIT_ROWS) {
      const value = samples[row.name];
      if (value === undefined) continue;
      const parsed = parseLimit(t, row.sort, limitText(t, row.sort, value), row.list === true);
      expect([row.name, parsed]).toEqual([row.name, { ok: true, value }]);
      expect(LIMIT_SCHEMAS[row.name].safeParse(value).success).toBe(true);
    }
  });
});

describe('words', () => {
  it('are there for every source', () => {
    for (const kind of SOURCE_KINDS) expect(SOURCE_WORDS[kind]).toMatch(/\w/);
  });

  it('name kinds and an open list of rates', () => {
    const kinds = [
      { buffering: 'unbuffered', ecc: false },
      { buffering: 'registered', ecc: true },
    ];
    expect(limitText(t, 'kinds', kinds)).toBe('unbuffered · registered ECC');
    expect(limitText(t, 'rates', [])).toBe('any');
    expect(limitText(t, 'yes', false)).toBe('no');
    expect(limitText(t, 'capacities', [8192, 16384])).toBe('8 GB · 16 GB');
    const load = [
      { modulesPerChannel: 2, maxRateMTs: 1066 },
      { modulesPerChannel: 1, ranks: 4, maxRateMTs: 800 },
    ];
    expect(limitText(t, 'load', load)).toBe('2 per channel: 1066 MT/s; 1 per channel with 4 ranks: 800 MT/s');
  });
});
