import type { ReportDevice, ReportMachine } from './report';
import { ddr3Spd } from './spd-image';

/** How far a story has come. */
export type Reach = 'named' | 'read' | 'limits' | 'drafted' | 'sent' | 'fitted';

export interface Story {
  customer: { name: string; phone: string; email: string };
  complaint: string;
  needGb: number | null;
  budgetCents: number | null;
  report: ReportMachine | null;
  /** what was read beside the report: SPDs by name, and labels */
  beside?: readonly { name: string; input: Uint8Array | string }[];
  /** what it is for and what is full, as far as it was asked */
  wants?: {
    uses?: string[];
    fullPart?: 'memory' | 'storage' | 'both' | 'neither';
    inUseMiB?: number;
    cover?: 'none' | 'warranty' | 'support';
    os?: string;
    osBits?: 32 | 64;
  };
  /** credit for the old modules by slot, minor units */
  credits: Record<string, number>;
  reach: Reach;
}

const device = (locator: string, gb: number | null, more: Partial<ReportDevice> = {}): ReportDevice => ({
  locator,
  mb: gb === null ? null : gb * 1024,
  ...more,
});

const kit4 = { type: 'DDR4', rate: 2400, maker: 'Vellamo', part: 'VE4D8-2400', ranks: 1 };
const low3 = {
  type: 'DDR3',
  form: 'SODIMM',
  rate: 1333,
  maker: 'Brightlode',
  part: 'BR3S2-1333',
  ranks: 1,
  volts: '1.35 V',
};
const ecc3 = { type: 'DDR3', rate: 1333, maker: 'Corrick', part: 'CO3D4-1333E', ranks: 1, ecc: true, volts: '1.5 V' };

const registered = {
  type: 'DDR4',
  rate: 2666,
  maker: 'Corrick',
  part: 'CO4R4-2666',
  ranks: 2,
  ecc: true,
  detail: 'Synchronous Registered (Buffered)',
};

/** SPDs of the vet's modules: one of them can do more than its machine asks of it. */
const vetSpd = (serial: readonly [number, number, number, number], rate: 1333 | 1600): Uint8Array =>
  ddr3Spd({
    type: 2,
    gbit: 4,
    ranks: 1,
    width: 8,
    ecc: true,
    cyclePs: rate === 1333 ? 1500 : 1250,
    latencies: [6, 7, 8, 9, 10, 11],
    aaPs: rate === 1333 ? 13500 : 13750,
    part: 'CO3D4-1333E',
    serial,
    makerId: [3, 0x52],
    made: [13, 22],
    heightMm: 30,
  });

