import { dumpFile, dumpTable } from '../../../demo/smbios-dump';
import { sampleDdr4 } from '../../../demo/spd-image';
import { read } from '../../reading/read';
import { dissent } from '../observations';
import type { JobSlot } from './job-slot';
import { type JobReading, joinReadings } from './join-readings';
import { derivedSlots, keepTyped, observationsOfSlot } from './slots-of-job';

const MACHINE = { maker: 'Tarnholt', product: 'Counter 4', serial: 'TC4-0042', cpu: 'Ostrin Q5', maxGb: 32 };
const MODULE = { mib: 8192, rate: 2400, configured: 2400, maker: 'Vellamo', part: 'VE4S8-2666', form: 13 } as const;
const DUMP = dumpFile(
  dumpTable({
    ...MACHINE,
    devices: [
      { ...MODULE, locator: 'DIMM_A1', serial: '01020304' },
      { locator: 'DIMM_A2', mib: 'empty' },
      { ...MODULE, locator: 'DIMM_B1', serial: '0A0B0C0D' },
      { locator: 'DIMM_B2', mib: 'empty' },
    ],
  }),
);
const spd = (serial: readonly [number, number, number, number], part = 'VE4S8-2666') =>
  sampleDdr4({ part, serial, makerId: [2, 0xa7], heightMm: 30 });
const CIM = JSON.stringify({
  Win32_ComputerSystem: { Manufacturer: 'Tarnholt', Model: 'Counter 4', TotalPhysicalMemory: 1 },
  Win32_OperatingSystem: { Caption: 'Harbour OS', OSArchitecture: '64-bit' },
  Win32_PhysicalMemoryArray: { MemoryDevices: 4, MaxCapacity: 67108864, Use: 3 },
  Win32_PhysicalMemory: [
    { Capacity: 8589934592, DeviceLocator: 'DIMM_A1', Speed: 2133, PartNumber: 'VE4S8-2666', SMBIOSMemoryType: 26 },
    { Capacity: 8589934592, DeviceLocator: 'DIMM_B1', Speed: 2400, PartNumber: 'VE4S8-2666', SMBIOSMemoryType: 26 },
  ],
});

let last = 0;
function reading(name: string, input: Uint8Array | string): JobReading {
  const result = read(input);
  if (!result.ok) throw new Error(`${name}: ${result.code}`);
  last += 1;
  return { id: last, name, reading: result.reading };
}

describe('a dump, two SPDs and a label', () => {
  const readings = [
    reading('dump.bin', DUMP),
    reading('b.bin', spd([0x0a, 0x0b, 0x0c, 0x0d])),
    reading('a.bin', spd([1, 2, 3, 4])),
    reading('label', '8GB 1Rx8 PC4-2666V-SA1-11'),
  ];
  const joined = joinReadings(readings);

  it('are one machine: slots from the dump, modules from the SPDs by their serials', () => {
    expect(
      joined.machine?.memory.slots.map(({ locator, installed }) => [
        locator,
        installed?.rateMTs ?? null,
        installed?.casLatency ?? null,
      ]),
    ).toEqual([
      ['DIMM_A1', 2666, 19],
      ['DIMM_A2', null, null],
      ['DIMM_B1', 2666, 19],
      ['DIMM_B2', null, null],
    ]);
    expect(joined.modules[0]?.heightMm).toEqual([{ value: 30, by: { kind: 'spd', name: 'a.bin' } }]);
    expect(joined.modules[2]?.heightMm?.[0]?.by.name).toBe('b.bin');
    expect(joined.apart).toEqual([]);
  });

  it('keep what disagrees side by side, with who said it', () => {
    expect(joined.modules[0]?.rateMTs).toEqual([
      { value: 2666, by: { kind: 'spd', name: 'a.bin' } },
      { value: 2400, by: { kind: 'smbios', name: 'dump.bin' } },
      { value: 2666, by: { kind: 'listing', name: 'label' } },
    ]);
    expect(dissent(joined.modules[0]?.rateMTs ?? [])).toEqual([
      { value: 2400, by: { kind: 'smbios', name: 'dump.bin' } },
    ]);
    expect(dissent(joined.modules[0]?.capacityMiB ?? [])).toEqual([]);
  });

  it('come to the same in any order', () => {
    const [dump, b, a, label] = readings;
    for (const order of [
      [a, dump, label, b],
      [label, b, a, dump],
      [b, label, dump, a],
    ]) {
      const other = joinReadings(order.filter((one) => one !== undefined));
      expect(other.machine).toEqual(joined.machine);
      expect(other.modules).toEqual(joined.modules);
    }
  });

  it('become the slots of a job, placed by their names', () => {
    expect(derivedSlots(joined, null).map(({ slot, sure }) => [slot.name, slot.channel, slot.bank, sure])).toEqual([
      ['DIMM_A1', 'A', 1, 'named'],
      ['DIMM_A2', 'A', 2, 'named'],
      ['DIMM_B1', 'B', 1, 'named'],
      ['DIMM_B2', 'B', 2, 'named'],
    ]);
  });

  it('are overruled in their places by the model’s own', () => {
    const model = ['A', 'B', 'C', 'D'].map((channel, index) => ({
      name: ['DIMM A1', 'DIMM A2', 'DIMM B1', 'DIMM B2'][index] ?? '',
      channel,
      bank: 1,
      maxMiB: null,
      soldered: null,
    }));
    expect(
      derivedSlots(joined, model).map(({ slot, sure }) => [
        slot.channel,
        slot.placeSource,
        slot.module?.heightMm ?? null,
        sure,
      ]),
    ).toEqual([
      ['A', 'model', 30, null],
      ['B', 'model', null, null],
      ['C', 'model', 30, null],
      ['D', 'model', null, null],
    ]);
  });
});

