import { z } from 'zod';
import { generationSchema, kindSchema, moduleSchema } from '../../memory/module';
import { CASE_LIMITS } from './case-limits';
import { LANES, ORIGINS } from './lanes';

const whole = z.number().int().positive().max(Number.MAX_SAFE_INTEGER);
const count = z.number().int().nonnegative().max(Number.MAX_SAFE_INTEGER);
const id = z.string().min(1).max(120);

export const PAIRINGS = ['none', 'advised', 'required'] as const;
export const FILL_RULES = ['preferred', 'required'] as const;
export const UNEVEN_CHANNELS = ['flex', 'single'] as const;
export const KEEPS = ['may', 'must', 'never'] as const;

const slotSchema = z.strictObject({
  id,
  channel: id,
  bank: z.number().int(),
  maxMiB: whole.nullish(),
  soldered: moduleSchema.nullish(),
});

const rateByLoadSchema = z.strictObject({ modulesPerChannel: whole, ranks: whole.nullish(), maxRateMTs: whole });
const ceilingSchema = z.strictObject({ official: whole.nullish(), proven: whole.nullish() });

const machineSchema = z.strictObject({
  name: z.string().max(200).nullish(),
  generations: z.array(generationSchema).min(1),
  form: z.string().min(1).max(40),
  kinds: z.array(kindSchema).min(1),
  voltagesMv: z.array(whole).min(1).max(CASE_LIMITS.voltages, `at most ${CASE_LIMITS.voltages} voltages`),
  slots: z.array(slotSchema).min(1),
  fillOrder: z.array(id).nullish(),
  fillRule: z.enum(FILL_RULES).nullish(),
  pairing: z.enum(PAIRINGS),
  unevenChannels: z.enum(UNEVEN_CHANNELS).nullish(),
  ratesMTs: z.array(whole),
  profiles: z.boolean().nullish(),
  cpu: z.strictObject({ maxRateMTs: whole.nullish(), maxMiB: whole.nullish() }).nullish(),
  rateByLoad: z.array(rateByLoadSchema).nullish(),
  ceilings: z
    .strictObject({
      totalMiB: ceilingSchema.nullish(),
      moduleMiB: ceilingSchema.extend({ failed: z.array(whole).nullish() }).nullish(),
    })
    .nullish(),
  maxRanksPerChannel: whole.nullish(),
  maxDeviceGbit: z.number().positive().nullish(),
  deviceWidths: z.array(whole).min(1).nullish(),
  clearanceMm: z.number().positive().nullish(),
  os: z.strictObject({ name: z.string().max(200), visibleMiB: whole.nullish() }).nullish(),
});

const installedSchema = z.strictObject({
  slot: id,
  module: moduleSchema,
  keep: z.enum(KEEPS).nullish(),
  creditCents: count.nullish(),
});

const offerSchema = z.strictObject({
  id,
  label: z.string().max(400),
  origin: z.enum(ORIGINS),
  modules: whole.max(CASE_LIMITS.pack, `a pack has at most ${CASE_LIMITS.pack} modules`),
  module: moduleSchema,
  priceCents: count,
  stock: count.nullish(),
});

export const goalSchema = z.strictObject({
  minMiB: count.nullish(),
  maxPriceCents: z.number().int().nullish(),
  minOpenSlots: count.nullish(),
  minRateMTs: count.nullish(),
  lanes: z.array(z.enum(LANES)).min(1).nullish(),
  without: z.array(id).nullish(),
  maxOffers: count
    .max(CASE_LIMITS.offersInPlan, `a plan has at most ${CASE_LIMITS.offersInPlan} different offers`)
    .nullish(),
});

const caseShape = z.strictObject({
  fenbrik: z.literal('case/1'),
  currency: z.string().regex(/^[A-Z]{3}$/, 'must be an ISO 4217 code of three capitals'),
  machine: machineSchema,
  installed: z.array(installedSchema).max(CASE_LIMITS.installed, `at most ${CASE_LIMITS.installed} installed modules`),
  offers: z.array(offerSchema).max(CASE_LIMITS.offers, `at most ${CASE_LIMITS.offers} offers`),
  labourCents: count.nullish(),
  machines: whole.max(CASE_LIMITS.machines, `at most ${CASE_LIMITS.machines} equal machines`).nullish(),
  goal: goalSchema.nullish(),
});

export type PlanCase = z.infer<typeof caseShape>;
export type Machine = PlanCase['machine'];
export type Slot = Machine['slots'][number];
export type Installed = PlanCase['installed'][number];
export type Offer = PlanCase['offers'][number];
export type Goal = z.infer<typeof goalSchema>;

