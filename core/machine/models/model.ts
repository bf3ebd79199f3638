import { z } from 'zod';
import { daySchema, machineMiBSchema, moduleMiBSchema, rateSchema } from '../../bounds';
import { BUFFERINGS, generationSchema } from '../../memory/module';
import { DEPTHS, OUTCOMES } from '../limits/evidence';
import { type Claim, LIMIT_NAMES, LIMIT_SCHEMAS, type LimitName } from '../limits/limit';
import { knownModuleSchema } from '../slots/job-slot';
import { NOTHING_KNOWN } from './nothing-known';

const line = (most: number) => z.string().trim().max(most, `At most ${most} characters, please.`);
const named = (most: number) => line(most).min(1, 'A name is missing.');
const identifiers = z.array(named(80)).max(50).default([]);

/** Where a slot is, from what is opened first to what is opened last. */
export const SLOT_PLACES = ['open', 'door', 'shield', 'keyboard', 'deep', 'soldered'] as const;
export type SlotPlace = (typeof SLOT_PLACES)[number];

/** Who can claim something of a model; what machines and weighing say of themselves is never stored with one. */
export const CLAIM_SOURCES = [
  'technician',
  'lid-label',
  'board-manual',
  'cpu-page',
  'maker-page',
  'tested-list',
] as const;

/** What a model may hold beside these: what is usual of such a board, which everybody's word outweighs. */
export const MODEL_SOURCES = [...CLAIM_SOURCES, 'standard'] as const;

/** A CPU that a model may have, with what its data say. Capacity MiB, rate MT/s. */
export const cpuChoiceSchema = z.strictObject({
  name: named(120),
  maxMiB: machineMiBSchema.nullable().default(null),
  maxRateMTs: rateSchema.nullable().default(null),
});
export type CpuChoice = z.infer<typeof cpuChoiceSchema>;

const slotSchema = z.strictObject({
  name: named(60),
  channel: named(20),
  bank: z.number().int().min(0).max(99),
  maxMiB: machineMiBSchema.nullable().default(null),
  /** the name that the label in the lid gives it; the board's own rules */
  lidName: named(60).nullable().default(null),
  place: z.enum(SLOT_PLACES).nullable().default(null),
  /** colour of its latch or socket, as printed or seen */
  latch: named(40).nullable().default(null),
  soldered: knownModuleSchema
    .partial()
    .transform((module) => ({ ...NOTHING_KNOWN, ...module }))
    .nullable()
    .default(null),
});
/** A slot as the model library describes it, with everything that a technician sees of it. */
export type LibrarySlot = z.infer<typeof slotSchema>;

const claimSchema = z
  .strictObject({
    limit: z.enum(LIMIT_NAMES as [LimitName, ...LimitName[]], { error: 'There is no such limit.' }),
    value: z.unknown(),
    source: z.strictObject({
      kind: z.enum(MODEL_SOURCES),
      name: named(200),
      note: line(500).default(''),
      on: daySchema.nullable().default(null),
    }),
  })
  .superRefine(({ limit, value }, context) => {
    if (value === undefined || value === null) {
      context.addIssue({ code: 'custom', path: ['value'], message: 'A limit needs a value.' });
    } else if (!LIMIT_SCHEMAS[limit].safeParse(value).success) {
      context.addIssue({ code: 'custom', path: ['value'], message: `This is no value of ${limit}.` });
    }
  });
export type ModelClaim = z.infer<typeof claimSchema>;

const factoryOptionSchema = z.strictObject({
  totalMiB: machineMiBSchema,
  /** minor units over the base model */
  surchargeCents: z.number().int().min(0).max(100_000_000),
  /** the base model that the maker requires for it; empty: any */
  baseModel: line(120).default(''),
});
export type FactoryOption = z.infer<typeof factoryOptionSchema>;

const openingStepSchema = z.strictObject({
  text: named(300),
  tool: line(60).default(''),
  fasteners: z.number().int().min(1).max(99).nullable().default(null),
  lengthMm: z.number().positive().max(200).nullable().default(null),
  /** the part to unplug */
  unplug: line(80).default(''),
  caution: line(200).default(''),
  minutes: z.number().positive().max(240).nullable().default(null),
  /** number of the photograph in this shop that shows it; it does not travel with files */
  photo: z.number().int().positive().max(2_147_483_647).nullable().optional(),
});
export type OpeningStep = z.infer<typeof openingStepSchema>;

/** A trial as it is entered; the model it was made in is known from where it stands. */
export const trialSchema = z
  .strictObject({
    moduleMiB: moduleMiBSchema,
    generation: generationSchema,
    buffering: z.enum(BUFFERINGS).default('unbuffered'),
    ecc: z.boolean().default(false),
    rateMTs: rateSchema.nullable().default(null),
    modules: z.number().int().min(1).max(64),
    slots: z.array(named(60)).max(64).default([]),
    totalMiB: machineMiBSchema,
    firmware: line(80).default(''),
    cpu: line(120).default(''),
    outcome: z.enum(OUTCOMES),
    depth: z.enum(DEPTHS),
    note: line(500).default(''),
    on: daySchema,
  })
  .refine(({ moduleMiB, modules, totalMiB }) => totalMiB >= moduleMiB * modules, {
    path: ['totalMiB'],
    message: 'The total is less than its modules.',
  });