describe('several readings of a machine', () => {
  it('of two formats lie beside each other; what one tells alone is taken', () => {
    const joined = joinReadings([reading('cim.json', CIM), reading('dump.bin', DUMP)]);
    expect(joined.machine).toMatchObject({ serial: 'TC4-0042', os: { name: 'Harbour OS', bits: 64 } });
    expect(joined.modules[0]?.rateMTs?.map(({ value, by }) => [value, by.name])).toEqual([
      [2400, 'dump.bin'],
      [2133, 'cim.json'],
    ]);
    expect(joined.machineObservations.model?.map(({ by }) => by.name)).toEqual(['dump.bin', 'cim.json']);
    expect(joined.warnings).toEqual([]);
  });

  it('of one format count by the last', () => {
    const old = reading('old.bin', DUMP);
    const joined = joinReadings([old, reading('new.bin', DUMP)]);
    expect(joined.apart).toEqual([{ id: old.id, why: 'older' }]);
  });

  it('of another machine stand apart: the last one read holds', () => {
    const other = dumpFile(dumpTable({ ...MACHINE, serial: 'OTHER', devices: [{ locator: 'X', mib: 4096 }] }));
    const first = reading('first.bin', DUMP);
    const joined = joinReadings([first, reading('second.bin', other)]);
    expect(joined.machine?.serial).toBe('OTHER');
    expect(joined.apart).toEqual([{ id: first.id, why: 'another-machine' }]);
  });

  it('that disagree on what is filled say so', () => {
    const half = JSON.stringify([
      { Capacity: 0, DeviceLocator: 'DIMM_A1', BankLabel: 'BANK 0' },
      { Capacity: 8589934592, DeviceLocator: 'DIMM_X', FormFactor: 8 },
    ]);
    expect(joinReadings([reading('dump.bin', DUMP), reading('cim.json', half)]).warnings).toEqual([
      'cim.json says DIMM_A1 is empty, the weightier reading does not',
      'cim.json names a slot DIMM_X that the other readings do not',
    ]);
  });

  it('that count more sockets than they name get the empty ones, in the channels that have fewest', () => {
    const placed = derivedSlots(joinReadings([reading('cim.json', CIM)]), null);
    expect(
      placed.map(({ slot, sure }) => [slot.name, slot.channel, slot.bank, slot.module?.capacityMiB ?? null, sure]),
    ).toEqual([
      ['DIMM_A1', 'A', 1, 8192, 'named'],
      ['DIMM_B1', 'B', 1, 8192, 'named'],
      ['Slot 3', 'A', 2, null, 'guess'],
      ['Slot 4', 'B', 2, null, 'guess'],
    ]);
  });
});

