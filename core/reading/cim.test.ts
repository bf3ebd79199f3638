import { read } from './read';
import type { Reading } from './reading';

const MODULE = {
  Capacity: 8589934592,
  Speed: 2667,
  ConfiguredClockSpeed: 2400,
  SMBIOSMemoryType: 26,
  MemoryType: 0,
  FormFactor: 12,
  DeviceLocator: 'ChannelA-DIMM0',
  BankLabel: 'BANK 0',
  Manufacturer: 'Vellamo',
  PartNumber: 'VE4S8-2666          ',
  SerialNumber: '1A2B3C4D',
  TotalWidth: 64,
  DataWidth: 64,
  ConfiguredVoltage: 1200,
  Attributes: 1,
  TypeDetail: 16512,
};

function reading(text: string | Uint8Array): Reading {
  const result = read(text);
  if (!result.ok) throw new Error(result.code);
  return result.reading;
}
const json = (value: unknown): Reading => reading(JSON.stringify(value));
const installed = (change: Record<string, unknown>) =>
  json([{ ...MODULE, ...change }]).machine?.memory.slots[0]?.installed;

describe('CIM as JSON', () => {
  it('reads an instance of memory whole', () => {
    expect(json([MODULE])).toEqual({
      format: 'cim-json',
      machine: {
        maker: null,
        model: null,
        serial: null,
        board: { maker: null, model: null },
        firmware: { version: null, date: null },
        cpus: [],
        os: null,
        memory: {
          slotCount: null,
          maxCapacityMiB: null,
          errorCorrection: null,
          slots: [
            {
              locator: 'ChannelA-DIMM0',
              bank: 'BANK 0',
              installed: {
                capacityMiB: 8192,
                generation: 'DDR4',
                form: 'SO-DIMM',
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
                part: 'VE4S8-2666',
                serial: '1A2B3C4D',
                soldered: false,
                profiles: [],
              },
            },
          ],
        },
      },
      warnings: [],
    });
  });

  const MACHINE = {
    Win32_ComputerSystem: { Manufacturer: 'Tarnhelt', Model: 'Counter 4', TotalPhysicalMemory: 17179869184 },
    Win32_BaseBoard: [{ Manufacturer: 'Tarnhelt', Product: 'TC4-MB' }],
    Win32_BIOS: { SMBIOSBIOSVersion: '1.14', SerialNumber: 'TC4-0042', ReleaseDate: '20190311000000.000000+000' },
    Win32_Processor: { Name: 'Ostrin Q5 8400', SocketDesignation: 'CPU0', NumberOfCores: 6 },
    Win32_OperatingSystem: { Caption: 'Harbour OS 11', OSArchitecture: '64-bit', BuildNumber: '2231' },
    Win32_PhysicalMemoryArray: { MaxCapacity: 33554432, MemoryDevices: 4, Use: 3, MemoryErrorCorrection: 3 },
    Win32_PhysicalMemory: [MODULE, { ...MODULE, DeviceLocator: 'ChannelB-DIMM0' }],
  };
  const WHOLE = {
    maker: 'Tarnhelt',
    model: 'Counter 4',
    serial: 'TC4-0042',
    board: { maker: 'Tarnhelt', model: 'TC4-MB' },
    firmware: { version: '1.14', date: '2019-03-11' },
    cpus: [{ name: 'Ostrin Q5 8400', socket: 'CPU0' }],
    os: { name: 'Harbour OS 11', bits: 64 },
    memory: { slotCount: 4, maxCapacityMiB: 32768, errorCorrection: 'None' },
  };

  it('reads several classes, by name, in one list, or with their class inside', () => {
    expect(json(MACHINE).machine).toMatchObject(WHOLE);
    expect(json(Object.values(MACHINE).flat()).machine).toMatchObject(WHOLE);
    const said = Object.entries(MACHINE).map(([name, value]) => ({
      value,
      CimClass: { CimClassName: `root/cimv2:${name}` },
    }));
    expect(json(said).machine).toMatchObject(WHOLE);
    expect(json(MACHINE).machine?.memory.slots.map(({ locator }) => locator)).toEqual([
      'ChannelA-DIMM0',
      'ChannelB-DIMM0',
    ]);
  });

  it('reads one instance without a list, and dates in milliseconds', () => {
    expect(json(MODULE).machine?.memory.slots).toHaveLength(1);
    const dated = {
      ...MACHINE,
      Win32_BIOS: { SMBIOSBIOSVersion: '2', ReleaseDate: { value: '/Date(1552262400000)/' } },
    };
    expect(json(dated).machine?.firmware.date).toBe('2019-03-11');
  });

  test.each([
    [
      'LPDDR4 on the board',
      { SMBIOSMemoryType: 30, FormFactor: 0 },
      { generation: 'LPDDR4', form: null, soldered: true },
    ],
    ['chips', { FormFactor: 21 }, { form: null, soldered: true }],
    [
      'a registered DIMM with ECC',
      { FormFactor: 8, TypeDetail: 8320, TotalWidth: 72 },
      { form: 'DIMM', buffering: 'registered', ecc: true },
    ],
    ['an older type code', { SMBIOSMemoryType: 0, MemoryType: 24 }, { generation: 'DDR3' }],
    ['numbers as text', { Capacity: '8589934592', Speed: '2667' }, { capacityMiB: 8192, rateMTs: 2666 }],
    ['a speed in ns', { Speed: 15 }, { rateMTs: null }],
    [
      'nothing but zeros',
      { Speed: 0, TotalWidth: 0, ConfiguredVoltage: 0, Attributes: 0 },
      { rateMTs: null, ecc: null, voltagesMv: null, ranks: null },
    ],
  ])('reads %s', (_name, change, told) => {
    expect(installed(change)).toMatchObject(told);
  });

  it('counts only arrays of system memory, and the wider capacity where the other ran over', () => {
    const arrays = [
      { MemoryDevices: 2, MaxCapacity: 0, MaxCapacityEx: 4294967296, Use: 3 },
      { MemoryDevices: 1, MaxCapacity: 16384, Use: 5 },
    ];
    expect(json([MODULE, ...arrays]).machine?.memory).toMatchObject({ slotCount: 2, maxCapacityMiB: 4194304 });
  });

  it('that is cut off is read to its last whole value', () => {
    const whole = JSON.stringify([MODULE, { ...MODULE, DeviceLocator: 'ChannelB-DIMM0' }]);
    const cut = reading(whole.slice(0, whole.length - 30));
    expect(cut.warnings[0]).toMatch(/^truncated/);
    expect(cut.machine?.memory.slots.map(({ locator }) => locator)).toEqual(['ChannelA-DIMM0', 'ChannelB-DIMM0']);
  });
});

