import type { ModelInput } from '../core/machine/models/model';
import { said, sockets, type Words } from './model-words';

const GB = 1024;
const SERVER: Words = {
  generations: ['DDR4'],
  form: 'DIMM',
  kinds: [
    { buffering: 'registered', ecc: true },
    { buffering: 'load-reduced', ecc: true },
  ],
  voltagesMv: [1200],
  pairing: 'advised',
};

/** Sockets of a server: two in each of these channels, named by processor, channel and place. */
function serverSockets(channels: readonly string[]) {
  return channels.flatMap((channel) =>
    [1, 2].map((bank) => ({ name: `${channel}-${bank}`, channel, bank, latch: bank === 1 ? 'blue' : 'black' })),
  );
}

const ofProcessor = (processor: number): string[] =>
  ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'].map((letter) => `P${processor}${letter}`);

/** Servers and a bare board: more sockets than a till has, and CPUs chosen apart. */
export const LARGER_MODELS: readonly ModelInput[] = [
  {
    maker: 'Mirrin',
    family: 'Mast',
    name: 'Mast 8',
    yearFrom: 2018,
    yearTo: 2021,
    productStrings: ['MM8-R2', 'Mast 8'],
    modelIds: ['MM8-R2'],
    note: 'Small server with four channels.',
    cpus: [
      { name: 'Corvin 71', maxMiB: 512 * GB, maxRateMTs: 2666 },
      { name: 'Corvin 75', maxMiB: 1024 * GB, maxRateMTs: 2933 },
    ],
    slots: sockets('A1 B1 C1 D1 A2 B2 C2 D2', { place: 'open' }),
    claims: said('board-manual', 'Mast 8 board manual, p. 18', {
      ...SERVER,
      ratesMTs: [2133, 2400, 2666, 2933],
      totalMiB: 256 * GB,
      moduleMiB: 32 * GB,
      maxRanksPerChannel: 8,
      rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 2666 }],
    }),
  },
  {
    maker: 'Mirrin',
    family: 'Mast',
    name: 'Mast 32',
    yearFrom: 2020,
    yearTo: null,
    productStrings: ['MM32-R1', 'Mast 32'],
    modelIds: ['MM32-R1'],
    note: 'Two processors with eight channels each.',
    cpus: [{ name: 'Corvin 82', maxMiB: 4096 * GB, maxRateMTs: 3200 }],
    slots: serverSockets([...ofProcessor(1), ...ofProcessor(2)]),
    claims: said('board-manual', 'Mast 32 board manual, p. 40', {
      ...SERVER,
      ratesMTs: [2666, 2933, 3200],
      totalMiB: 4096 * GB,
      moduleMiB: 128 * GB,
      rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 2933 }],
    }),
  },
  {
    maker: 'Ostrell',
    family: 'Keystone',
    name: 'Keystone B5',
    kind: 'board',
    yearFrom: 2022,
    yearTo: null,
    boardIds: ['OKB5'],
    modelIds: ['OKB5-D'],
    productStrings: ['Keystone B5'],
    note: 'A bare board: its CPU is bought apart, or not yet.',
    cpus: [
      { name: 'Merle 6400', maxMiB: 64 * GB, maxRateMTs: 4800 },
      { name: 'Merle 6700', maxMiB: 128 * GB, maxRateMTs: 4800 },
      { name: 'Merle 7700', maxMiB: 192 * GB, maxRateMTs: 5600 },
    ],
    slots: sockets('A1 B1 A2 B2', { place: 'open' }),
    claims: said('board-manual', 'Keystone B5 manual, p. 22', {
      generations: ['DDR5'],
      form: 'DIMM',
      kinds: [{ buffering: 'unbuffered', ecc: false }],
      voltagesMv: [1100],
      pairing: 'advised',
      profiles: true,
      ratesMTs: [3600, 4400, 4800, 5200, 5600],
      totalMiB: 192 * GB,
      moduleMiB: 48 * GB,
      fillOrder: ['A2', 'B2', 'A1', 'B1'],
      rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 3600 }],
    }),
  },
];