describe('modules that were read alone', () => {
  it('are what is in the machine where nothing tells of its slots', () => {
    const joined = joinReadings([reading('a.bin', spd([1, 2, 3, 4])), reading('label', '4GB DDR4-2666 SODIMM')]);
    expect(derivedSlots(joined, null).map(({ slot, sure }) => [slot.name, slot.module?.capacityMiB, sure])).toEqual([
      ['Slot 1', 8192, 'likely'],
      ['Slot 2', 4096, 'likely'],
    ]);
  });

  it('go into the sockets of the model in order where that is known', () => {
    const model = [
      { name: 'ON', channel: 'A', bank: 1, maxMiB: null, soldered: null },
      { name: 'B1', channel: 'B', bank: 1, maxMiB: null, soldered: null },
    ];
    const placed = derivedSlots(joinReadings([reading('a.bin', spd([1, 2, 3, 4]))]), model);
    expect(placed.map(({ slot, sure }) => [slot.name, slot.module?.capacityMiB ?? null, sure])).toEqual([
      ['ON', 8192, 'guess'],
      ['B1', null, null],
    ]);
  });

  it('count once when they were read twice, and twice when a label says so', () => {
    const twice = joinReadings([reading('a.bin', spd([1, 2, 3, 4])), reading('again.bin', spd([1, 2, 3, 4]))]);
    expect(twice.machine?.memory.slots).toHaveLength(1);
    expect(joinReadings([reading('label', '2x8GB DDR4-2666 SODIMM')]).machine?.memory.slots).toHaveLength(2);
  });

  it('that no slot of the report holds stand apart', () => {
    const loose = reading('c.bin', spd([9, 9, 9, 9], 'OTHER-PART'));
    const dump = reading('dump.bin', DUMP);
    const four = reading('label', '4GB DDR3 SODIMM');
    expect(joinReadings([dump, four]).apart).toEqual([{ id: four.id, why: 'no-slot' }]);
    // Another part of the same size: the firmware's word on the part may be wrong, the module is there.
    expect(joinReadings([dump, loose]).modules[0]?.part?.map(({ value }) => value)).toEqual([
      'OTHER-PART',
      'VE4S8-2666',
    ]);
  });

  it('with a price are offers and nothing in the machine', () => {
    const offer = reading('title', '8GB DDR4-2666 SODIMM 19.90 EUR');
    const joined = joinReadings([reading('dump.bin', DUMP), offer]);
    expect(joined.apart).toEqual([{ id: offer.id, why: 'offer' }]);
    expect(joined.modules[0]?.rateMTs?.map(({ by }) => by.name)).toEqual(['dump.bin']);
  });

  it('by label go to the module that no SPD tells of', () => {
    const joined = joinReadings([
      reading('dump.bin', DUMP),
      reading('a.bin', spd([1, 2, 3, 4])),
      reading('label', '8GB 1Rx8 PC4-2666V-SA1-11'),
    ]);
    expect(joined.modules.map((said) => said.casLatency?.map(({ by }) => by.name) ?? [])).toEqual([
      ['a.bin'],
      [],
      ['label'],
      [],
    ]);
  });

  it('answer what the firmware does not say', () => {
    const dump = dumpFile(
      dumpTable({ ...MACHINE, devices: [{ locator: 'DIMM1', mib: 'unknown', type: 24, form: 13 }] }),
    );
    const joined = joinReadings([reading('dump.bin', dump), reading('label', '2GB 1Rx8 PC3-10600S-9-10-B1')]);
    expect(joined.machine?.memory.slots[0]?.installed).toMatchObject({ capacityMiB: 2048, rateMTs: 1333 });
  });
});

describe('what people typed', () => {
  const before = joinReadings([reading('dump.bin', DUMP)]);
  const derived = derivedSlots(before, null).map(({ slot }) => slot);
  const typedInto = (change: Partial<JobSlot>): JobSlot[] =>
    derived.map((slot) => (slot.name === 'DIMM_A1' ? { ...slot, ...change } : slot));
  const [a1] = derived;
  const after = derivedSlots(joinReadings([reading('dump.bin', DUMP), reading('a.bin', spd([1, 2, 3, 4]))]), null);
  const next = after.map(({ slot }) => slot);

  it('outlives a further reading, field by field', () => {
    if (a1?.module == null) throw new Error('the slot is filled');
    const typed = typedInto({
      module: { ...a1.module, ranks: 2 },
      moduleSource: 'typed',
      keep: 'must',
      creditCents: 500,
    });
    const [kept] = keepTyped(next, typed, derived);
    expect(kept).toMatchObject({ keep: 'must', creditCents: 500, moduleSource: 'typed' });
    // The rate was the dump's word, so the SPD's takes its place; the ranks were typed, so they stay.
    expect(kept?.module).toMatchObject({ ranks: 2, rateMTs: 2666, heightMm: 30 });
  });

  it('that a socket is empty stays so', () => {
    expect(keepTyped(next, typedInto({ module: null, moduleSource: 'typed' }), derived)[0]?.module).toBeNull();
  });

  it('of places stays, and slots added by hand stay', () => {
    const typed = typedInto({ channel: 'D', bank: 7, placeSource: 'typed' });
    const added = { ...derived[1], name: 'E1', placeSource: 'typed' } as JobSlot;
    const kept = keepTyped(next, [...typed, added], derived);
    expect(kept[0]).toMatchObject({ channel: 'D', bank: 7, placeSource: 'typed' });
    expect(kept.map(({ name }) => name)).toEqual(['DIMM_A1', 'DIMM_A2', 'DIMM_B1', 'DIMM_B2', 'E1']);
  });

  it('stands first among the words on a value, and the readings’ words stay beside it', () => {
    if (a1?.module == null) throw new Error('the slot is filled');
    const typed = { ...a1, module: { ...a1.module, ranks: 2, rateMTs: 2133 }, moduleSource: 'typed' as const };
    const words = observationsOfSlot(typed, before.modules[0] ?? {});
    expect(words.rateMTs?.map(({ value, by }) => [value, by.kind])).toEqual([
      [2133, 'typed'],
      [2400, 'smbios'],
    ]);
    expect(words.ranks?.map(({ value, by }) => [value, by.kind])).toEqual([[2, 'typed']]);
    expect(words.capacityMiB?.map(({ by }) => by.kind)).toEqual(['smbios']);
  });
});
