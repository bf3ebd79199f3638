import fc from 'fast-check';
import { reportText } from '../../../demo/report';
import { read } from '../read';
import { looksLikeSmbiosText, readSmbiosText } from './smbios-text';

/** One memory device block with the given lines instead of the usual ones. */
function deviceText(lines: Record<string, string>): string {
  const usual = {
    'Total Width': '64 bits',
    'Data Width': '64 bits',
    Size: '8192 MB',
    'Form Factor': 'DIMM',
    Locator: 'DIMM_A1',
    'Bank Locator': 'BANK 0',
    Type: 'DDR4',
    'Type Detail': 'Synchronous Unbuffered (Unregistered)',
    Speed: '2667 MT/s',
    Manufacturer: 'Vellamo',
    'Part Number': 'VE4D8-2666          ',
    'Serial Number': '1A2B3C4D',
    Rank: '1',
    'Configured Memory Speed': '2400 MT/s',
    'Configured Voltage': '1.2 V',
  };
  const all = { ...usual, ...lines };
  const rows = Object.entries(all).map(([name, value]) => `\t${name}: ${value}`);
  return ['Handle 0x0028, DMI type 17, 84 bytes', 'Memory Device', ...rows, ''].join('\n');
}

const device = (lines: Record<string, string>) => readSmbiosText(deviceText(lines)).machine.memory.slots[0];
const installed = (lines: Record<string, string>) => device(lines)?.installed;

describe('a memory device', () => {
  it('is read whole', () => {
    expect(device({})).toEqual({
      locator: 'DIMM_A1',
      bank: 'BANK 0',
      installed: {
        capacityMiB: 8192,
        generation: 'DDR4',
        form: 'DIMM',
        buffering: 'unbuffered',
        ecc: false,
        rateMTs: 2666,
        configuredRateMTs: 2400,
        ranks: 1,
        deviceWidth: null,
        casLatency: null,
        voltagesMv: [1200],
        heightMm: null,
        maker: 'Vellamo',
        makerId: null,
        part: 'VE4D8-2666',
        serial: '1A2B3C4D',
        profiles: [],
        soldered: false,
      },
    });
  });

  test.each([
    ['8192 MB', 8192],
    ['8 GB', 8192],
    ['1 TB', 1048576],
    ['2048 kB', 2],
    ['Unknown', null],
    ['8 GiB', 8192],
    ['eight', null],
  ])('size "%s" is %s MiB', (size, mib) => {
    expect(installed({ Size: size })?.capacityMiB).toBe(mib);
  });

  test.each(['No Module Installed', 'Not Installed', 'None', '0', '0 MB'])('size "%s" is an empty socket', (size) => {
    expect(device({ Size: size })?.installed).toBeNull();
  });

  test.each([
    ['DDR3', 'DDR3'],
    ['DDR5', 'DDR5'],
    ['LPDDR3', 'LPDDR3'],
    ['LPDDR4', 'LPDDR4'],
    ['LPDDR4X', 'LPDDR4X'],
    ['LPDDR5', 'LPDDR5'],
    ['DDR3L', 'DDR3'],
    ['DDR2 FB-DIMM', 'DDR2'],
    ['SDRAM', 'SDR'],
    ['DDR', 'DDR'],
    ['Other', null],
    ['Unknown', null],
  ])('type "%s" is %s', (type, generation) => {
    expect(installed({ Type: type })?.generation).toBe(generation);
  });

  test.each([
    ['DIMM', 'DIMM', false],
    ['SODIMM', 'SO-DIMM', false],
    ['Row Of Chips', null, true],
    ['Chip', null, true],
    ['Unknown', null, false],
  ])('form "%s" is %s, soldered %s', (text, form, soldered) => {
    expect(installed({ 'Form Factor': text })).toMatchObject({ form, soldered });
  });

  it('takes low-power memory for soldered unless the form says a module', () => {
    expect(installed({ Type: 'LPDDR4', 'Form Factor': 'Other' })?.soldered).toBe(true);
    expect(installed({ Type: 'LPDDR5', 'Form Factor': 'CAMM' })).toMatchObject({ soldered: false, form: 'CAMM2' });
  });

  test.each([
    ['Synchronous Registered (Buffered)', 'registered'],
    ['Synchronous Unbuffered (Unregistered)', 'unbuffered'],
    ['Synchronous LRDIMM', 'load-reduced'],
    ['Synchronous', null],
  ])('detail "%s" is %s', (detail, buffering) => {
    expect(installed({ 'Type Detail': detail })?.buffering).toBe(buffering);
  });

  it('knows ECC by the wider total, and says nothing where a width is missing', () => {
    expect(installed({ 'Total Width': '72 bits' })?.ecc).toBe(true);
    expect(installed({ Type: 'DDR5', 'Total Width': '80 bits' })?.ecc).toBe(true);
    expect(installed({ 'Total Width': 'Unknown' })?.ecc).toBeNull();
  });

  it('reads MHz of older texts as MT/s, and the older name of the configured rate', () => {
    const older = deviceText({ Speed: '1333 MHz' }).replace(
      'Configured Memory Speed: 2400 MT/s',
      'Configured Clock Speed: 1067 MHz',
    );
    expect(readSmbiosText(older).machine.memory.slots[0]?.installed).toMatchObject({
      rateMTs: 1333,
      configuredRateMTs: 1066,
    });
  });

  it('leaves placeholders out', () => {
    const module = installed({
      Manufacturer: 'Manufacturer00',
      'Part Number': 'To Be Filled By O.E.M.',
      'Serial Number': '00000000',
    });
    expect(module).toMatchObject({ maker: null, part: null, serial: null });
  });

  it('gathers the voltages it prints, and zero volts is none', () => {
    expect(
      installed({ 'Minimum Voltage': '1.35 V', 'Maximum Voltage': '1.5 V', 'Configured Voltage': '1.35 V' })
        ?.voltagesMv,
    ).toEqual([1350, 1500]);
    expect(installed({ 'Configured Voltage': 'Unknown' })?.voltagesMv).toBeNull();
    expect(installed({ 'Configured Voltage': '0 V' })?.voltagesMv).toBeNull();
  });

  it('warns of a missing rate and size by line and slot', () => {
    const { warnings } = readSmbiosText(deviceText({ Speed: 'Unknown', Size: 'Unknown' }));
    expect(warnings).toEqual(['line 2, DIMM_A1: size not told ("Unknown")', 'line 2, DIMM_A1: rate not told']);
  });
});

