import { type KnownModule, NOTHING_KNOWN } from '../core/machine/job-slot';
import type { Claim, LimitName, LimitValue, SourceKind } from '../core/machine/limit';
import type { ModelSlot } from '../core/machine/slots-of-reading';
import type { NewModel } from '../store/models';

const GB = 1024;

/** `A1 B1 A2 B2` as slots: a letter for the channel, a number for the bank. */
function sockets(names: string): ModelSlot[] {
  return names.split(' ').map((name) => ({
    name,
    channel: name.slice(0, 1),
    bank: Number(name.slice(1)),
    maxMiB: null,
    soldered: null,
  }));
}

/** What one source claims, limit by limit. */
type Words = { [Name in LimitName]?: LimitValue<Name> };

function said(sourceKind: Exclude<SourceKind, 'reading' | 'standard'>, sourceName: string, words: Words) {
  return Object.entries(words).map(([limitName, value]) => ({
    limitName,
    value: value as Claim['value'],
    sourceKind,
    sourceName,
  }));
}

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

/** The first models of the library of Petrel Street. All makers and machines are made up. */
export const DEMO_MODELS: readonly NewModel[] = [
  {
    maker: 'Tarnholt',
    name: 'Counter 4',
    yearFrom: 2018,
    yearTo: 2020,
    productStrings: ['TC4-1900', 'Counter 4'],
    note: 'Till computer. The lid label calls A2 "1" and B2 "2".',
    slots: sockets('A1 B1 A2 B2'),
    claims: [
      ...said('board-manual', 'Counter 4 board manual, p. 31', {
        ...DDR4,
        form: 'DIMM',
        ratesMTs: [2133, 2400, 2666],
        totalMiB: 64 * GB,
        moduleMiB: 16 * GB,
        fillOrder: ['A2', 'B2', 'A1', 'B1'],
      }),
      ...said('cpu-page', 'CPU page, Merle 4300', { cpuMaxRateMTs: 2400, cpuMaxMiB: 64 * GB }),
      ...said('lid-label', 'label in the lid', { totalMiB: 64 * GB }),
    ],
  },
  {
    maker: 'Tarnholt',
    name: 'Counter 5',
    yearFrom: 2021,
    yearTo: null,
    productStrings: ['TC5-2100', 'Counter 5'],
    note: '',
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Counter 5 service page', {
        ...DDR4,
        form: 'SO-DIMM',
        ratesMTs: DDR4_RATES,
        totalMiB: 64 * GB,
        moduleMiB: 32 * GB,
      }),
      ...said('cpu-page', 'CPU page, Merle 5500', { cpuMaxRateMTs: 3200, cpuMaxMiB: 64 * GB }),
    ],
  },
  {
    maker: 'Ostrell',
    name: 'Sling 14',
    yearFrom: 2020,
    yearTo: 2022,
    productStrings: ['OS14-G2', 'Sling 14'],
    note: '8 GB are soldered; one socket under the keyboard.',
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
      ...said('cpu-page', 'CPU page, Alda 7', { cpuMaxRateMTs: 3200, cpuMaxMiB: 64 * GB }),
      ...said('evidence', 'fitted here in March', { provenTotalMiB: 40 * GB, provenModuleMiB: 32 * GB }),
    ],
  },
  {
    maker: 'Ostrell',
    name: 'Sling 15',
    yearFrom: 2018,
    yearTo: 2019,
    productStrings: ['OS15-G1', 'Sling 15'],
    note: '',
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Sling 15 hardware guide', {
        ...DDR4,
        form: 'SO-DIMM',
        ratesMTs: [2133, 2400],
        totalMiB: 32 * GB,
        moduleMiB: 16 * GB,
      }),
      ...said('cpu-page', 'CPU page, Alda 5', { cpuMaxRateMTs: 2400, cpuMaxMiB: 32 * GB }),
    ],
  },
  {
    maker: 'Ostrell',
    name: 'Perch',
    yearFrom: 2012,
    yearTo: 2014,
    productStrings: ['OP-12', 'Perch'],
    note: 'Kiosk. One socket, low voltage only.',
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
      ...said('cpu-page', 'CPU page, Tern 2', { cpuMaxRateMTs: 1333, cpuMaxMiB: 8 * GB }),
    ],
  },
  {
    maker: 'Mirrin',
    name: 'Keel 6',
    yearFrom: 2010,
    yearTo: 2012,
    productStrings: ['MK6-T', 'Keel 6'],
    note: 'Workstation with three channels; takes ECC modules, plain or registered, never both.',
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
      ...said('cpu-page', 'CPU page, Corvin 56', { cpuMaxRateMTs: 1333, cpuMaxMiB: 144 * GB }),
    ],
  },
  {
    maker: 'Mirrin',
    name: 'Gull 23',
    yearFrom: 2014,
    yearTo: 2016,
    productStrings: ['MG23', 'Gull 23'],
    note: 'All in one; sockets behind the door under the foot.',
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Gull 23 service page', {
        ...DDR3_LOW,
        form: 'SO-DIMM',
        ratesMTs: [1333, 1600],
        totalMiB: 16 * GB,
        moduleMiB: 8 * GB,
      }),
      ...said('cpu-page', 'CPU page, Alda 4', { cpuMaxRateMTs: 1600, cpuMaxMiB: 32 * GB }),
    ],
  },
  {
    maker: 'Tarnholt',
    name: 'Minor',
    yearFrom: 2010,
    yearTo: 2012,
    productStrings: ['TM-300', 'Minor'],
    note: '',
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
      ...said('cpu-page', 'CPU page, Tern 4', { cpuMaxRateMTs: 1333, cpuMaxMiB: 32 * GB }),
    ],
  },
  {
    maker: 'Kestwick',
    name: 'Plate 2',
    yearFrom: 2016,
    yearTo: 2018,
    productStrings: ['KP2-Z', 'Plate 2'],
    note: 'Two boxes here run 64 GB.',
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
      ...said('cpu-page', 'CPU page, Merle 4700', { cpuMaxRateMTs: 2666, cpuMaxMiB: 64 * GB }),
      ...said('evidence', 'fitted here twice', { provenTotalMiB: 64 * GB, provenModuleMiB: 16 * GB }),
    ],
  },
  {
    maker: 'Kestwick',
    name: 'Plate 4',
    yearFrom: 2022,
    yearTo: null,
    productStrings: ['KP4-R', 'Plate 4'],
    note: '',
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
      ...said('cpu-page', 'CPU page, Merle 6700', { cpuMaxRateMTs: 4800, cpuMaxMiB: 128 * GB }),
    ],
  },
  {
    maker: 'Kestwick',
    name: 'Ledger 16',
    yearFrom: 2023,
    yearTo: null,
    productStrings: ['KL16-A', 'Ledger 16'],
    note: 'Office laptop, usually under a support contract.',
    slots: sockets('A1 B1'),
    claims: [
      ...said('maker-page', 'Ledger 16 service page', {
        ...DDR5,
        form: 'SO-DIMM',
        ratesMTs: [4800, 5200, 5600],
        totalMiB: 64 * GB,
        moduleMiB: 32 * GB,
      }),
      ...said('cpu-page', 'CPU page, Alda 9', { cpuMaxRateMTs: 5200, cpuMaxMiB: 96 * GB }),
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