/** Customers and machines of Petrel Street in different states. All people are made up. */
export const STORIES: readonly Story[] = [
  {
    customer: { name: 'Oddny Fairlie, Fairlie’s Bakery', phone: '0555 0142', email: 'oddny@fairlies.example' },
    complaint: 'The till freezes when the morning orders come in.',
    needGb: 16,
    budgetCents: 9000,
    wants: { uses: ['office', 'many browser tabs'], fullPart: 'memory', inUseMiB: 7 * 1024, cover: 'none', osBits: 64 },
    report: {
      maker: 'Tarnholt',
      product: 'TC4-1900',
      serial: 'TC4-88213',
      cpu: 'Merle 4300',
      maxGb: 64,
      devices: [device('A1', null), device('B1', null), device('A2', 8, kit4), device('B2', null)],
    },
    credits: {},
    reach: 'limits',
  },
  {
    customer: { name: 'Iver Stroud, Skerrow Choir', phone: '0555 0187', email: 'iver@choir.example' },
    complaint: 'Recording stutters after an hour. Half the memory is soldered, they were told.',
    needGb: 16,
    budgetCents: 15000,
    report: {
      maker: 'Ostrell',
      product: 'OS14-G2',
      serial: 'OS14-00417',
      cpu: 'Alda 7',
      maxGb: 24,
      devices: [
        device('ON', 8, { form: 'Row Of Chips', rate: 3200, maker: 'Ostrell', ranks: 1 }),
        device('B1', 4, { form: 'SODIMM', rate: 3200, maker: 'Vellamo', part: 'VE4S4-3200', ranks: 1 }),
      ],
    },
    credits: { B1: 400 },
    reach: 'drafted',
  },
  {
    customer: { name: 'Maud Tansley, Quay Vets', phone: '0555 0119', email: 'maud@quayvets.example' },
    complaint: 'Scans take minutes to open. Six slots, three full.',
    needGb: 24,
    budgetCents: null,
    report: {
      maker: 'Mirrin',
      product: 'MK6-T',
      serial: 'MK6-10233',
      cpu: 'Corvin 56',
      maxGb: 48,
      devices: [
        device('A1', 4, { ...ecc3, serial: '4C100001' }),
        device('B1', 4, { ...ecc3, serial: '4C100002' }),
        device('C1', 4, { ...ecc3, serial: '4C10000A' }),
        device('A2', null),
        device('B2', null),
        device('C2', null),
      ],
    },
    beside: [
      { name: 'a1.bin', input: vetSpd([0x4c, 0x10, 0x00, 0x01], 1333) },
      { name: 'c1.bin', input: vetSpd([0x4c, 0x10, 0x00, 0x0a], 1600) },
      { name: 'label of B1', input: '4GB 1Rx8 PC3-10600E-9-10-D1' },
    ],
    credits: { A1: 300, B1: 300, C1: 300 },
    reach: 'read',
  },
  {
    customer: { name: 'Bram Ockley, Allotment Society', phone: '0555 0163', email: '' },
    complaint: 'Three odd modules that somebody once gave them. One of them the report cannot name.',
    needGb: 8,
    budgetCents: 6000,
    report: {
      maker: 'Tarnholt',
      product: 'TM-300',
      serial: '',
      cpu: 'Tern 4',
      maxGb: 16,
      devices: [
        device('A1', 2, { type: 'DDR3', rate: 1333, maker: 'Corrick', volts: '1.5 V' }),
        device('B1', 1, { type: 'DDR3', rate: null, maker: 'Unknown', volts: 'Unknown' }),
        device('A2', 2, { type: 'DDR3', rate: 1066, maker: 'Brightlode', volts: '1.5 V' }),
        device('B2', null),
      ],
    },
    credits: {},
    reach: 'read',
  },
  {
    customer: { name: 'Lisbet Arkwright, Photo Club', phone: '0555 0121', email: 'lisbet@photoclub.example' },
    complaint: 'Editing large panoramas. Ready to go beyond the papers if it works.',
    needGb: 64,
    budgetCents: 30000,
    report: {
      maker: 'Kestwick',
      product: 'KP2-Z',
      serial: 'KP2-55120',
      cpu: 'Merle 4700',
      maxGb: 64,
      devices: [device('A1', null), device('B1', null), device('A2', 8, kit4), device('B2', 8, kit4)],
    },
    credits: { A2: 700, B2: 700 },
    reach: 'sent',
  },
  {
    customer: { name: 'Skerrow Library', phone: '0555 0100', email: 'desk@library.example' },
    complaint: 'The catalogue kiosk takes a minute to search.',
    needGb: 4,
    budgetCents: 8000,
    report: {
      maker: 'Ostrell',
      product: 'OP-12',
      serial: 'OP12-7781',
      cpu: 'Tern 2',
      maxGb: 8,
      devices: [device('A1', 2, low3)],
    },
    credits: {},
    reach: 'fitted',
  },
  {
    customer: { name: 'Ferry Office, Jonas Pell', phone: '0555 0175', email: 'jonas@ferry.example' },
    complaint: 'Asks before it buys: wants the maker’s part beside the rest. Support contract runs.',
    needGb: 32,
    budgetCents: null,
    report: {
      maker: 'Kestwick',
      product: 'KL16-A',
      serial: 'KL16-90021',
      cpu: 'Alda 9',
      maxGb: 96,
      devices: [
        device('A1', 16, {
          type: 'DDR5',
          form: 'SODIMM',
          rate: 5600,
          configured: 5200,
          maker: 'Kestwick',
          ranks: 1,
          volts: '1.1 V',
        }),
        device('B1', null),
      ],
    },
    credits: { A1: 1500 },
    reach: 'sent',
  },
  {
    customer: { name: 'Tilde Marsh', phone: '0555 0198', email: '' },
    complaint: 'Old laptop, slow since the last update. Brings it in this afternoon.',
    needGb: null,
    budgetCents: 5000,
    report: null,
    credits: {},
    reach: 'named',
  },
  {
    customer: { name: 'Skerrow Museum, Ansel Crake', phone: '0555 0131', email: 'ansel@museum.example' },
    complaint: 'The scans of the ship plans fill the server. Eight slots, four full.',
    needGb: 128,
    budgetCents: null,
    wants: { uses: ['server'], fullPart: 'memory' },
    report: {
      maker: 'Mirrin',
      product: 'MM8-R2',
      serial: 'MM8-20417',
      cpu: 'Corvin 71',
      maxGb: 512,
      devices: ['A1', 'B1', 'C1', 'D1', 'A2', 'B2', 'C2', 'D2'].map((locator, index) =>
        device(locator, index < 4 ? 16 : null, registered),
      ),
    },
    credits: {},
    reach: 'read',
  },
  {
    customer: { name: 'Skerrow Harbour Office', phone: '0555 0160', email: 'it@harbour.example' },
    complaint: 'Two more virtual machines are to run on it. Half of its slots are full.',
    needGb: null,
    budgetCents: null,
    wants: { uses: ['virtual machines', 'server'], cover: 'support' },
    report: {
      maker: 'Mirrin',
      product: 'MM32-R1',
      serial: 'MM32-10093',
      cpu: 'Corvin 82',
      maxGb: 4096,
      devices: ['1', '2'].flatMap((processor) =>
        ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'].flatMap((letter) =>
          [1, 2].map((bank) => device(`P${processor}${letter}-${bank}`, bank === 1 ? 32 : null, registered)),
        ),
      ),
    },
    credits: {},
    reach: 'read',
  },
  {
    customer: { name: 'Oddny Fairlie', phone: '0555-0142', email: '' },
    complaint: 'The bakery’s second till is to get the same.',
    needGb: null,
    budgetCents: null,
    report: null,
    credits: {},
    reach: 'named',
  },
];
