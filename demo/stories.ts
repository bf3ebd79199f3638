import type { ReportDevice, ReportMachine } from './report';

/** How far a story has come. */
export type Reach = 'named' | 'read' | 'limits' | 'drafted' | 'sent' | 'fitted';

export interface Story {
  customer: { name: string; phone: string; email: string };
  complaint: string;
  needGb: number | null;
  budgetCents: number | null;
  report: ReportMachine | null;
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

/** Customers and machines of Petrel Street in different states. All people are made up. */
export const STORIES: readonly Story[] = [
  {
    customer: { name: 'Oddny Fairlie, Fairlie’s Bakery', phone: '0555 0142', email: 'oddny@fairlies.example' },
    complaint: 'The till freezes when the morning orders come in.',
    needGb: 16,
    budgetCents: 9000,
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
        device('A1', 4, ecc3),
        device('B1', 4, ecc3),
        device('C1', 4, ecc3),
        device('A2', null),
        device('B2', null),
        device('C2', null),
      ],
    },
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
];
