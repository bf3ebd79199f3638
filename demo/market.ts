import type { Generation } from '../core/memory/generation';
import type { Buffering, MemoryModule } from '../core/memory/module';
import { moduleText } from '../core/memory/module-words';
import type { Random } from './random';
import { DEMO_SELLERS } from './sellers';

const GB = 1024;

/** A sort of module that is on the market: what it is, and what one GB of it costs the shop. */
interface Ware {
  generation: Generation;
  form: 'DIMM' | 'SO-DIMM';
  buffering: Buffering;
  ecc: boolean;
  gb: readonly number[];
  /** rate in MT/s and CL */
  speeds: readonly (readonly [number, number])[];
  voltagesMv: readonly number[];
  kits: readonly number[];
  centsPerGb: number;
}

const plain = { buffering: 'unbuffered', ecc: false } as const;

const WARES: readonly Ware[] = [
  {
    ...plain,
    generation: 'DDR2',
    form: 'SO-DIMM',
    gb: [1, 2],
    speeds: [
      [667, 5],
      [800, 6],
    ],
    voltagesMv: [1800],
    kits: [1, 2],
    centsPerGb: 430,
  },
  {
    ...plain,
    generation: 'DDR3',
    form: 'DIMM',
    gb: [2, 4, 8],
    speeds: [
      [1333, 9],
      [1600, 11],
    ],
    voltagesMv: [1500],
    kits: [1, 2],
    centsPerGb: 190,
  },
  {
    ...plain,
    generation: 'DDR3',
    form: 'SO-DIMM',
    gb: [2, 4, 8],
    speeds: [
      [1333, 9],
      [1600, 11],
    ],
    voltagesMv: [1350, 1500],
    kits: [1, 2],
    centsPerGb: 210,
  },
  {
    ...plain,
    generation: 'DDR3',
    form: 'SO-DIMM',
    gb: [4],
    speeds: [[1600, 11]],
    voltagesMv: [1500],
    kits: [1],
    centsPerGb: 170,
  },
  {
    generation: 'DDR3',
    form: 'DIMM',
    buffering: 'unbuffered',
    ecc: true,
    gb: [4, 8],
    speeds: [[1333, 9]],
    voltagesMv: [1500],
    kits: [1, 3],
    centsPerGb: 260,
  },
  {
    generation: 'DDR3',
    form: 'DIMM',
    buffering: 'registered',
    ecc: true,
    gb: [8, 16],
    speeds: [[1333, 9]],
    voltagesMv: [1500],
    kits: [1, 3],
    centsPerGb: 150,
  },
  {
    ...plain,
    generation: 'DDR4',
    form: 'DIMM',
    gb: [4, 8, 16, 32],
    speeds: [
      [2400, 17],
      [2666, 19],
      [3200, 22],
    ],
    voltagesMv: [1200],
    kits: [1, 2],
    centsPerGb: 215,
  },
  {
    ...plain,
    generation: 'DDR4',
    form: 'SO-DIMM',
    gb: [4, 8, 16, 32],
    speeds: [
      [2400, 17],
      [2666, 19],
      [3200, 22],
    ],
    voltagesMv: [1200],
    kits: [1, 2],
    centsPerGb: 220,
  },
  {
    ...plain,
    generation: 'DDR5',
    form: 'DIMM',
    gb: [8, 16, 32],
    speeds: [
      [4800, 40],
      [5600, 46],
    ],
    voltagesMv: [1100],
    kits: [1, 2],
    centsPerGb: 310,
  },
  {
    ...plain,
    generation: 'DDR5',
    form: 'SO-DIMM',
    gb: [8, 16, 32],
    speeds: [
      [4800, 40],
      [5600, 46],
    ],
    voltagesMv: [1100],
    kits: [1, 2],
    centsPerGb: 320,
  },
];

/** Makers of third-party modules, all made up, with how dear they are. */
const BRANDS = [
  { name: 'Brightlode', dear: 1.0 },
  { name: 'Vellamo', dear: 1.08 },
  { name: 'Corrick', dear: 0.94 },
] as const;

