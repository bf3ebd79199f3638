import {
  arrayStructure,
  type DumpDevice,
  deviceStructure,
  dumpFile,
  dumpTable,
  END_STRUCTURE,
  joinBytes,
  structure,
} from '../../../demo/smbios-dump';
import { isSmbiosTable, readSmbiosBinary } from './smbios-binary';

const DEVICE: DumpDevice = {
  locator: 'DIMM_A1',
  bank: 'BANK 0',
  mib: 8192,
  rate: 2667,
  configured: 2400,
  ranks: 1,
  maker: 'Vellamo',
  serial: '1A2B3C4D',
  part: 'VE4D8-2666          ',
  makerId: [0x02, 0xa7],
};
const MACHINE = {
  maker: 'Tarnhelt',
  product: 'Counter 4',
  serial: 'TC4-0042',
  cpu: 'Ostrin Q5 8400',
  maxGb: 32,
  devices: [DEVICE, { locator: 'DIMM_B1', bank: 'BANK 1', mib: 'empty' } as const],
};

/** Reads a table of one device with the given fields changed. */
function device(change: Partial<DumpDevice>) {
  const table = joinBytes(arrayStructure(0x27, 32, 1), deviceStructure(0x28, { ...DEVICE, ...change }), END_STRUCTURE);
  return readSmbiosBinary(table).machine?.memory.slots[0];
}
const installed = (change: Partial<DumpDevice>) => device(change)?.installed;

describe('a dump of SMBIOS tables', () => {
  test.each(['32-bit', '64-bit'] as const)('is read behind a %s entry point', (entry) => {
    const reading = readSmbiosBinary(dumpFile(dumpTable(MACHINE), entry));
    expect(reading).toEqual({
      format: 'smbios',
      machine: {
        maker: 'Tarnhelt',
        model: 'Counter 4',
        serial: 'TC4-0042',
        board: { maker: 'Tarnhelt', model: 'Counter 4-MB' },
        firmware: { version: '1.14', date: '03/11/2019' },
        cpus: [{ name: 'Ostrin Q5 8400', socket: 'CPU0' }],
        os: null,
        memory: {
          slotCount: 2,
          maxCapacityMiB: 32768,
          errorCorrection: 'None',
          slots: [
            {
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
                makerId: '3-A7',
                part: 'VE4D8-2666',
                serial: '1A2B3C4D',
                soldered: false,
                profiles: [],
              },
            },
            { locator: 'DIMM_B1', bank: 'BANK 1', installed: null },
          ],
        },
      },
      warnings: [],
    });
  });

  it('is read without an entry point, and says the same', () => {
    const bare = readSmbiosBinary(dumpTable(MACHINE));
    expect(bare).toEqual(readSmbiosBinary(dumpFile(dumpTable(MACHINE))));
    expect(isSmbiosTable(dumpTable(MACHINE))).toBe(true);
  });

  it('is read where the entry point still names the place in the machine’s memory', () => {
    const dump = dumpFile(dumpTable(MACHINE));
    dump.set([0x00, 0x10, 0x0f, 0x7a], 16);
    const reading = readSmbiosBinary(dump);
    expect(reading.machine?.memory.slots).toHaveLength(2);
    expect(reading.warnings).toEqual(['checksum: the 64-bit entry point’s bytes do not add up']);
  });

  test.each([
    ['64-bit', 0x18],
    ['32-bit', 0x1f],
  ] as const)('is read where entry point (%s) and table were put together without a gap', (entry, length) => {
    const head = dumpFile(dumpTable(MACHINE), entry).slice(0, length);
    // The address stays that of the machine's memory.
    head.set([0x00, 0x10, 0x0f, 0x7a], entry === '64-bit' ? 16 : 24);
    expect(readSmbiosBinary(joinBytes(head, dumpTable(MACHINE))).machine).toEqual(
      readSmbiosBinary(dumpTable(MACHINE)).machine,
    );
  });

  it('takes the board that hosts, not a riser that stands before it', () => {
    const riser = structure(2, 0x0f, 9, [[0x05, 'RISER-7']]);
    expect(readSmbiosBinary(joinBytes(riser, dumpTable(MACHINE))).machine?.board.model).toBe('Counter 4-MB');
  });

  it('leaves out CPU sockets that hold nothing', () => {
    const socket = structure(4, 0x30, 0x15, [
      [0x04, 'CPU1'],
      [0x18, 1, 0],
    ]);
    expect(readSmbiosBinary(joinBytes(socket, dumpTable(MACHINE))).machine?.cpus).toEqual([
      { name: 'Ostrin Q5 8400', socket: 'CPU0' },
    ]);
  });
});