export type NewTrial = z.infer<typeof trialSchema>;

const testedPartSchema = z.strictObject({
  list: named(200),
  part: named(80).refine((part) => partKey(part).length >= 3, 'A part number has at least three letters or digits.'),
});
export type TestedPart = z.infer<typeof testedPartSchema>;

/** A part number without what parts it, so that spellings meet. */
export const partKey = (part: string): string =>
  part
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .slice(0, 60);

/** The most sockets that one channel of any standard has (fully buffered DDR2). */
const MOST_PER_CHANNEL = 8;

/** What is wrong with a board's slots: a name twice, a place twice, more sockets than a channel allows. */
export function boardFault(slots: readonly Pick<LibrarySlot, 'name' | 'channel' | 'bank'>[]): string | null {
  for (const [index, slot] of slots.entries()) {
    const before = slots.slice(0, index);
    if (before.some(({ name }) => name === slot.name)) return `Two slots are called ${slot.name}.`;
    const same = before.find(({ channel, bank }) => channel === slot.channel && bank === slot.bank);
    if (same !== undefined) {
      return `${same.name} and ${slot.name} both stand at channel ${slot.channel}, bank ${slot.bank}.`;
    }
    const inChannel = before.filter(({ channel }) => channel === slot.channel).length + 1;
    if (inChannel > MOST_PER_CHANNEL) {
      return `Channel ${slot.channel} has more than the ${MOST_PER_CHANNEL} slots that any channel takes.`;
    }
  }
  return null;
}

/** A model of the library, whole. Capacities MiB, rates MT/s, money minor units, lengths mm. */
export const modelSchema = z
  .strictObject({
    maker: named(80),
    family: line(80).default(''),
    name: named(120),
    /** a bare board is a model too: its CPU is chosen apart */
    kind: z.enum(['machine', 'board']).default('machine'),
    yearFrom: z.number().int().min(1980, 'Years are from 1980 on.').max(2100, 'Years are up to 2100.'),
    yearTo: z.number().int().min(1980).max(2100).nullable().default(null),
    note: line(1000).default(''),
    modelIds: identifiers,
    boardIds: identifiers,
    productStrings: identifiers,
    serialPrefixes: identifiers,
    cpus: z.array(cpuChoiceSchema).max(50).default([]),
    firmware: z.array(named(80)).max(50).default([]),
    factoryOptions: z.array(factoryOptionSchema).max(30).default([]),
    factoryMaxMiB: machineMiBSchema.nullable().default(null),
    opening: z.array(openingStepSchema).max(60).default([]),
    slots: z.array(slotSchema).max(64).default([]),
    claims: z.array(claimSchema).max(300).default([]),
    trials: z.array(trialSchema).max(1000).default([]),
    testedParts: z.array(testedPartSchema).max(5000).default([]),
  })
  .superRefine((model, context) => {
    const wrong = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    if (model.yearTo !== null && model.yearTo < model.yearFrom) wrong('yearTo', 'It ended before it began.');
    const fault = boardFault(model.slots);
    if (fault !== null) wrong('slots', fault);
    const names = new Set(model.slots.map(({ name }) => name));
    for (const { limit, value } of model.claims) {
      const unknown = limit === 'fillOrder' ? (value as string[]).find((name) => !names.has(name)) : undefined;
      if (unknown !== undefined) wrong('claims', `The fill order names ${unknown}, which is no slot.`);
    }
  });
export type FullModel = z.infer<typeof modelSchema>;
export type ModelInput = z.input<typeof modelSchema>;

/** The format that a file of models names itself. */
export const LIBRARY_FORMAT = 'models/1';

/** What a chosen CPU claims. */
export function claimsOfCpu(cpu: CpuChoice): Claim[] {
  const source = { kind: 'cpu-page', name: `CPU data, ${cpu.name}` } as const;
  return [
    ...(cpu.maxMiB === null ? [] : [{ limit: 'cpuMaxMiB' as const, value: cpu.maxMiB, source }]),
    ...(cpu.maxRateMTs === null ? [] : [{ limit: 'cpuMaxRateMTs' as const, value: cpu.maxRateMTs, source }]),
  ];
}

/**
 * Which of a model's CPUs a machine has: the one that was named, as far as it can be told; the only one; or none.
 *
 * @param told what a reading or a person calls it; empty: nobody says
 */
export function chosenCpu(cpus: readonly CpuChoice[], told: string): CpuChoice | null {
  if (told.trim() === '') return cpus.length === 1 ? (cpus[0] ?? null) : null;
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, ' ')
      .trim();
  const words = ` ${plain(told)} `;
  const named = cpus.filter(({ name }) => words.includes(` ${plain(name)} `));
  return named.sort((a, b) => b.name.length - a.name.length)[0] ?? null;
}
