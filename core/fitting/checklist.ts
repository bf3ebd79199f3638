import { z } from 'zod';
import type { OpeningStep } from '../machine/models/model';
import type { JobSlot } from '../machine/slots/job-slot';
import { GENERATIONS, type Generation } from '../memory/generation';
import { movesOf } from '../planning/explain/moves';
import type { QuoteOption } from '../quoting/snapshot';

/** What the work goes through, in this order. Closing comes after the test: a machine is not closed twice. */
export const PHASES = ['safe', 'open', 'out', 'in', 'test', 'close', 'last'] as const;
export type Phase = (typeof PHASES)[number];

const fastenersSchema = z.strictObject({
  count: z.number().int().positive(),
  lengthMm: z.number().positive().nullable(),
  /** the dish of the tray where they lie until closing, from 1 */
  dish: z.number().int().positive(),
});

export const fittingStepSchema = z.strictObject({
  /** stays the same while the list does; what is ticked is known by it */
  key: z.string().min(1).max(80),
  phase: z.enum(PHASES),
  text: z.string(),
  caution: z.string(),
  tool: z.string(),
  fasteners: fastenersSchema.nullable(),
  /** the cable or part that is unplugged, or plugged in again */
  cable: z.string(),
  /** the socket that it is about */
  slot: z.string().nullable(),
  /** the module that moves, in words */
  module: z.string().nullable(),
  /** the socket with its notch is drawn for anyone who puts a module in */
  notch: z.strictObject({ generation: z.enum(GENERATIONS).nullable(), form: z.string().nullable() }).nullable(),
  /** what it usually takes; null: nobody noted it */
  minutes: z.number().positive().nullable(),
  /** number of the model's photograph that shows it */
  photo: z.number().int().positive().nullable().default(null),
});
export type FittingStep = z.infer<typeof fittingStepSchema>;

/** Is a new module in hand for it? What is moved or taken out is in the machine already. */
export const needsPart = ({ key }: Pick<FittingStep, 'key'>): boolean => key.startsWith('in.');

const PLAIN = {
  caution: '',
  tool: '',
  fasteners: null,
  cable: '',
  slot: null,
  module: null,
  notch: null,
  minutes: null,
  photo: null,
} as const;

export interface ChecklistInput {
  opening: readonly OpeningStep[];
  slots: readonly JobSlot[];
  /** what the library knows of slots beside: where each is and what its latch looks like */
  library: readonly { name: string; place: string | null; latch: string | null }[];
  fillOrder: readonly string[];
  option: Pick<QuoteOption, 'before' | 'after' | 'shop' | 'partsOnly'>;
  generation: Generation | null;
  form: string | null;
}

/** Forms whose machines run on a battery, mostly. */
const WITH_BATTERY = /SO-?DIMM|CAMM/i;

function safeSteps({ opening, form }: ChecklistInput): FittingStep[] {
  const hasBattery = WITH_BATTERY.test(form ?? '') || opening.some(({ text }) => /battery/i.test(text));
  const step = (key: string, text: string, caution = ''): FittingStep => ({
    ...PLAIN,
    key: `safe.${key}`,
    phase: 'safe',
    text,
    caution,
  });
  return [
    step('off', 'Shut the machine down', 'Asleep is not off: memory stays under power.'),
    step('unplug', 'Unplug the mains and every cable'),
    ...(hasBattery
      ? [
          step(
            'battery',
            'Take the battery out, or disable it in the firmware',
            'One that is built in is unplugged first thing after opening.',
          ),
        ]
      : []),
    step('drain', 'Hold the power button for ten seconds', 'It empties what the supply still holds.'),
    step('earth', 'Earth yourself: strap on, or touch bare metal', 'And again after every walk across the floor.'),
  ];
}

function openSteps({ opening }: ChecklistInput): FittingStep[] {
  let dish = 0;
  return opening.map((one, nr) => {
    if (one.fasteners !== null) dish++;
    return {
      ...PLAIN,
      key: `open.${nr + 1}`,
      phase: 'open',
      text: one.text,
      caution: one.caution,
      tool: one.tool,
      fasteners: one.fasteners === null ? null : { count: one.fasteners, lengthMm: one.lengthMm, dish },
      cable: one.unplug,
      minutes: one.minutes,
      photo: one.photo ?? null,
    };
  });
}

/** What closes what a step opened. */
function closingText({ fasteners, cable, text }: FittingStep): string {
  const parts = [
    cable === '' ? '' : `Plug in again: ${cable}`,
    fasteners === null
      ? ''
      : `Drive ${fasteners.count === 1 ? 'the fastener' : `the ${fasteners.count} fasteners`} of dish ${fasteners.dish} back`,
  ].filter((part) => part !== '');
  return parts.length === 0 ? `Back as it was: ${text}` : parts.join('; ');
}

/** What was opened is closed the other way round: the dish that was filled last is emptied first. */
function closeSteps(opened: readonly FittingStep[]): FittingStep[] {
  return opened.toReversed().map((step) => ({
    ...step,
    key: step.key.replace('open', 'close'),
    phase: 'close',
    text: closingText(step),
    caution: step.fasteners?.lengthMm == null ? '' : 'A longer one in a shorter hole goes through what lies below.',
    minutes: null,
  }));
}

const placeWords: Readonly<Record<string, string>> = {
  door: 'behind the door',
  shield: 'under the shield',
  keyboard: 'under the keyboard',
  deep: 'deep inside',
};

