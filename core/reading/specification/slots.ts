import type { Token } from './tokens';
import type { SpecUnit } from './units';

/** How many slots a unit counts, and where it says so. */
export interface SaidSlots {
  count: number;
  /** only free ones are counted */
  isFree: boolean;
  start: number;
  end: number;
}

/** Between a number and its slots stand words for memory and its kinds, and not too many of them. */
const INNER = new Set([
  'form',
  'generation',
  'memory',
  'module',
  'buffering',
  'ecc',
  'rate',
  'voltage',
  'free',
  'standard',
  'channels',
  'supports',
  'open',
  'close',
  'or',
]);
const WIDEST_GAP = 48;

/** Is a slot one for memory? By a word beside it, or by what its line is about; a foreign word right before it says no. */
function isMemorySlot(unit: SpecUnit, tokens: readonly Token[], index: number): boolean {
  const before = tokens[index - 1];
  if (before?.is === 'foreign' && (tokens[index]?.start ?? 0) - before.end <= 12) return false;
  const after = tokens[index + 1];
  if (after?.is === 'foreign' && !(unit.topic === 'memory' && after.start - (tokens[index]?.end ?? 0) > 12))
    return false;
  const near = tokens.slice(Math.max(0, index - 8), index + 4);
  const said = /^[a-z]*(?:speicher|geheugen)|dimm/.test(unit.text.slice(tokens[index]?.start, tokens[index]?.end));
  return (
    said || unit.topic === 'memory' || near.some(({ is }) => is === 'memory' || is === 'form' || is === 'generation')
  );
}