const WHOLE = reportText({
  maker: 'Tarnholt',
  product: 'TC4-1900',
  serial: 'TC4-1',
  cpu: 'Merle 4300',
  maxGb: 64,
  devices: [
    { locator: 'A1', mb: null },
    { locator: 'A2', mb: 8192, rate: 2400 },
  ],
});

describe('a whole text', () => {
  it('says machine, board, firmware, CPU and the array', () => {
    const { machine, warnings } = readSmbiosText(WHOLE);
    expect(warnings).toEqual([]);
    expect(machine).toMatchObject({
      maker: 'Tarnholt',
      model: 'TC4-1900',
      serial: 'TC4-1',
      board: { maker: 'Tarnholt', model: 'TC4-1900-MB' },
      firmware: { version: '1.14', date: '03/11/2019' },
      cpus: [{ name: 'Merle 4300', socket: 'CPU0' }],
      memory: { slotCount: 2, maxCapacityMiB: 65536, errorCorrection: 'None' },
    });
    expect(machine.memory.slots.map((slot) => slot.locator)).toEqual(['A1', 'A2']);
  });

  it('survives lost indentation, other line ends, quoting marks and a byte order mark', () => {
    const want = readSmbiosText(WHOLE);
    expect(readSmbiosText(WHOLE.replace(/\t/g, ''))).toEqual(want);
    expect(readSmbiosText(WHOLE.replace(/\n/g, '\r\n'))).toEqual(want);
    expect(readSmbiosText(WHOLE.replace(/^/gm, '> '))).toEqual(want);
    expect(readSmbiosText(`\uFEFF${WHOLE}`)).toEqual(want);
    expect(readSmbiosText(WHOLE.replace(/^Handle.*\n/gm, ''))).toEqual(want);
  });

  it('counts only arrays used as system memory, and adds them up', () => {
    const array = (use: string, gb: number) =>
      `Handle 0x0001, DMI type 16, 23 bytes\nPhysical Memory Array\n\tUse: ${use}\n\tMaximum Capacity: ${gb} GB\n\tNumber Of Devices: 1\n\n`;
    const text =
      array('System Memory', 16) +
      array('Flash Memory', 1) +
      array('System Memory', 16) +
      deviceText({}) +
      deviceText({ Locator: 'B1' });
    expect(readSmbiosText(text).machine.memory).toMatchObject({ slotCount: 2, maxCapacityMiB: 32768 });
  });

  it('leaves the firmware’s flash out of the slots', () => {
    expect(readSmbiosText(deviceText({ Type: 'Flash' }) + deviceText({})).machine.memory.slots).toHaveLength(1);
  });

  it('says where a text is cut short', () => {
    const half = WHOLE.slice(0, WHOLE.indexOf('Locator: A2'));
    const { warnings, machine } = readSmbiosText(half);
    expect(machine.memory.slots).toHaveLength(2);
    expect(warnings.some((warning) => warning.includes('a slot without a name'))).toBe(true);
    const quarter = WHOLE.slice(0, WHOLE.lastIndexOf('Memory Device'));
    expect(readSmbiosText(quarter).warnings).toEqual(['truncated: the board names 2 slots, the text describes 1']);
  });

  it('is known by what is in it, not by its beginning', () => {
    expect(looksLikeSmbiosText(WHOLE)).toBe(true);
    expect(looksLikeSmbiosText(`some words first\n\n${WHOLE}`)).toBe(true);
    expect(looksLikeSmbiosText('Memory Device is what I need')).toBe(false);
    expect(looksLikeSmbiosText('')).toBe(false);
  });
});

