import { capacityText } from '../../memory/capacity';
import { FORMAT_WORDS } from '../../reading/reading-line';
import { dissent, type Observation, type ObservationSource, type Observations } from '../observations';
import type { PlaceSureness } from './infer-place';
import type { JobSlot, ModuleField } from './job-slot';
import type { Joined, MachineField } from './join-readings';
import { observationsOfSlot } from './slots-of-job';
import type { PlacedSlot } from './slots-of-reading';

/** A value in words, with everyone who says it or something else. */
export interface Fact {
  label: string;
  text: string;
  /** who says what holds */
  by: string;
  /** others that say the same */
  also: string[];
  /** others that say something else, with what they say */
  against: { text: string; by: string }[];
}

/** What is known of a slot and from whom. */
export interface SlotFacts {
  place: string;
  values: Fact[];
}

const LABELS: Record<ModuleField, string> = {
  capacityMiB: 'Capacity',
  generation: 'Generation',
  form: 'Form',
  buffering: 'Buffering',
  ecc: 'ECC',
  rateMTs: 'Rate',
  casLatency: 'CL',
  ranks: 'Ranks',
  deviceWidth: 'Chip width',
  deviceGbit: 'Chip density',
  voltagesMv: 'Voltage',
  heightMm: 'Height',
  maker: 'Maker',
  part: 'Part',
  serial: 'Serial',
};

function valueText(field: ModuleField, value: Observation['value']): string {
  if (typeof value === 'object') return `${value.map((mv) => mv / 1000).join(' or ')} V`;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (field === 'capacityMiB') return capacityText(value);
  if (field === 'rateMTs') return `${value} MT/s`;
  if (field === 'heightMm') return `up to ${value} mm`;
  if (field === 'deviceWidth') return `x${value}`;
  return field === 'deviceGbit' ? `${value} Gbit` : String(value);
}

/** Who says something, as it is shown: the kind of input and its name, or the person's or library's word. */
export function sayerText({ kind, name }: ObservationSource): string {
  return kind === 'typed' || kind === 'model' ? name : `${FORMAT_WORDS[kind]} “${name}”`;
}

function factOf(label: string, words: readonly Observation[], text: (value: Observation['value']) => string): Fact[] {
  const [first, ...others] = words;
  if (first === undefined) return [];
  const against = dissent(words);
  return [
    {
      label,
      text: text(first.value),
      by: sayerText(first.by),
      also: others.filter((other) => !against.includes(other)).map(({ by }) => sayerText(by)),
      against: against.map(({ value, by }) => ({ text: text(value), by: sayerText(by) })),
    },
  ];
}

const SURE_WORDS: Record<PlaceSureness, string> = {
  named: 'by its name',
  likely: 'likely: nothing names its channel, but boards of so many slots are wired so',
  guess: 'a guess: nothing names its channel',
};

function placeText({ channel, bank, placeSource }: JobSlot, sure: PlaceSureness | null): string {
  const where = `channel ${channel}, position ${bank}`;
  if (placeSource === 'model') return `${where}, from the model library`;
  if (placeSource === 'typed') return `${where}, typed here`;
  return `${where}, ${SURE_WORDS[sure ?? 'guess']}`;
}

/** For every slot of a job, by its name: where it is and what is in it, each value with who says so. */
export function slotFacts(
  slots: readonly JobSlot[],
  derived: readonly PlacedSlot[],
  joined: Joined,
): Record<string, SlotFacts> {
  const facts = slots.map((slot) => {
    const placed = derived.find((one) => one.slot.name === slot.name);
    const said = placed?.read == null ? {} : (joined.modules[placed.read] ?? {});
    const words = observationsOfSlot(slot, said);
    const fields = Object.keys(LABELS) as ModuleField[];
    const values = fields.flatMap((field) =>
      factOf(LABELS[field], words[field] ?? [], (value) => valueText(field, value)),
    );
    return [slot.name, { place: placeText(slot, placed?.sure ?? null), values }] as const;
  });
  return Object.fromEntries(facts);
}

const MACHINE_LABELS: Record<MachineField, string> = {
  maker: 'Maker',
  model: 'Model',
  serial: 'Serial',
  boardMaker: 'Board maker',
  boardModel: 'Board',
  firmware: 'Firmware',
  cpu: 'CPU',
  os: 'System',
};

/** What the readings say of the machine itself, each value with who says so. */
export function machineFacts(observations: Observations<MachineField>): Fact[] {
  const fields = Object.keys(MACHINE_LABELS) as MachineField[];
  return fields.flatMap((field) => factOf(MACHINE_LABELS[field], observations[field] ?? [], String));
}

/** Why a reading was not joined. */
export const APART_WORDS: Record<Joined['apart'][number]['why'], string> = {
  'another-machine': 'of another machine than the one read last: not joined',
  older: 'an older reading of its kind: the newer one counts',
  'no-slot': 'no slot of the report holds such a module: kept beside it',
  offer: 'something to buy, not something in the machine: an offer of this job where it says enough',
};