const names = Object.keys(MODULE);
const row = (change: Record<string, unknown> = {}) =>
  Object.values({ ...MODULE, ...change }).map((value) => `"${value}"`);
const csv = (mark: string, end: string) =>
  [names, row(), row({ DeviceLocator: 'ChannelB-DIMM0' })].map((cells) => cells.join(mark)).join(end);

describe('CIM as CSV', () => {
  test.each([
    ['commas', ',', '\n'],
    ['semicolons', ';', '\r\n'],
    ['tabs', '\t', '\r'],
  ])('is read with %s', (_name, mark, end) => {
    const read_ = reading(csv(mark, end));
    expect(read_.format).toBe('cim-csv');
    expect(read_.machine?.memory.slots).toEqual(
      json([MODULE, { ...MODULE, DeviceLocator: 'ChannelB-DIMM0' }]).machine?.memory.slots,
    );
  });

  it('is read in UTF-16 as shells write it, with a node column and blank lines before the head', () => {
    const text = `\r\n\r\nNode,BankLabel,Capacity,DeviceLocator,Manufacturer\r\nDESK,BANK 0,4294967296,DIMM1,Årsmått\r\n`;
    const bytes = new Uint8Array(2 + text.length * 2);
    bytes.set([0xff, 0xfe]);
    for (let at = 0; at < text.length; at++)
      bytes.set([text.charCodeAt(at) & 0xff, text.charCodeAt(at) >> 8], 2 + at * 2);
    const slots = reading(bytes).machine?.memory.slots;
    expect(slots).toMatchObject([
      { locator: 'DIMM1', bank: 'BANK 0', installed: { capacityMiB: 4096, maker: 'Årsmått' } },
    ]);
    expect(reading(bytes.slice(2)).machine?.memory.slots).toEqual(slots);
  });

  it('reads several classes under their own heads, with lines that name the type and the separator', () => {
    const text = [
      'sep=;',
      '#TYPE root/cimv2/Win32_PhysicalMemoryArray',
      'MemoryDevices;MaxCapacity;Use',
      '4;33554432;3',
      '',
      '#TYPE root/cimv2/Win32_ComputerSystem',
      'Manufacturer;Model',
      'Tarnhelt;"Counter; 4 ""B"""',
      '',
      names.join(';'),
      row().join(';'),
    ].join('\r\n');
    expect(reading(text).machine).toMatchObject({
      maker: 'Tarnhelt',
      model: 'Counter; 4 "B"',
      memory: { slotCount: 4, slots: [{ installed: { part: 'VE4S8-2666' } }] },
    });
  });

  it('says where a row is short, and keeps what is there', () => {
    const text = [names.join(','), row().slice(0, 8).join(',')].join('\n');
    const { machine, warnings } = reading(text);
    expect(warnings).toContain(`truncated: line 2 has 8 of ${names.length} values`);
    expect(machine?.memory.slots[0]?.installed).toMatchObject({ capacityMiB: 8192, maker: null });
  });

  it('keeps no more instances than any machine has', () => {
    const text = [names.join(','), ...Array.from({ length: 6000 }, () => row().join(','))].join('\n');
    const { machine, warnings } = reading(text);
    expect(machine?.memory.slots).toHaveLength(4096);
    expect(warnings[0]).toMatch(/^truncated: more than 4096 instances/);
  });

  it('with a quote that never closes is read to its end', () => {
    expect(() => read(`${names.join(',')}\n"${'x'.repeat(5000)}`)).not.toThrow();
  });
});