describe('the door for inputs', () => {
  it('tells an unknown format and an input that is too large', () => {
    expect(read('hello')).toEqual({ ok: false, code: 'unknown-format' });
    expect(read('x'.repeat(8 * 1024 * 1024 + 1))).toEqual({ ok: false, code: 'too-large' });
    expect(read(WHOLE)).toMatchObject({ ok: true, reading: { format: 'smbios-text' } });
  });

  it('throws at nothing: texts that are cut, doubled, shuffled and sprinkled', () => {
    const lines = WHOLE.split('\n');
    const mutated = fc
      .tuple(
        fc.array(fc.integer({ min: 0, max: lines.length - 1 }), { maxLength: 120 }),
        fc.array(fc.tuple(fc.nat(4000), fc.string({ unit: 'binary', maxLength: 6 })), { maxLength: 8 }),
      )
      .map(([order, sprinkles]) => {
        let text = order.map((index) => lines[index]).join('\n');
        for (const [at, bit] of sprinkles) text = text.slice(0, at) + bit + text.slice(at);
        return text;
      });
    fc.assert(
      fc.property(mutated, (text) => {
        const result = readSmbiosText(text);
        for (const { installed: module } of result.machine.memory.slots) {
          if (module?.capacityMiB != null) expect(module.capacityMiB).toBeGreaterThan(0);
        }
        expect(JSON.parse(JSON.stringify(result))).toEqual(result);
      }),
      { numRuns: 2000 },
    );
  });

  it('is not held up by megabytes of nothing', () => {
    for (const filler of ['\n', ' \n', '>', '\t', 'Memory Device', 'Size', '::', 'Handle 0x0\n', 'DIMM_']) {
      const text = filler.repeat(2_000_000 / filler.length);
      const from = Date.now();
      expect(read(text).ok).toBe(false);
      expect(readSmbiosText(text).machine.memory.slots).toEqual([]);
      // A square of the length would be hours, not seconds.
      expect(Date.now() - from).toBeLessThan(10_000);
    }
  });

  it('takes time in proportion to the input', () => {
    const small = deviceText({}).repeat(2_000);
    const time = (text: string) => {
      const from = process.hrtime.bigint();
      expect(readSmbiosText(text).machine.memory.slots.length).toBeGreaterThan(0);
      return Number(process.hrtime.bigint() - from);
    };
    time(small);
    // Eight times the input; were it quadratic, it would take 64 times as long.
    expect(time(small.repeat(8)) / Math.max(time(small), 1)).toBeLessThan(32);
  });
});