/** An offer before it is in the database; `seller` counts in DEMO_SELLERS, null is the shelf. */
export interface DemoOffer {
  seller: number | null;
  sellerPart: string | null;
  title: string;
  origin: 'original' | 'third-party' | 'used';
  modules: number;
  module: MemoryModule;
  stock: number | null;
  costCents: number;
  /** maker and name of the models an original part is made for */
  madeFor: string[];
}

function moduleOf(
  ware: Ware,
  gb: number,
  [rateMTs, casLatency]: readonly [number, number],
  maker: string,
  part: string,
): MemoryModule {
  const { generation, form, buffering, ecc } = ware;
  return {
    generation,
    form,
    buffering,
    ecc,
    capacityMiB: gb * GB,
    rateMTs,
    casLatency,
    ranks: gb >= 16 || (generation === 'DDR3' && gb >= 8) ? 2 : 1,
    voltagesMv: [...ware.voltagesMv],
    maker,
    part,
  };
}

const costOf = (ware: Ware, gb: number, dear: number, modules: number): number =>
  Math.round((ware.centsPerGb * gb * dear + 320) * modules * (modules > 1 ? 0.96 : 1));

function title(maker: string, module: MemoryModule, modules: number): string {
  return `${maker} ${modules > 1 ? `${modules} x ` : ''}${moduleText(module)}`;
}

function thirdParty(random: Random): DemoOffer[] {
  const offers: DemoOffer[] = [];
  for (const ware of WARES) {
    for (const gb of ware.gb) {
      for (const speed of ware.speeds) {
        for (const modules of ware.kits) {
          const first = Math.floor(random() * DEMO_SELLERS.length);
          const sellers = random() < 0.45 ? [first, (first + 1) % DEMO_SELLERS.length] : [first];
          const brand = BRANDS[Math.floor(random() * BRANDS.length)] ?? BRANDS[0];
          for (const seller of sellers) {
            const part = `${brand.name.slice(0, 2).toUpperCase()}${ware.generation.slice(3) || '1'}${ware.form === 'DIMM' ? 'D' : 'S'}${gb}-${speed[0]}${modules > 1 ? `K${modules}` : ''}${ware.buffering === 'registered' ? 'R' : ware.ecc ? 'E' : ''}${ware.voltagesMv.length > 1 ? 'L' : ''}`;
            const module = moduleOf(ware, gb, speed, brand.name, part);
            const dear = brand.dear * (DEMO_SELLERS[seller]?.dear ?? 1) * (0.95 + random() * 0.12);
            offers.push({
              seller,
              sellerPart: part,
              title: title(brand.name, module, modules),
              origin: 'third-party',
              modules,
              module,
              stock: random() < 0.12 ? 1 + Math.floor(random() * 4) : null,
              costCents: costOf(ware, gb, dear, modules),
              madeFor: [],
            });
          }
        }
      }
    }
  }
  return offers;
}

/** Original parts: maker, the models, form and speed, sizes. Two to four times an equal third-party module. */
const ORIGINALS: readonly { maker: string; models: string[]; ware: number; gb: number[]; speed: [number, number] }[] = [
  { maker: 'Tarnholt', models: ['Tarnholt Counter 4'], ware: 6, gb: [4, 8, 16], speed: [2400, 17] },
  { maker: 'Tarnholt', models: ['Tarnholt Counter 5'], ware: 7, gb: [8, 16, 32], speed: [3200, 22] },
  { maker: 'Ostrell', models: ['Ostrell Sling 14'], ware: 7, gb: [8, 16], speed: [3200, 22] },
  { maker: 'Ostrell', models: ['Ostrell Sling 15'], ware: 7, gb: [4, 8, 16], speed: [2400, 17] },
  { maker: 'Ostrell', models: ['Ostrell Perch'], ware: 2, gb: [4, 8], speed: [1333, 9] },
  { maker: 'Mirrin', models: ['Mirrin Keel 6'], ware: 4, gb: [4, 8], speed: [1333, 9] },
  { maker: 'Mirrin', models: ['Mirrin Gull 23'], ware: 2, gb: [4, 8], speed: [1600, 11] },
  { maker: 'Tarnholt', models: ['Tarnholt Minor'], ware: 1, gb: [2, 4], speed: [1333, 9] },
  { maker: 'Kestwick', models: ['Kestwick Plate 2'], ware: 6, gb: [8], speed: [2666, 19] },
  { maker: 'Kestwick', models: ['Kestwick Plate 4'], ware: 8, gb: [16, 32], speed: [4800, 40] },
  { maker: 'Kestwick', models: ['Kestwick Ledger 16'], ware: 9, gb: [16, 32], speed: [5600, 46] },
  { maker: 'Tarnholt', models: ['Tarnholt Drift'], ware: 0, gb: [1, 2], speed: [667, 5] },
];

