import { boundedReading } from './bounded-reading';
import { read } from './read';
import { NOTHING_TOLD, type Reading, UNTOLD_MACHINE } from './reading';

const moduleOf = (more: object) => ({ ...NOTHING_TOLD, ...more });
const reading = (more: Partial<Reading>): Reading => ({ format: 'listing', warnings: [], ...more }) as Reading;

test('what can be is left as it is, to the last byte', () => {
  const good = reading({
    module: moduleOf({ capacityMiB: 16_777_216, rateMTs: 2400, voltagesMv: [1200] }),
    warnings: ['CRC'],
  });
  expect(boundedReading(good)).toEqual(good);
});

test.each([
  ['capacityMiB', 16_777_217, 'capacity'],
  ['capacityMiB', -1, 'capacity'],
  ['rateMTs', 100_001, 'rate'],
  ['configuredRateMTs', 1e12, 'configured rate'],
  ['ranks', 10_001, 'rank count'],
  ['casLatency', 1e9, 'CL'],
] as const)('a module’s %s of %d is left out, and a warning names it', (field, value, what) => {
  const bounded = boundedReading(reading({ module: moduleOf({ [field]: value }) }));
  expect(bounded.module?.[field]).toBeNull();
  expect(bounded.warnings).toEqual([`a ${what} of ${value} cannot be right, and was left out`]);
});

test('a machine’s counts and ceilings, and what is in its slots', () => {
  const slots = [{ locator: 'A1', bank: null, installed: moduleOf({ capacityMiB: 2 ** 53 - 1, rateMTs: 2400 }) }];
  const memory = { ...UNTOLD_MACHINE.memory, slotCount: 2 ** 53 - 1, maxCapacityMiB: 2 ** 40, slots };
  const bounded = boundedReading(reading({ format: 'smbios', machine: { ...UNTOLD_MACHINE, memory } }));
  expect(bounded.machine?.memory).toMatchObject({ slotCount: null, maxCapacityMiB: null });
  expect(bounded.machine?.memory.slots[0]?.installed).toMatchObject({ capacityMiB: null, rateMTs: 2400 });
  expect(bounded.warnings).toHaveLength(3);
});

test('the readers’ own way in goes through it', () => {
  const text =
    'Handle 0x0011, DMI type 17, 40 bytes\nMemory Device\n\tSize: 8000000000 TB\n\tLocator: A1\n\tType: DDR4\n';
  const found = read(text);
  expect(found.ok && found.reading.machine?.memory.slots[0]?.installed?.capacityMiB).toBeNull();
  const title = read('Corrick 9000000 TB DDR4-2400 DIMM 12.00 EUR');
  expect(title.ok ? (title.reading.module?.capacityMiB ?? null) : null).toBeNull();
});
