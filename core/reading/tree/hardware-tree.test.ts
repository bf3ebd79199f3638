import { read } from '../read';
import type { Reading } from '../reading';

const BANK = {
  id: 'bank:0',
  class: 'memory',
  description: 'SODIMM DDR4 Synchronous Unbuffered (Unregistered) 2667 MHz (0.4 ns)',
  product: 'VE4S8-2666          ',
  vendor: 'Vellamo',
  serial: '1A2B3C4D',
  slot: 'ChannelA-DIMM0',
  units: 'bytes',
  size: 8589934592,
  width: 64,
  clock: 2667000000,
};
const EMPTY = { id: 'bank:1', class: 'memory', description: 'DIMM [empty]', slot: 'ChannelB-DIMM0', vendor: 'NO DIMM' };

function tree(banks: object[], memory: object = {}) {
  return {
    id: 'desk',
    class: 'system',
    product: 'Counter 4',
    vendor: 'Tarnhelt',
    serial: 'TC4-0042',
    children: [
      {
        id: 'core',
        class: 'bus',
        product: 'TC4-MB',
        vendor: 'Tarnhelt',
        children: [
          { id: 'firmware', class: 'memory', description: 'BIOS', version: '1.14', date: '03/11/2019', size: 65536 },
          { id: 'memory', class: 'memory', description: 'System Memory', children: banks, ...memory },
          { id: 'cache:0', class: 'memory', description: 'L1 cache', size: 262144 },
          { id: 'cpu', class: 'processor', product: 'Ostrin Q5 8400', slot: 'CPU0' },
          { id: 'cpu:1', class: 'processor', product: 'none there', slot: 'CPU1', disabled: true },
        ],
      },
    ],
  };
}

function reading(value: unknown): Reading {
  const result = read(typeof value === 'string' ? value : JSON.stringify(value));
  if (!result.ok) throw new Error(result.code);
  return result.reading;
}
const installed = (change: object) => reading(tree([{ ...BANK, ...change }])).machine?.memory.slots[0]?.installed;

it('reads a hardware listing whole', () => {
  expect(reading(tree([BANK, EMPTY]))).toEqual({
    format: 'hardware-tree',
    machine: {
      maker: 'Tarnhelt',
      model: 'Counter 4',
      serial: 'TC4-0042',
      board: { maker: 'Tarnhelt', model: 'TC4-MB' },
      firmware: { version: '1.14', date: '03/11/2019' },
      cpus: [{ name: 'Ostrin Q5 8400', socket: 'CPU0' }],
      os: null,
      memory: {
        slotCount: 2,
        maxCapacityMiB: null,
        errorCorrection: null,
        slots: [
          {
            locator: 'ChannelA-DIMM0',
            bank: 'bank:0',
            installed: {
              capacityMiB: 8192,
              generation: 'DDR4',
              form: 'SO-DIMM',
              buffering: 'unbuffered',
              ecc: null,
              rateMTs: 2666,
              configuredRateMTs: null,
              ranks: null,
              deviceWidth: null,
              casLatency: null,
              voltagesMv: null,
              heightMm: null,
              maker: 'Vellamo',
              makerId: null,
              part: 'VE4S8-2666',
              serial: '1A2B3C4D',
              soldered: false,
              profiles: [],
            },
          },
          { locator: 'ChannelB-DIMM0', bank: 'bank:1', installed: null },
        ],
      },
    },
    warnings: [],
  });
});

test.each([
  [
    'DIMM DDR3 Synchronous Registered (Buffered) 1333 MHz (0.8 ns)',
    { generation: 'DDR3', form: 'DIMM', buffering: 'registered', rateMTs: 1333 },
  ],
  ['Row of chips LPDDR4 Synchronous 4267 MHz (0.2 ns)', { generation: 'LPDDR4', form: null, soldered: true }],
  [
    'FB-DIMM DDR2 FB-DIMM Synchronous 667 MHz (1.5 ns)',
    { generation: 'DDR2', form: 'DIMM', buffering: 'fully-buffered' },
  ],
  ['DIMM SDRAM Synchronous', { generation: 'SDR', form: 'DIMM' }],
  ['DIMM Synchronous', { generation: null, rateMTs: 2666 }],
])('understands "%s"', (description, told) => {
  expect(installed({ description })).toMatchObject(told);
});

it('takes the clock for the running rate only where it differs from the rated one', () => {
  expect(installed({ clock: 2400000000 })).toMatchObject({ rateMTs: 2666, configuredRateMTs: 2400 });
});

it('reads error correction and the largest capacity of the memory node', () => {
  const memory = { configuration: { errordetection: 'multi-bit-ecc' }, capacity: 137438953472 };
  expect(reading(tree([BANK], memory)).machine?.memory).toMatchObject({
    errorCorrection: 'Multi-bit ECC',
    maxCapacityMiB: 131072,
  });
});

it('reads a list of nodes, nodes without a list around them, and a text that is cut off', () => {
  expect(reading([tree([BANK])]).machine?.model).toBe('Counter 4');
  const nodes = [
    { id: 'memory', class: 'memory', children: [BANK] },
    { id: 'cpu', class: 'processor', product: 'Ostrin' },
  ];
  expect(reading(nodes.map((node) => JSON.stringify(node)).join(',\n')).machine?.memory.slots).toHaveLength(1);
  const text = JSON.stringify(tree([BANK, { ...BANK, slot: 'ChannelB-DIMM0' }]));
  const cut = reading(text.slice(0, text.indexOf('cache:0')));
  expect(cut.machine?.memory).toMatchObject({ slotCount: null, slots: [{}, { locator: 'ChannelB-DIMM0' }] });
  expect(cut.warnings[0]).toMatch(/^truncated/);
});

it('says where a rate is missing', () => {
  const { warnings } = reading(tree([{ ...BANK, description: 'DIMM DDR4', clock: undefined }]));
  expect(warnings).toEqual(['ChannelA-DIMM0: rate not told']);
});
