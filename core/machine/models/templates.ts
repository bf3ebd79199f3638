import type { Generation } from '../../memory/generation';
import type { Kind } from '../../memory/module';
import type { LimitName } from '../limits/limit';
import type { LibrarySlot, ModelClaim } from './model';

/** The shape of a board as it is usual: how many channels with how many sockets each, and what goes into them. */
interface Shape {
  text: string;
  form: 'DIMM' | 'SO-DIMM';
  channels: number;
  perChannel: number;
  kinds: readonly Kind[];
  generations: readonly Generation[];
}

const PLAIN: Kind = { buffering: 'unbuffered', ecc: false };
const ECC: Kind = { buffering: 'unbuffered', ecc: true };
const REGISTERED: Kind = { buffering: 'registered', ecc: true };
const LOAD_REDUCED: Kind = { buffering: 'load-reduced', ecc: true };

/** Boards as most makers build them. What a maker says of its own model outweighs all of it. */
export const TEMPLATES = {
  laptop: {
    text: 'Laptop, 2 slots',
    form: 'SO-DIMM',
    channels: 2,
    perChannel: 1,
    kinds: [PLAIN],
    generations: ['DDR2', 'DDR3', 'DDR4', 'DDR5'],
  },
  'laptop-one': {
    text: 'Laptop, 1 slot',
    form: 'SO-DIMM',
    channels: 1,
    perChannel: 1,
    kinds: [PLAIN],
    generations: ['DDR2', 'DDR3', 'DDR4', 'DDR5'],
  },
  'small-desktop': {
    text: 'Small desktop, 2 laptop slots',
    form: 'SO-DIMM',
    channels: 2,
    perChannel: 1,
    kinds: [PLAIN],
    generations: ['DDR3', 'DDR4', 'DDR5'],
  },
  'desktop-two': {
    text: 'Desktop, 2 slots',
    form: 'DIMM',
    channels: 2,
    perChannel: 1,
    kinds: [PLAIN],
    generations: ['DDR2', 'DDR3', 'DDR4', 'DDR5'],
  },
  desktop: {
    text: 'Desktop, 4 slots',
    form: 'DIMM',
    channels: 2,
    perChannel: 2,
    kinds: [PLAIN],
    generations: ['DDR2', 'DDR3', 'DDR4', 'DDR5'],
  },
  workstation: {
    text: 'Workstation, 8 slots in 4 channels',
    form: 'DIMM',
    channels: 4,
    perChannel: 2,
    kinds: [ECC, REGISTERED],
    generations: ['DDR3', 'DDR4', 'DDR5'],
  },
  server: {
    text: 'Server board, 12 slots in 6 channels',
    form: 'DIMM',
    channels: 6,
    perChannel: 2,
    kinds: [REGISTERED, LOAD_REDUCED],
    generations: ['DDR3', 'DDR4'],
  },
  'large-server': {
    text: 'Server board, 16 slots in 8 channels',
    form: 'DIMM',
    channels: 8,
    perChannel: 2,
    kinds: [REGISTERED, LOAD_REDUCED],
    generations: ['DDR4', 'DDR5'],
  },
} as const satisfies Record<string, Shape>;
export type TemplateName = keyof typeof TEMPLATES;
export const TEMPLATE_NAMES = Object.keys(TEMPLATES) as [TemplateName, ...TemplateName[]];

/** Rates that boards of a generation usually run, MT/s (JEDEC 79-2, 79-3, 79-4, 79-5: the standard's own bins). */
const USUAL_RATES: Partial<Record<Generation, readonly number[]>> = {
  DDR2: [533, 667, 800],
  DDR3: [1066, 1333, 1600],
  DDR4: [2133, 2400, 2666],
  DDR5: [4800, 5200, 5600],
};

/** Supply of a generation, mV. */
const USUAL_MV: Partial<Record<Generation, readonly number[]>> = {
  DDR2: [1800],
  DDR3: [1500],
  DDR4: [1200],
  DDR5: [1100],
};

const LETTERS = 'ABCDEFGH';

const slotOf = (channel: string, bank: number, isOnly: boolean): LibrarySlot => ({
  name: isOnly ? channel : `${channel}${bank}`,
  channel,
  bank,
  maxMiB: null,
  lidName: null,
  place: null,
  latch: null,
  soldered: null,
});

/** Slots of a template: channels by letter, in each the sockets by number, the first of every channel first. */
export function templateSlots(name: TemplateName): LibrarySlot[] {
  const { channels, perChannel } = TEMPLATES[name];
  return Array.from({ length: perChannel }, (_, nr) =>
    [...LETTERS.slice(0, channels)].map((channel) => slotOf(channel, nr + 1, perChannel === 1)),
  ).flat();
}

/** What is usual of such a board, as claims that everybody else's word outweighs. */
export function templateClaims(name: TemplateName, generation: Generation): ModelClaim[] {
  const { form, kinds, text } = TEMPLATES[name];
  const source = { kind: 'standard', name: `usual for: ${text}, ${generation}`, note: '', on: null } as const;
  const values: [LimitName, unknown][] = [
    ['generations', [generation]],
    ['form', form],
    ['kinds', [...kinds]],
    ['ratesMTs', USUAL_RATES[generation]],
    ['voltagesMv', USUAL_MV[generation]],
  ];
  return values.flatMap(([limit, value]) => (value === undefined ? [] : [{ limit, value, source }]));
}