function originals(random: Random): DemoOffer[] {
  return ORIGINALS.flatMap(({ maker, models, ware: index, gb, speed }) => {
    const ware = WARES[index];
    if (ware === undefined) return [];
    return gb.map((size): DemoOffer => {
      const part = `${maker.slice(0, 3).toUpperCase()}-${1000 + Math.floor(random() * 9000)}-${size}`;
      const module = moduleOf(ware, size, speed, maker, part);
      return {
        seller: 0,
        sellerPart: part,
        title: `${title(maker, module, 1)}, maker's part ${part}`,
        origin: 'original',
        modules: 1,
        module,
        stock: null,
        costCents: costOf(ware, size, 2.2 + random() * 1.3, 1),
        madeFor: models,
      };
    });
  });
}

/** The shelf: modules that came out of customers' machines and passed the test. */
const SHELF: readonly { ware: number; gb: number; speed: [number, number]; pieces: number }[] = [
  { ware: 6, gb: 4, speed: [2400, 17], pieces: 3 },
  { ware: 6, gb: 8, speed: [2400, 17], pieces: 2 },
  { ware: 7, gb: 4, speed: [2400, 17], pieces: 4 },
  { ware: 7, gb: 8, speed: [3200, 22], pieces: 1 },
  { ware: 1, gb: 2, speed: [1333, 9], pieces: 4 },
  { ware: 1, gb: 4, speed: [1333, 9], pieces: 1 },
  { ware: 2, gb: 4, speed: [1600, 11], pieces: 2 },
  { ware: 4, gb: 4, speed: [1333, 9], pieces: 3 },
  { ware: 9, gb: 8, speed: [4800, 40], pieces: 2 },
  { ware: 0, gb: 1, speed: [667, 5], pieces: 2 },
];

function shelf(random: Random): DemoOffer[] {
  return SHELF.flatMap(({ ware: index, gb, speed, pieces }) => {
    const ware = WARES[index];
    const brand = BRANDS[Math.floor(random() * BRANDS.length)];
    if (ware === undefined || brand === undefined) return [];
    const module = moduleOf(ware, gb, speed, brand.name, `${brand.name.slice(0, 2).toUpperCase()}-U${gb}`);
    const costCents = costOf(ware, gb, 0.35, 1);
    return [
      {
        seller: null,
        sellerPart: null,
        title: `${title(brand.name, module, 1)}, used, tested`,
        origin: 'used',
        modules: 1,
        module,
        stock: pieces,
        costCents,
        madeFor: [],
      },
    ];
  });
}

/** Everything that can be bought in Skerrow, the same for the same seed. */
export function demoOffers(random: Random): DemoOffer[] {
  return [...thirdParty(random), ...originals(random), ...shelf(random)];
}

/** Earlier costs of an offer, oldest first, that wander to what it costs now. */
export function demoHistory(random: Random, costCents: number, months: number): number[] {
  const path: number[] = [];
  let cost = costCents;
  for (let month = 0; month < months; month++) {
    cost = Math.max(100, Math.round(cost * (0.97 + random() * 0.09)));
    path.unshift(cost);
  }
  return path;
}
