import { type FullModel, type ModelInput, modelSchema } from '../core/machine/models/model';
import { NOTHING_KNOWN } from '../core/machine/models/nothing-known';
import type { KnownModule } from '../core/machine/slots/job-slot';
import { LARGER_MODELS } from './larger-machines';
import { said, sockets, tried, type Words } from './model-words';

const GB = 1024;

const UNBUFFERED = [{ buffering: 'unbuffered', ecc: false }] as const;
const DDR4_RATES = [2133, 2400, 2666, 2933, 3200];

const DDR4: Words = { generations: ['DDR4'], kinds: [...UNBUFFERED], voltagesMv: [1200], pairing: 'advised' };
const DDR5: Words = { generations: ['DDR5'], kinds: [...UNBUFFERED], voltagesMv: [1100], pairing: 'advised' };
const DDR3_LOW: Words = { generations: ['DDR3'], kinds: [...UNBUFFERED], voltagesMv: [1350], pairing: 'advised' };

const soldered8: KnownModule = {
  ...NOTHING_KNOWN,
  capacityMiB: 8 * GB,
  generation: 'DDR4',
  form: 'SO-DIMM',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 3200,
  casLatency: 22,
  ranks: 1,
  voltagesMv: [1200],
};

const ONE_32_SODIMM = { moduleMiB: 32 * GB, generation: 'DDR4', rateMTs: 3200, modules: 1, totalMiB: 40 * GB } as const;
const FOUR_16_DIMMS = { moduleMiB: 16 * GB, generation: 'DDR4', rateMTs: 2666, modules: 4, totalMiB: 64 * GB } as const;

