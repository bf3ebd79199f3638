import type { Generation } from '../../memory/generation';
import { capacitiesOf, type SaidCapacity } from './capacities';
import { deniedIn } from './denied';
import { type ClaimedKind, kindsIn } from './kinds';
import { type LoadColumns, loadColumns, loadsOf, rowsUnder, type SaidLoad } from './loads';
import { moreLimits, type SaidMore } from './more-limits';
import { ratesOf, type SaidRate } from './rates';
import { type SaidSlots, slotsOf } from './slots';
import { type Token, tokensOf } from './tokens';
import type { SpecUnit } from './units';

/** A place of a unit that says something. */
export interface UnitSpan {
  unit: SpecUnit;
  start: number;
  end: number;
}
export type StatedAt<T> = T & UnitSpan;

/** Everything that the units of a text say, before it is weighed. */
export interface Notes {
  capacities: StatedAt<SaidCapacity>[];
  slots: StatedAt<SaidSlots>[];
  rates: StatedAt<SaidRate>[];
  kinds: StatedAt<ClaimedKind>[];
  loads: StatedAt<SaidLoad>[];
  more: (SaidMore & UnitSpan)[];
  generations: StatedAt<{ generation: Generation; low: boolean }>[];
  forms: StatedAt<{ form: string; plain: boolean }>[];
  voltages: StatedAt<{ mv: number }>[];
  channels: StatedAt<{ channels: number }>[];
  soldered: StatedAt<{ isSoldered: boolean }>[];
  fixed: UnitSpan[];
}

const NOTHING = (): Notes => ({
  capacities: [],
  slots: [],
  rates: [],
  kinds: [],
  loads: [],
  more: [],
  generations: [],
  forms: [],
  voltages: [],
  channels: [],
  soldered: [],
  fixed: [],
});

const OF_MEMORY = new Set(['memory', 'generation', 'form', 'ecc', 'buffering', 'load']);
const saysMemory = (tokens: readonly Token[], from = 0): boolean =>
  tokens.some(({ is, start }) => start >= from && OF_MEMORY.has(is));

/** Is a line worth a look? Not where its own label is of something else, nor in such a section unless it names memory. */
function concernsMemory(unit: SpecUnit, tokens: readonly Token[]): boolean {
  if (unit.topic === 'memory') return true;
  const isLabelled = unit.labelEnd > unit.borrowed;
  if (unit.topic === 'other') {
    if (isLabelled && tokens.some(({ is, end }) => is === 'foreign' && end <= unit.labelEnd)) return false;
    return saysMemory(tokens, unit.borrowed);
  }
  return saysMemory(tokens);
}

/** A line that names nothing goes on about memory where the one before was about it, and it is about no other thing. */
const goesOn = (unit: SpecUnit, tokens: readonly Token[]): boolean =>
  unit.topic === null && !tokens.some(({ is }) => is === 'foreign');

/** Words that hold of memory soldered to the board only where no slot and no foreign part stands beside them. */
function solderedIn(
  tokens: readonly Token[],
  denied: ReadonlySet<Token>,
): { isSoldered: boolean; start: number; end: number }[] {
  return tokens.flatMap((token, index) => {
    if (token.is !== 'soldered') return [];
    const near = [tokens[index - 1], tokens[index + 1]];
    if (near.some((one) => one?.is === 'slot' || one?.is === 'foreign')) return [];
    return [{ isSoldered: !denied.has(token), start: token.start, end: token.end }];
  });
}

/** A foreign part right before or behind a voltage is its own. */
const isNearForeign = (tokens: readonly Token[], index: number): boolean =>
  [tokens[index - 1], tokens[index + 1]].some((one) => one?.is === 'foreign');

function noteUnit(notes: Notes, unit: SpecUnit, tokens: readonly Token[]): void {
  const denied = deniedIn(unit.text, tokens);
  const isDenied = (token: Token): boolean => denied.has(token);
  const at = <T extends { start: number; end: number }>(one: T): T & UnitSpan => ({ ...one, unit });
  notes.capacities.push(...capacitiesOf(unit, tokens, isDenied).map(at));
  notes.slots.push(...slotsOf(unit, tokens).map(at));
  const loads = loadsOf(tokens);
  notes.loads.push(...loads.map(at));
  if (loads.length === 0) notes.rates.push(...ratesOf(unit, tokens, isDenied).map(at));
  notes.kinds.push(...kindsIn(unit, tokens, denied).map(at));
  notes.more.push(...moreLimits(unit).map(at));
  notes.soldered.push(...solderedIn(tokens, denied).map(at));
  tokens.forEach((token, index) => {
    if (isDenied(token)) return;
    if (token.is === 'generation') notes.generations.push(at(token));
    else if (token.is === 'form') notes.forms.push(at(token));
    else if (token.is === 'voltage' && !isNearForeign(tokens, index)) notes.voltages.push(at(token));
    else if (token.is === 'channels') notes.channels.push(at(token));
    else if (token.is === 'fixed') notes.fixed.push(at(token));
  });
}

/** All that the lines of a text say of memory, each with its place. @param isNamed the first line may be its name */
export function notesOf(units: readonly SpecUnit[], isNamed: boolean): Notes {
  const notes = NOTHING();
  let columns: LoadColumns | null = null;
  const looks = units.map((unit) => ({ unit, tokens: tokensOf(unit.text) }));
  const concerns = looks.map(({ unit, tokens }) => concernsMemory(unit, tokens));
  // The figures of a name are none of memory's.
  const named = isNamed && looks[0] !== undefined && !saysMemory(looks[0].tokens) ? 1 : 0;
  // What names nothing goes on from the line before, or leads to the next.
  const goOn = (index: number, from: number): void => {
    const look = looks[index];
    if (look !== undefined && concerns[index] === false && goesOn(look.unit, look.tokens))
      concerns[index] = concerns[from] === true;
  };
  for (let index = named + 1; index < looks.length; index++) goOn(index, index - 1);
  for (let index = looks.length - 2; index >= named; index--) goOn(index, index + 1);
  for (const [index, { unit, tokens }] of looks.entries()) {
    const heads = loadColumns(tokens);
    const isRow = columns !== null && columns.loads.length === 0 && heads !== null && heads.loads.length === 1;
    if (heads !== null && !isRow) {
      columns = heads;
      continue;
    }
    const rows = columns === null || columns.left-- <= 0 ? [] : rowsUnder(columns, tokens);
    if (rows.length > 0) {
      notes.loads.push(...rows.map((row) => ({ ...row, unit })));
      notes.kinds.push(...kindsIn(unit, tokens, new Set()).map((kind) => ({ ...kind, unit })));
    } else if (concerns[index] === true)
      noteUnit(notes, { ...unit, topic: unit.topic ?? (saysMemory(tokens) ? null : 'memory') }, tokens);
  }
  return notes;
}