/**
 * The shape of a case as a JSON Schema (draft 2020-12). It cannot say what holds between fields: that ids are used once and
 * name slots, that rates ascend, and how many sockets and channels there are.
 */
export function caseJsonSchema(): object {
  const { $schema, ...schema } = z.toJSONSchema(caseShape, { target: 'draft-2020-12' });
  return { $schema, $id: 'https://fenbrik.example/case-1.schema.json', title: 'Fenbrik planning case', ...schema };
}

interface Fault {
  path: PropertyKey[];
  message: string;
}

/** Places where an id stands a second time. */
function doubled(ids: readonly string[], path: (index: number) => PropertyKey[]): Fault[] {
  const seen = new Set<string>();
  return ids.flatMap((one, index) => {
    if (seen.has(one)) return [{ path: path(index), message: 'used twice' }];
    seen.add(one);
    return [];
  });
}

/** Boards that are larger than any that is planned. */
function tooLarge({ slots }: PlanCase['machine']): Fault[] {
  const { sockets, channels } = CASE_LIMITS;
  const path = ['machine', 'slots'];
  const most = (count: number, limit: number, what: string): Fault[] =>
    count > limit ? [{ path, message: `at most ${limit} ${what}` }] : [];
  return [
    ...most(slots.filter(({ soldered }) => soldered == null).length, sockets, 'slots'),
    ...most(new Set(slots.map(({ channel }) => channel)).size, channels, 'channels'),
  ];
}

/** More ways to keep some of the installed modules than are planned. */
function tooManyWays(installed: PlanCase['installed']): Fault[] {
  const counts = new Map<string, number>();
  for (const { module, keep } of installed) {
    if ((keep ?? 'may') !== 'may') continue;
    const { maker: _, part: __, heightMm: ___, deviceGbit: ____, deviceWidth: _____, ...looked } = module;
    const key = JSON.stringify(Object.entries(looked).sort());
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const ways = [...counts.values()].reduce((product, count) => product * (count + 1), 1);
  if (ways <= CASE_LIMITS.waysToKeep) return [];
  return [
    { path: ['installed'], message: 'too many different modules may stay or go: say of some what becomes of them' },
  ];
}

/** Ids that must name one of the slots. */
function unknownSlots(
  ids: readonly string[],
  slots: readonly string[],
  path: (index: number) => PropertyKey[],
): Fault[] {
  return ids.flatMap((one, index) =>
    slots.includes(one) ? [] : [{ path: path(index), message: 'no slot has this id' }],
  );
}

/** Faults between fields, which the shape alone cannot tell. */
function crossFaults(planCase: PlanCase): Fault[] {
  const { machine, installed, offers } = planCase;
  const slotIds = machine.slots.map((slot) => slot.id);
  const soldered = new Set(machine.slots.filter((slot) => slot.soldered != null).map((slot) => slot.id));
  const fillOrder = machine.fillOrder ?? [];
  const inSlots = installed.map((one) => one.slot);
  const offerIds = offers.map((offer) => offer.id);
  return [
    ...tooLarge(machine),
    ...doubled(slotIds, (index) => ['machine', 'slots', index, 'id']),
    ...doubled(fillOrder, (index) => ['machine', 'fillOrder', index]),
    ...unknownSlots(fillOrder, slotIds, (index) => ['machine', 'fillOrder', index]),
    ...machine.ratesMTs.flatMap((rate, index) =>
      index > 0 && rate <= (machine.ratesMTs[index - 1] ?? 0)
        ? [{ path: ['machine', 'ratesMTs', index], message: 'rates must ascend' }]
        : [],
    ),
    ...doubled(inSlots, (index) => ['installed', index, 'slot']),
    ...unknownSlots(inSlots, slotIds, (index) => ['installed', index, 'slot']),
    ...inSlots.flatMap((slot, index) =>
      soldered.has(slot) ? [{ path: ['installed', index, 'slot'], message: 'this slot holds soldered memory' }] : [],
    ),
    ...tooManyWays(installed),
    ...doubled(offerIds, (index) => ['offers', index, 'id']),
  ];
}

/**
 * A planning case (`"fenbrik": "case/1"`), whole and consistent. Capacities in MiB, rates in MT/s, voltages in mV,
 * money in integer minor units of `currency`. Optional fields may be missing or null: not known.
 */
export const caseSchema = caseShape.superRefine((planCase, context) => {
  for (const fault of crossFaults(planCase)) context.addIssue({ code: 'custom', ...fault });
});