/** The first models of the library of Petrel Street. All makers and machines are made up. */
const MODELS: readonly ModelInput[] = [
  {
    maker: 'Tarnholt',
    name: 'Counter 4',
    yearFrom: 2018,
    yearTo: 2020,
    productStrings: ['TC4-1900', 'Counter 4'],
    modelIds: ['TC4-1900', 'TC4-1920'],
    serialPrefixes: ['TS4'],
    note: 'Till computer. The lid label calls A2 "1" and B2 "2".',
    cpus: [{ name: 'Merle 4300', maxMiB: 64 * GB, maxRateMTs: 2400 }],
    slots: sockets('A1=3 B1=4 A2=1 B2=2', { place: 'door', latch: 'white' }),
    opening: [
      { text: 'Turn the till over onto a cloth', minutes: 1 },
      { text: 'Open the door in the base', tool: 'cross-head 1', fasteners: 2, lengthMm: 6, minutes: 1 },
    ],
    claims: [
      ...said('board-manual', 'Counter 4 board manual, p. 31', {
        ...DDR4,
        form: 'DIMM',
        ratesMTs: [2133, 2400, 2666],
        totalMiB: 64 * GB,
        moduleMiB: 16 * GB,
        fillOrder: ['A2', 'B2', 'A1', 'B1'],
      }),
      ...said('lid-label', 'label in the lid', { totalMiB: 64 * GB }),
    ],
  },
  {
    maker: 'Tarnholt',
    name: 'Counter 4',
    yearFrom: 2021,
    yearTo: 2021,
    productStrings: ['TC4-2150'],
    modelIds: ['TC4-2150'],
    note: 'The last of the name, on the board of its successor.',
    cpus: [{ name: 'Merle 5300', maxMiB: 64 * GB, maxRateMTs: 2933 }],
    boardIds: ['TB-51'],
    slots: sockets('A1 B1', { place: 'door' }),
    claims: [
      ...said('maker-page', 'Counter 4 (2021) service page', {
        ...DDR4,
        form: 'SO-DIMM',
        ratesMTs: DDR4_RATES,
        totalMiB: 32 * GB,
        moduleMiB: 16 * GB,
      }),
    ],
  },
  {
    maker: 'Tarnholt',
    name: 'Counter 5',
    yearFrom: 2021,
    yearTo: null,
    productStrings: ['TC5-2100', 'Counter 5'],
    boardIds: ['TB-51'],
    note: '',
    cpus: [{ name: 'Merle 5500', maxMiB: 64 * GB, maxRateMTs: 3200 }],
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Counter 5 service page', {
        ...DDR4,
        form: 'SO-DIMM',
        ratesMTs: DDR4_RATES,
        totalMiB: 64 * GB,
        moduleMiB: 32 * GB,
      }),
    ],
  },
  {
    maker: 'Ostrell',
    name: 'Sling 14',
    yearFrom: 2020,
    yearTo: 2022,
    productStrings: ['OS14-G2', 'Sling 14'],
    note: '8 GB are soldered; one slot under the keyboard.',
    cpus: [{ name: 'Alda 7', maxMiB: 64 * GB, maxRateMTs: 3200 }],
    slots: [{ name: 'ON', channel: 'A', bank: 1, maxMiB: null, soldered: soldered8 }, ...sockets('B1')],
    claims: [
      ...said('maker-page', 'Sling 14 hardware guide', {
        ...DDR4,
        form: 'SO-DIMM',
        pairing: 'none',
        ratesMTs: [2666, 2933, 3200],
        totalMiB: 24 * GB,
        moduleMiB: 16 * GB,
      }),
    ],
    trials: [tried('2026-03-12', { ...ONE_32_SODIMM, depth: 'weeks', firmware: '1.14', note: 'no complaint since' })],
    testedParts: [
      { list: 'Ostrell tested parts, spring 2022', part: 'VE4S16-3200' },
      { list: 'Ostrell tested parts, spring 2022', part: 'OS-M8-3200' },
    ],
    firmware: ['1.08', '1.14'],
    factoryMaxMiB: 24 * GB,
    factoryOptions: [
      { totalMiB: 8 * GB, surchargeCents: 0 },
      { totalMiB: 16 * GB, surchargeCents: 14000 },
      { totalMiB: 24 * GB, surchargeCents: 29000, baseModel: 'OS14-G2P' },
    ],
    opening: [
      {
        text: 'Take the keyboard’s screws out from below',
        tool: 'cross-head 0',
        fasteners: 6,
        lengthMm: 5,
        minutes: 3,
      },
      {
        text: 'Lift the keyboard from its upper edge and unplug its ribbon',
        tool: 'plastic lever',
        unplug: 'keyboard ribbon',
        caution: 'the ribbon is short: lift by a finger’s width first',
        minutes: 4,
      },
      { text: 'Unplug the battery', unplug: 'battery', minutes: 1 },
    ],
  },
  {
    maker: 'Ostrell',
    name: 'Sling 15',
    yearFrom: 2018,
    yearTo: 2019,
    productStrings: ['OS15-G1', 'Sling 15'],
    note: '',
    cpus: [{ name: 'Alda 5', maxMiB: 32 * GB, maxRateMTs: 2400 }],
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Sling 15 hardware guide', {
        ...DDR4,
        form: 'SO-DIMM',
        ratesMTs: [2133, 2400],
        totalMiB: 32 * GB,
        moduleMiB: 16 * GB,
      }),
    ],
  },
  {
    maker: 'Ostrell',
    name: 'Perch',
    yearFrom: 2012,
    yearTo: 2014,
    productStrings: ['OP-12', 'Perch'],
    note: 'Kiosk. One slot, low voltage only.',
    cpus: [{ name: 'Tern 2', maxMiB: 8 * GB, maxRateMTs: 1333 }],
    slots: sockets('A1'),
    claims: [
      ...said('maker-page', 'Perch data sheet', {
        ...DDR3_LOW,
        form: 'SO-DIMM',
        pairing: 'none',
        ratesMTs: [1066, 1333],
        totalMiB: 8 * GB,
        moduleMiB: 8 * GB,
      }),
    ],
  },
  {
    maker: 'Mirrin',
    name: 'Keel 6',
    yearFrom: 2010,
    yearTo: 2012,
    productStrings: ['MK6-T', 'Keel 6'],
    note: 'Workstation with three channels; takes ECC modules, plain or registered, never both.',
    cpus: [{ name: 'Corvin 56', maxMiB: 144 * GB, maxRateMTs: 1333 }],
    slots: sockets('A1 B1 C1 A2 B2 C2'),
    claims: [
      ...said('board-manual', 'Keel 6 board manual, p. 12', {
        generations: ['DDR3'],
        form: 'DIMM',
        kinds: [
          { buffering: 'unbuffered', ecc: true },
          { buffering: 'registered', ecc: true },
        ],
        voltagesMv: [1500],
        pairing: 'advised',
        ratesMTs: [800, 1066, 1333],
        totalMiB: 48 * GB,
        moduleMiB: 8 * GB,
        maxRanksPerChannel: 8,
        rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 1066 }],
      }),
    ],
  },
  {
    maker: 'Mirrin',
    name: 'Gull 23',
    yearFrom: 2014,
    yearTo: 2016,
    productStrings: ['MG23', 'Gull 23'],
    note: 'All in one; slots behind the door under the foot.',
    cpus: [{ name: 'Alda 4', maxMiB: 32 * GB, maxRateMTs: 1600 }],
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Gull 23 service page', {
        ...DDR3_LOW,
        form: 'SO-DIMM',
        ratesMTs: [1333, 1600],
        totalMiB: 16 * GB,
        moduleMiB: 8 * GB,
      }),
    ],
  },
  {
    maker: 'Tarnholt',
    name: 'Minor',
    yearFrom: 2010,
    yearTo: 2012,
    productStrings: ['TM-300', 'Minor'],
    note: '',
    cpus: [{ name: 'Tern 4', maxMiB: 32 * GB, maxRateMTs: 1333 }],
    slots: sockets('A1 B1 A2 B2'),
    claims: [
      ...said('board-manual', 'Minor board manual, p. 8', {
        generations: ['DDR3'],
        kinds: [...UNBUFFERED],
        voltagesMv: [1500],
        form: 'DIMM',
        pairing: 'advised',
        ratesMTs: [1066, 1333],
        totalMiB: 16 * GB,
        moduleMiB: 4 * GB,
      }),
    ],
  },
  {
    maker: 'Kestwick',
    name: 'Plate 2',
    yearFrom: 2016,
    yearTo: 2018,
    productStrings: ['KP2-Z', 'Plate 2'],
    note: 'Two boxes here run 64 GB.',
    cpus: [{ name: 'Merle 4700', maxMiB: 64 * GB, maxRateMTs: 2666 }],
    slots: sockets('A1 B1 A2 B2'),
    claims: [
      ...said('board-manual', 'Plate 2 board manual, p. 20', {
        ...DDR4,
        form: 'DIMM',
        ratesMTs: [2133, 2400, 2666],
        totalMiB: 32 * GB,
        moduleMiB: 8 * GB,
        fillOrder: ['A2', 'B2', 'A1', 'B1'],
      }),
      ...said('lid-label', 'label on the side panel', { totalMiB: 64 * GB }, 'printed later than the manual'),
    ],
    boardIds: ['KB-270'],
    firmware: ['2.3', '3.1'],
    trials: [
      tried('2026-01-20', { ...FOUR_16_DIMMS, depth: 'weeks', firmware: '3.1' }),
      tried('2026-05-06', { ...FOUR_16_DIMMS, depth: 'loaded', firmware: '3.1', note: 'two makers mixed' }),
      tried('2025-11-03', {
        ...FOUR_16_DIMMS,
        outcome: 'fails-to-start',
        depth: 'started',
        firmware: '2.3',
        note: 'blank screen; started with two of them',
      }),
    ],
  },
  {
    maker: 'Kestwick',
    name: 'Plate 4',
    yearFrom: 2022,
    yearTo: null,
    productStrings: ['KP4-R', 'Plate 4'],
    note: '',
    cpus: [{ name: 'Merle 6700', maxMiB: 128 * GB, maxRateMTs: 4800 }],
    slots: sockets('A1 B1 A2 B2'),
    claims: [
      ...said('board-manual', 'Plate 4 board manual, p. 26', {
        ...DDR5,
        form: 'DIMM',
        ratesMTs: [3600, 4000, 4400, 4800],
        totalMiB: 128 * GB,
        moduleMiB: 32 * GB,
        fillOrder: ['A2', 'B2', 'A1', 'B1'],
        rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 3600 }],
      }),
    ],
  },
  {
    maker: 'Kestwick',
    name: 'Ledger 16',
    yearFrom: 2023,
    yearTo: null,
    productStrings: ['KL16-A', 'Ledger 16'],
    note: 'Office laptop, usually under a support contract.',
    cpus: [{ name: 'Alda 9', maxMiB: 96 * GB, maxRateMTs: 5200 }],
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Ledger 16 service page', {
        ...DDR5,
        form: 'SO-DIMM',
        ratesMTs: [4800, 5200, 5600],
        totalMiB: 64 * GB,
        moduleMiB: 32 * GB,
      }),
    ],
  },
  {
    maker: 'Tarnholt',
    name: 'Drift',
    yearFrom: 2007,
    yearTo: 2009,
    productStrings: ['TD-9', 'Drift'],
    note: 'The maker says 4 GB; its firmware says 8.',
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Drift user manual', {
        generations: ['DDR2'],
        kinds: [...UNBUFFERED],
        voltagesMv: [1800],
        form: 'SO-DIMM',
        pairing: 'advised',
        ratesMTs: [533, 667],
        totalMiB: 4 * GB,
        moduleMiB: 2 * GB,
      }),
    ],
  },
];

/** The library of Petrel Street. */
export const DEMO_MODELS: readonly FullModel[] = [...MODELS, ...LARGER_MODELS].map((model) => modelSchema.parse(model));