describe('a memory device', () => {
  test.each([
    [8192, 8192],
    [32766, 32766],
    [32768, 32768],
    [131072, 131072],
    ['unknown' as const, null],
  ])('size %s reads %s MiB', (mib, read) => {
    expect(installed({ mib })?.capacityMiB).toBe(read);
  });

  it('reads a size in KiB', () => {
    const bytes = deviceStructure(0x28, DEVICE);
    bytes.set([0x00, 0x88], 0x0c);
    const read = readSmbiosBinary(joinBytes(bytes, END_STRUCTURE));
    expect(read.machine?.memory.slots[0]?.installed?.capacityMiB).toBe(2);
  });

  it('knows an empty socket', () => {
    expect(device({ mib: 'empty' })).toEqual({ locator: 'DIMM_A1', bank: 'BANK 0', installed: null });
  });

  test.each([
    [15, 'SDR', null],
    [18, 'DDR', null],
    [19, 'DDR2', null],
    [20, 'DDR2', 'fully-buffered'],
    [24, 'DDR3', null],
    [34, 'DDR5', null],
    [3, null, null],
  ])('type %i is %s, buffering %s', (type, generation, buffering) => {
    expect(installed({ type, detail: 1 << 7 })).toMatchObject({ generation, buffering });
  });

  test.each([
    [1 << 13, 'registered'],
    [1 << 14, 'unbuffered'],
    [1 << 15, 'load-reduced'],
    [(1 << 13) | (1 << 15), 'load-reduced'],
    [(1 << 13) | (1 << 14), null],
    [1 << 7, null],
  ])('detail %i is %s', (detail, buffering) => {
    expect(installed({ detail })?.buffering).toBe(buffering);
  });

  test.each([
    [9, 26, 'DIMM', false],
    [13, 26, 'SO-DIMM', false],
    [11, 26, null, true],
    [2, 30, null, true],
    [17, 35, 'CAMM2', false],
    [2, 26, null, null],
  ])('form %i of type %i is %s, soldered %s', (form, type, name, soldered) => {
    expect(installed({ form, type })).toMatchObject({ form: name, soldered });
  });

  it('knows ECC by the wider total', () => {
    expect(installed({ totalWidth: 72 })?.ecc).toBe(true);
    expect(installed({ totalWidth: 80, type: 34 })?.ecc).toBe(true);
    expect(installed({ totalWidth: 0xffff })?.ecc).toBeNull();
  });

  it('reads a rate that stands in its extended field', () => {
    expect(installed({ rate: 70000, configured: 66000 })).toMatchObject({ rateMTs: 70000, configuredRateMTs: 66000 });
  });

  test.each([
    [0x15, { capacityMiB: 8192, generation: 'DDR4', rateMTs: null, maker: null, ranks: null }],
    [0x1b, { rateMTs: 2666, maker: 'Vellamo', part: 'VE4D8-2666', ranks: null }],
    [0x1c, { ranks: 1, configuredRateMTs: null }],
    [0x22, { configuredRateMTs: 2400, voltagesMv: null, makerId: null }],
    [0x28, { voltagesMv: [1200], makerId: null }],
    [0x54, { makerId: '3-A7' }],
    [0x64, { makerId: '3-A7', rateMTs: 2666 }],
  ])('of length 0x%s says what its version holds', (length, told) => {
    expect(installed({ length })).toMatchObject(told);
  });

  it('drops blanks and placeholders, and reads letters beyond ASCII', () => {
    expect(installed({ maker: 'To Be Filled By O.E.M.', serial: '00000000', part: '  ' })).toMatchObject({
      maker: null,
      serial: null,
      part: null,
    });
    expect(installed({ maker: 'Völund Årsmått' })?.maker).toBe('Völund Årsmått');
  });

  it('is not counted where it is firmware’s flash or belongs to another array', () => {
    const table = joinBytes(
      arrayStructure(0x27, 32, 1),
      arrayStructure(0x50, 1, 1, 5),
      deviceStructure(0x28, DEVICE),
      deviceStructure(0x51, { ...DEVICE, locator: 'CACHE', array: 0x50 }),
      deviceStructure(0x52, { ...DEVICE, locator: 'FLASH', type: 9 }),
      END_STRUCTURE,
    );
    const { machine, warnings } = readSmbiosBinary(table);
    expect(machine?.memory).toMatchObject({ slotCount: 1, maxCapacityMiB: 32768 });
    expect(machine?.memory.slots.map((slot) => slot.locator)).toEqual(['DIMM_A1']);
    expect(warnings).toEqual([]);
  });
});