/** Where a socket is and how it is told, beside its name. */
function whereWords(slot: string, { slots, library }: ChecklistInput): string {
  const lid = slots.find(({ name }) => name === slot)?.lidName ?? null;
  const known = library.find(({ name }) => name === slot);
  const words = [
    lid === null || lid === slot ? '' : `on the lid’s label ${lid}`,
    placeWords[known?.place ?? ''] ?? '',
    known?.latch == null ? '' : `${known.latch} latches`,
  ].filter((part) => part !== '');
  return words.length === 0 ? '' : `${slot} is ${words.join(', ')}. `;
}

function moveSteps(input: ChecklistInput): FittingStep[] {
  const { option, slots, fillOrder, generation, form } = input;
  const { placement, kept } = option.shop;
  const inBefore = new Map(option.before.map((one) => [one.slot, one]));
  const inAfter = new Map(option.after.map((one) => [one.slot, one]));
  const offers = new Map(
    Object.entries(placement).flatMap(([slot, seat]) =>
      'offer' in seat ? [[seat.offer, inAfter.get(slot)?.capacityMiB ?? 0] as const] : [],
    ),
  );
  const built = new Set(option.before.filter(({ fate }) => fate === 'built-in').map(({ slot }) => slot));
  const moves = movesOf(
    {
      machine: {
        slots: slots.map(({ name, channel, bank, soldered }) => ({
          id: name,
          channel,
          bank,
          soldered: soldered || built.has(name) ? ({} as never) : null,
        })),
        fillOrder: [...fillOrder],
      },
      installed: option.before.flatMap(({ slot, capacityMiB }) =>
        capacityMiB === null || built.has(slot) ? [] : [{ slot, module: { capacityMiB } }],
      ),
      offers: [...offers].map(([id, capacityMiB]) => ({ id, module: { capacityMiB } })),
    },
    { kept, placement },
  );
  let bag = 0;
  const notch = { generation, form };
  const latches = 'Press both latches open; lift it by its edges, never by its contacts.';
  const seat = 'Notch to the key, straight in, until both latches close. Contacts untouched.';
  return moves.map((move): FittingStep => {
    if (move.what === 'out' || move.what === 'set-aside') {
      const module = inBefore.get(move.slot)?.text ?? null;
      if (move.what === 'out') bag++;
      const goes = move.what === 'out' ? `into bag ${bag}` : 'aside for a moment, onto its bag';
      return {
        ...PLAIN,
        key: `${move.what}.${move.slot}`,
        phase: 'out',
        text: `Take ${module ?? 'the module'} out of ${move.slot}, ${goes}`,
        caution: `${whereWords(move.slot, input)}${latches}`,
        slot: move.slot,
        module,
      };
    }
    if (move.what === 'move') {
      const module = inBefore.get(move.from)?.text ?? null;
      return {
        ...PLAIN,
        key: `move.${move.from}.${move.to}`,
        phase: 'in',
        text: `Put ${module ?? 'the module'} of ${move.from} into ${move.to}`,
        caution: `${whereWords(move.to, input)}${seat}`,
        slot: move.to,
        module,
        notch,
      };
    }
    const module = inAfter.get(move.slot)?.text ?? null;
    return {
      ...PLAIN,
      key: `in.${move.slot}`,
      phase: 'in',
      text: `Put a new ${module ?? 'module'} into ${move.slot}`,
      caution: `${whereWords(move.slot, input)}${seat}`,
      slot: move.slot,
      module,
      notch,
    };
  });
}

const TEST: readonly FittingStep[] = [
  {
    ...PLAIN,
    key: 'test.power',
    phase: 'test',
    text: 'Before closing: power on, and wait',
    caution: 'One slow start and a notice of changed memory are normal. Mind the fans, keep hands out.',
  },
  { ...PLAIN, key: 'test.total', phase: 'test', text: 'It starts and shows the new total' },
  { ...PLAIN, key: 'test.off', phase: 'test', text: 'Power off and unplug again, button held' },
];

const LAST: readonly FittingStep[] = [
  { ...PLAIN, key: 'last.tray', phase: 'last', text: 'No fastener is left in the tray, no tool in the machine' },
  { ...PLAIN, key: 'last.start', phase: 'last', text: 'Closed, it starts; read its report for Proof' },
];

/** The step after which the parts of a job are the customer's to fit. */
export const HAND_OVER_STEP = 'last.hand-over';

/** Parts to take home: nothing is done to the machine here. */
const HAND_OVER: FittingStep[] = [
  {
    ...PLAIN,
    key: 'last.parts',
    phase: 'last',
    text: 'Check the parts: number, type and condition are those of the quote',
  },
  {
    ...PLAIN,
    key: HAND_OVER_STEP,
    phase: 'last',
    text: 'Hand the parts over, with the picture of where each module goes',
    caution: 'Ask for the machine’s report afterwards: it is the proof.',
  },
];

/**
 * What is done at the bench for an option, in the order of doing: made safe, opened by the model's own steps, taken out and
 * put in by the plan's placement, tested while it is open, closed the other way round, checked.
 */
export function checklistOf(input: ChecklistInput): FittingStep[] {
  if (input.option.partsOnly) return HAND_OVER;
  const opened = openSteps(input);
  const moved = moveSteps(input);
  return [...safeSteps(input), ...opened, ...moved, ...TEST, ...closeSteps(opened), ...LAST];
}