function countBefore(unit: SpecUnit, tokens: readonly Token[], index: number): SaidSlots | null {
  const slot = tokens[index];
  let free = tokens[index + 1]?.is === 'free' && !/[(,;]/.test(unit.text.slice(slot?.end, tokens[index + 1]?.start));
  for (let at = index - 1; at >= 0; at--) {
    const token = tokens[at];
    if (slot === undefined || token === undefined || slot.start - token.end > WIDEST_GAP) return null;
    if (token.is === 'not') return { count: 0, isFree: false, start: token.start, end: slot.end };
    if (token.is === 'free') free = true;
    if (token.is === 'count') {
      // `one of two slots free`
      const isOf = tokens[at - 1]?.is === 'or' && tokens[at - 2]?.is === 'count';
      return { count: token.count, isFree: free && !isOf, start: token.start, end: slot.end };
    }
    if (token.is === 'channels') return null;
    if (!INNER.has(token.is)) return null;
  }
  return null;
}

function countAfter(unit: SpecUnit, tokens: readonly Token[], index: number): SaidSlots | null {
  const [slot, next, after] = tokens.slice(index, index + 3);
  if (slot === undefined || next === undefined) return null;
  const gap = unit.text.slice(slot.end, next.start);
  if (next.is === 'not' && /^\W*$/.test(gap) && /[:=\t|]/.test(gap))
    return { count: 0, isFree: false, start: slot.start, end: next.end };
  if (next.is !== 'count' || !/^(?:\(s\)|[^a-z0-9,;])*(?:quantity|number|anzahl|total|qty)?[^a-z0-9,;]*$/.test(gap))
    return null;
  // "Slots: 2 x 8 GB" was a split; "slot 1" names one.
  if (gap.trim() === '' && next.count === 1 && !/^slots/.test(unit.text.slice(slot.start, slot.end))) return null;
  return after?.is === 'free' && !/[(,;]/.test(unit.text.slice(next.end, after.start))
    ? null
    : { count: next.count, isFree: false, start: slot.start, end: next.end };
}

/** The value of a label that asks for slots: `2 (1 free)`, `2x 260-pin SO-DIMM`, `none`. */
function countOfLabel(unit: SpecUnit, tokens: readonly Token[]): SaidSlots | null {
  const value = tokens.filter(({ start }) => start >= unit.labelEnd);
  const [head] = value;
  if (head?.is === 'not') return { count: 0, isFree: false, start: head.start, end: head.end };
  const index = value.findIndex(({ is }) => is === 'count');
  const count = value[index];
  if (
    count?.is !== 'count' ||
    value.slice(0, index).some(({ is }) => is === 'slot' || is === 'capacity' || is === 'split')
  )
    return null;
  return value[index + 1]?.is === 'free'
    ? null
    : { count: count.count, isFree: false, start: count.start, end: count.end };
}

/** Names of slots that a line lists: `DIMM1, DIMM2`, `ChannelA-DIMM0`. */
const SLOT_NAME =
  /(?<![a-z0-9])(?:(?:channel|kanal|ch)[ _-]?[a-h][ _-]?)?(?:dimm|so-?dimm|slot|xmm|bank)[ _-]?(?:[a-h][1-9]?|\d{1,2})(?![a-z0-9]| ?[gm][bo])/g;

function namedSlots(unit: SpecUnit): SaidSlots | null {
  const names = unit.text.slice(unit.labelEnd).match(SLOT_NAME) ?? [];
  const distinct = new Set(names.map((name) => name.replace(/[ _]/g, '')));
  return distinct.size < 2
    ? null
    : { count: distinct.size, isFree: false, start: unit.labelEnd, end: unit.text.length };
}

/** `4 x DIMM`, `2 SO-DIMM` with no size beside it. */
function countOfForms(unit: SpecUnit, tokens: readonly Token[]): SaidSlots | null {
  for (const [index, token] of tokens.entries()) {
    const behind = tokens[index + 1];
    // `SODIMM x2`
    if (
      token.is === 'form' &&
      behind?.is === 'count' &&
      /^ ?x/.test(unit.text.slice(token.end, behind.end)) &&
      behind.start - token.end <= 1
    )
      return { count: behind.count, isFree: false, start: token.start, end: behind.end };
    if (token.is !== 'count') continue;
    const rest = tokens
      .slice(index + 1)
      .filter(
        ({ is }) => is !== 'generation' && is !== 'memory' && is !== 'rate' && is !== 'ecc' && is !== 'buffering',
      );
    const [form, next] = rest;
    if (form?.is !== 'form' || form.start - token.end > 30 || next?.is === 'per-slot') continue;
    const isSized = next !== undefined && (next.is === 'capacity' || next.is === 'split') && next.start - form.end < 4;
    const isHead = (tokens[index - 1]?.end ?? 0) <= unit.labelEnd && token.start >= unit.labelEnd && unit.labelEnd > 0;
    const around = isHead ? [] : [tokens[index - 1], next];
    const isWhole =
      around.every((one) => one === undefined || one.is === 'comma' || one.is === 'but') &&
      token.end - token.start <= 3;
    const isTimes =
      isWhole ||
      /x|\*|-/.test(unit.text.slice(token.start, token.end + 2)) ||
      /dimms/.test(unit.text.slice(form.start, form.end));
    const before = tokens[index - 1];
    const ofSize =
      before !== undefined &&
      (before.is === 'capacity' || (before.is === 'open' && tokens[index - 2]?.is === 'capacity'));
    if (!isSized && isTimes && !ofSize) return { count: token.count, isFree: false, start: token.start, end: form.end };
  }
  return null;
}

/** `32 in total`, `insgesamt 32`, in a line on slots. */
function inAll(tokens: readonly Token[]): SaidSlots[] {
  return tokens.flatMap((token, index) => {
    const next = tokens[index + 1];
    const count =
      token.is === 'count' && next?.is === 'in-all'
        ? token
        : token.is === 'in-all' && next?.is === 'count'
          ? next
          : null;
    const isNear = next !== undefined && next.start - token.end <= 6;
    return count?.is === 'count' && isNear
      ? [{ count: count.count, isFree: false, start: count.start, end: count.end }]
      : [];
  });
}

/** How many memory slots a unit says there are; a count of free or filled ones, and one for each CPU, is none. */
export function slotsOf(unit: SpecUnit, tokens: readonly Token[]): SaidSlots[] {
  const found: SaidSlots[] = [];
  const slots = tokens.flatMap((token, index) =>
    token.is === 'slot' && isMemorySlot(unit, tokens, index) ? [index] : [],
  );
  for (const index of slots) {
    const perCpu = tokens.slice(index, index + 3).some(({ is }) => is === 'per-cpu');
    const said = countBefore(unit, tokens, index) ?? countAfter(unit, tokens, index);
    if (said !== null && !perCpu) found.push(said);
  }
  const asksForSlots = slots.some((index) => (tokens[index]?.end ?? 0) <= unit.labelEnd && unit.labelEnd > 0);
  if (found.length === 0 && asksForSlots) {
    const said = countOfLabel(unit, tokens) ?? namedSlots(unit);
    if (said !== null) found.push(said);
  }
  if (found.length === 0 && unit.topic !== 'other' && !asksForSlots) {
    const said = namedSlots(unit);
    if (said !== null) found.push(said);
  }
  if (found.length === 0 && unit.topic !== 'other' && slots.length === 0) {
    const said = countOfForms(unit, tokens);
    if (said !== null) found.push(said);
  }
  // What a line says of all of them outweighs what it says of some.
  const all = slots.length > 0 ? inAll(tokens) : [];
  return all.length > 0 ? all : found;
}
