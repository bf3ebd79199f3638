import { type Generation, isLowPower } from '../../memory/generation';
import type { ClaimedLimit, SpecificationReading } from '../reading';
import { aboutOf } from './about';
import { Claims, claimKinds, claimRates, claimSizes } from './claims';
import { foldText } from './fold-text';
import { nameOf } from './name';
import { type Notes, notesOf } from './notes';
import { isOtherProse } from './prose';
import { MOST_UNITS, type SpecUnit, unitsOf } from './units';

/** Soldered, as the text says it, or because low-power memory is soldered unless its form is a module's. */
function solderedOf(notes: Notes, generations: readonly Generation[], form: string | null): boolean | null {
  if (notes.soldered.some(({ isSoldered }) => isSoldered)) return true;
  if (generations.some(isLowPower) && form === null) return true;
  return notes.soldered.length > 0 ? false : null;
}

/** What a text begins with: its first line's label, or the line. */
const headOf = (unit: SpecUnit | undefined): string =>
  unit === undefined ? '' : unit.labelEnd > 0 ? unit.text.slice(0, unit.labelEnd) : unit.text;

/** A specification is pages long; a text of more is read as far as this. */
const MOST_CHARACTERS = 200_000;

/** How sure it is that a text says what a kind of machine takes. */
export type Sureness = 'sure' | 'maybe' | 'none';

export interface SpecificationFound {
  reading: SpecificationReading;
  sure: Sureness;
  /** how many things it says that only a specification does */
  strength: number;
}

const TAKEN: ReadonlySet<ClaimedLimit> = new Set([
  'totalMiB',
  'moduleMiB',
  'cpuMaxMiB',
  'cpuMaxRateMTs',
  'rateByLoad',
  'pairing',
  'osVisibleMiB',
  'ratesMTs',
]);

/** Claims that make a specification with nothing else beside them. */
const ALONE: ReadonlySet<ClaimedLimit> = new Set(['totalMiB', 'cpuMaxMiB', 'rateByLoad']);

function surenessOf(
  input: string,
  folded: string,
  { claims, slotCount, channels, soldered, standardMemory }: SpecificationReading,
  notes: Notes,
): { sure: Sureness; strength: number } {
  if (isOtherProse(folded)) return { sure: 'none', strength: 0 };
  const strong =
    claims.filter(({ limit }) => TAKEN.has(limit) && limit !== 'ratesMTs').length +
    (notes.slots.length > 0 && slotCount !== null ? 1 : 0) +
    ((notes.fixed.length > 0 && soldered) || slotCount === 0 ? 2 : 0);
  const weak =
    claims.filter(({ limit }) => !TAKEN.has(limit) || limit === 'ratesMTs').length +
    (channels === null ? 0 : 1) +
    (soldered === null ? 0 : 1);
  const isLong = input.trim().includes('\n');
  const isAlone = claims.every(({ limit }) => !ALONE.has(limit));
  const isSure =
    strong >= 2 ||
    (strong === 1 && (weak > 0 || !isAlone)) ||
    (isLong && weak >= 3 && claims.some(({ limit }) => limit === 'ratesMTs'));
  return { sure: isSure ? 'sure' : weak > 0 || standardMemory.length > 0 ? 'maybe' : 'none', strength: strong };
}

/**
 * Reads a specification of a kind of machine, board or CPU: what is taken, claim by claim with the words that say so. Never
 * throws; linear in the input. What the text does not say is null or no claim; what contradicts itself is named and left out.
 *
 * @param name what the text is called where it does not stand in it (a page's heading)
 */
export function readSpecification(whole: string, name: string | null = null): SpecificationFound {
  const input = whole.slice(0, MOST_CHARACTERS);
  const units = unitsOf(input);
  const heading = name === null ? nameOf(input) : nameOf(name);
  const notes = notesOf(units, heading !== null && name === null);
  const claims = new Claims(input);
  const folded = units.map(({ text, borrowed }) => text.slice(borrowed)).join('\n');
  const isOverclocked = notes.rates.some(({ isOverclock }) => isOverclock);
  const about = aboutOf(folded, foldText(name ?? '') + headOf(units[0]), {
    hasSlots: notes.slots.length > 0,
    isOverclocked,
  });
  const { generations, form } = claimKinds(notes, claims);
  const soldered = solderedOf(notes, generations, form);
  const isFixed =
    soldered === true && notes.slots.length === 0 && (notes.fixed.length > 0 || generations.some(isLowPower));
  const { slotCount, standardMemory } = claimSizes(notes, about, claims);
  claimRates(notes, about, generations, claims);
  for (const one of notes.more)
    if (!claims.all.some(({ limit }) => limit === one.limit)) claims.add(one.limit, one.value, one);
  const channels = notes.channels.length === 0 ? null : Math.max(...notes.channels.map((one) => one.channels));
  const reading: SpecificationReading = {
    format: 'specification',
    about,
    name: heading,
    slotCount: about === 'cpu' ? null : isFixed ? 0 : slotCount,
    channels,
    soldered: about === 'cpu' ? null : soldered,
    standardMemory,
    claims: claims.all,
    warnings:
      whole.length > input.length || units.length >= MOST_UNITS
        ? [...claims.warnings, 'truncated: the text is read as far as 200,000 characters and 2,000 lines of data']
        : claims.warnings,
  };
  return { reading, ...surenessOf(input, folded, reading, notes) };
}