it('reads a maximum of 2 TB and more from the extended field', () => {
  const table = (maxGb: number) => joinBytes(arrayStructure(0x27, maxGb, 0), END_STRUCTURE);
  expect(readSmbiosBinary(table(2048)).machine?.memory.maxCapacityMiB).toBe(2097152);
  expect(readSmbiosBinary(table(6144)).machine?.memory.maxCapacityMiB).toBe(6291456);
});

describe('a damaged dump', () => {
  const whole = dumpFile(dumpTable(MACHINE));

  it('is read as far as it goes wherever it is cut', () => {
    // The last two bytes are the empty strings of the end-of-table structure: nothing is lost with them.
    for (let length = 33; length < whole.length - 2; length++) {
      const { warnings } = readSmbiosBinary(whole.slice(0, length));
      expect(warnings.some((warning) => warning.startsWith('truncated'))).toBe(true);
    }
    const cut = readSmbiosBinary(whole.slice(0, whole.length - 60));
    expect(cut.machine?.memory.slots[0]?.installed?.capacityMiB).toBe(8192);
  });

  it('says where a structure’s length makes no sense', () => {
    const table = dumpTable(MACHINE);
    const broken = joinBytes(table.slice(0, table.length - 6), Uint8Array.of(17, 2, 0, 0, 0, 0));
    expect(readSmbiosBinary(broken).warnings).toContainEqual(
      expect.stringMatching(/^truncated: structure at byte \d+ gives its length as 2/),
    );
  });

  it('says that a table is shorter than its entry point claims', () => {
    const dump = dumpFile(dumpTable(MACHINE), '32-bit');
    expect(readSmbiosBinary(dump.slice(0, dump.length - 40)).warnings).toContainEqual(
      expect.stringMatching(/^truncated: the table should have \d+ bytes/),
    );
  });

  it('names the sockets that are missing', () => {
    const table = joinBytes(arrayStructure(0x27, 32, 4), deviceStructure(0x28, DEVICE), END_STRUCTURE);
    expect(readSmbiosBinary(table).warnings).toEqual(['truncated: the board names 4 slots, the dump describes 1']);
  });

  it('with 100,000 structures is read up to a bound', () => {
    const one = deviceStructure(0x28, { ...DEVICE, length: 0x15 });
    const many = new Uint8Array(one.length * 100_000);
    for (let index = 0; index < 100_000; index++) many.set(one, index * one.length);
    const { machine, warnings } = readSmbiosBinary(many);
    expect(machine?.memory.slots).toHaveLength(4096);
    expect(warnings[0]).toMatch(/^truncated: more than 4096 structures/);
  });

  it('whose strings never end is read to its last byte', () => {
    const endless = joinBytes(deviceStructure(0x28, DEVICE).slice(0, 0x5c), new Uint8Array(5000).fill(0x41));
    expect(readSmbiosBinary(endless).warnings[0]).toMatch(/^truncated: the table ends inside the structure at byte 0/);
  });
});
