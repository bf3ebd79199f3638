import { isA, type Token, type TokenOf } from './tokens';
import type { SpecUnit } from './units';
import { has } from './units';
import { CAPACITY_LABEL, MODULE_SIZE_LABEL } from './words';

/** What a capacity of a specification is: the most in all, the most a module may have, what is sold with it, what is soldered. */
export type CapacityRole = 'total' | 'module' | 'standard' | 'soldered' | 'os' | 'capacity';

export interface SaidCapacity {
  role: CapacityRole;
  mib: number;
  /** modules that the text parts it into, and the size of each */
  split: { count: number; mib: number } | null;
  /** it hangs on something that the text names */
  isConditional: boolean;
  start: number;
  end: number;
}

type Size = TokenOf<'capacity'> | TokenOf<'split'>;
const isSize = (token: Token): token is Size => token.is === 'capacity' || token.is === 'split';
const mibOf = (size: Size): number => (size.is === 'split' ? size.count * size.mib : size.mib);

/** Sizes that stand in a row, parted by nothing but commas and words for and, or: what holds of one holds of all. */
interface Group {
  sizes: Size[];
  /** splits and sums that only say a size of the group in another way */
  split: { count: number; mib: number } | null;
  left: Token[];
  right: Token[];
  isFirst: boolean;
  /** a word for the most, or for what is taken, stands before it in the line */
  isAfterMost: boolean;
}

const BREAKS = new Set(['comma', 'but']);
const LINKS = new Set(['comma', 'and', 'or']);

/** Does the second size say the first one again: `64 GB (4 x 16 GB)`, `4 x 16 GB = 64 GB`? */
function saysAgain(first: Size | undefined, second: Size): boolean {
  if (first === undefined || first.is === second.is) return false;
  return mibOf(first) === mibOf(second);
}

function groupsOf(text: string, tokens: readonly Token[]): Group[] {
  const groups: Group[] = [];
  let lastSize = -1;
  tokens.forEach((token, index) => {
    if (!isSize(token)) return;
    const last = groups.at(-1);
    const previous = last?.sizes.at(-1);
    const between = tokens.slice(lastSize + 1, index);
    lastSize = index;
    if (
      last !== undefined &&
      previous !== undefined &&
      saysAgain(previous, token) &&
      between.every(({ is }) => is !== 'max')
    ) {
      const split = token.is === 'split' ? token : (previous as TokenOf<'split'>);
      last.split = { count: split.count, mib: split.mib };
      last.right = [...last.right, ...rightOf(tokens, index)];
      return;
    }
    const gap = previous === undefined ? '' : text.slice(previous.end, token.start);
    // Sizes that share a unit stand at one place.
    const isShared = previous !== undefined && previous.start === token.start;
    const linked =
      isShared ||
      (between.length > 0 &&
        between.every(({ is }) => LINKS.has(is)) &&
        gap.length <= 8 &&
        !isOwn(between, tokens, index));
    const counted = token.is === 'capacity' ? countBehind(tokens, index) : null;
    const split =
      token.is === 'split'
        ? { count: token.count, mib: token.mib }
        : counted === null
          ? null
          : { count: counted, mib: token.mib / counted };
    const isAfterMost = tokens.slice(0, index).some(({ is }) => is === 'max' || is === 'supports');
    if (last !== undefined && linked && (last.split === null) === (split === null)) {
      last.sizes.push(token);
      last.right = rightOf(tokens, index);
      return;
    }
    groups.push({
      sizes: [token],
      split,
      left: leftOf(tokens, index),
      right: rightOf(tokens, index),
      isFirst: groups.length === 0,
      isAfterMost,
    });
  });
  return groups.filter((_, index) => !isPartOfBefore(tokens, groups, index));
}

/** `12 GB (1 x 4 GB + 1 x 8 GB)`: sizes in brackets that come to the one before them only say how it is made up. */
function isPartOfBefore(tokens: readonly Token[], groups: readonly Group[], index: number): boolean {
  const whole = groups.slice(0, index).findLast(({ split }) => split === null);
  const [size] = whole?.sizes ?? [];
  if (whole === undefined || size === undefined || groups[index]?.split == null) return false;
  const open = tokens[tokens.indexOf(size) + 1];
  if (open?.is !== 'open') return false;
  const close = tokens.find(({ is, start }) => is === 'close' && start > open.start);
  const inside = groups.filter(({ sizes }) =>
    sizes.every(({ start }) => start > open.start && start < (close?.start ?? 0)),
  );
  const sum = inside.flatMap(({ sizes }) => sizes).reduce((total, one) => total + mibOf(one), 0);
  return inside.includes(groups[index] as Group) && sum === mibOf(size);
}

/** Behind a comma alone, a size with a word of its own for the most is no more of the list before it. */
function isOwn(between: readonly Token[], tokens: readonly Token[], index: number): boolean {
  const isListed = between.some(({ is }) => is === 'and' || is === 'or');
  return !isListed && first(rightOf(tokens, index), 'max', 'in-all', 'standard', 'soldered') !== null;
}

/** `4 GB (one module)`: the modules that a size is parted into, where it divides. */
function countBehind(tokens: readonly Token[], index: number): number | null {
  const size = tokens[index];
  const rest = tokens.slice(index + 1).filter(({ is }) => is !== 'generation' && is !== 'memory' && is !== 'rate');
  const [open, count, module, close] = rest;
  if (size?.is !== 'capacity' || open?.is !== 'open' || count?.is !== 'count' || close?.is !== 'close') return null;
  if (module?.is !== 'module' && module?.is !== 'form') return null;
  return count.count > 0 && Number.isInteger(size.mib / count.count) ? count.count : null;
}

/** Tokens before one, the nearest first, back to what parts clauses or to another size. */
function leftOf(tokens: readonly Token[], index: number): Token[] {
  const left: Token[] = [];
  for (let at = index - 1; at >= 0; at--) {
    const token = tokens[at];
    if (token === undefined || BREAKS.has(token.is) || isSize(token)) break;
    left.push(token);
  }
  return left;
}

/** Tokens behind one, up to what parts clauses; what leads to the next size, or stands in a bracket with it, is the next one's. */
function rightOf(tokens: readonly Token[], index: number): Token[] {
  const right: Token[] = [];
  let next: Token | undefined;
  for (let at = index + 1; at < tokens.length; at++) {
    next = tokens[at];
    if (next === undefined || BREAKS.has(next.is) || isSize(next)) break;
    right.push(next);
  }
  if (next === undefined || !isSize(next)) return right;
  const open = right.findLastIndex(({ is }) => is === 'open');
  const isOpen = open >= 0 && !right.slice(open).some(({ is }) => is === 'close');
  const own = isOpen ? right.slice(0, open) : right;
  while (LEADS.has(own.at(-1)?.is ?? '')) own.pop();
  return own;
}

/** Words that lead to the size behind them. */
const LEADS = new Set<string>(['max', 'with', 'supports', 'and', 'or', 'open']);

const first = (tokens: readonly Token[], ...kinds: readonly Token['is'][]): Token['is'] | null =>
  tokens.find(({ is }) => kinds.includes(is))?.is ?? null;

/** A figure beside graphics, storage and their like is theirs, unless a word for memory stands nearer. */
function isForeign({ left, right }: Group): boolean {
  return (
    first(right, 'foreign', 'memory', 'generation', 'form', 'slot') === 'foreign' ||
    first(left, 'foreign', 'memory', 'max', 'generation', 'slot') === 'foreign'
  );
}

const ABOVE =
  /(?:above|over|beyond|more than|uber|mehr als|plus de|au-dela|mas de|superior|meer dan|boven|oltre|piu di|acima|mais de|mais do que|superiore)(?: of| de| a)?[ a-z]{0,12}$/;

/** What an operating system of 32 bits sees, or from where on one of 64 is needed. */
function isOsLimit(unit: SpecUnit, { left, right, sizes }: Group): boolean {
  const bits = [...right, ...left].find(isA('bits'));
  if (bits === undefined) return false;
  const start = sizes[0]?.start ?? 0;
  const isAbove = ABOVE.test(unit.text.slice(Math.max(0, start - 40), start));
  return bits.bits === 32 ? true : isAbove;
}

/** Is what stands behind the size the module that has it: `16 GB modules`, `16 GB SO-DIMMs`, and not its slots? */
function namesModule(right: readonly Token[], isSeveral: (form: Token) => boolean): boolean {
  const [next, after, third] = right.filter(
    ({ is }) =>
      is !== 'generation' &&
      is !== 'rate' &&
      is !== 'ecc' &&
      is !== 'buffering' &&
      is !== 'memory' &&
      is !== 'close' &&
      is !== 'open' &&
      is !== 'voltage',
  );
  if (next === undefined) return false;
  if (next.is === 'module') return true;
  return next.is === 'form' && isSeveral(next) && after?.is !== 'slot' && third?.is !== 'slot';
}

const RANGE = /^ ?(?:to|a|-|bis|tot|hasta|ate|till) ?$/;

/** The least that a machine needs is neither what it takes nor what it is sold with. */
const LEAST = /(?<![a-z])(?:min(?:imum|imal[a-z]*|imo|ima)?\.?|mindest[a-z]*)(?![a-z])/;

/** What may stand between modules and the size that they have. */
const BESIDE_MODULE = new Set([
  'form',
  'generation',
  'rate',
  'ecc',
  'buffering',
  'voltage',
  'with',
  'or',
  'open',
  'close',
]);

/** What a line holds beside its sizes: words for parts of a whole, and for the whole. */
interface LineMarks {
  hasParts: boolean;
  hasInAll: boolean;
}

/** `1 slot (up to 16 GB), 20 GB in all`: what stands in brackets behind a slot is its own. */
const isSlotAside = ({ left, right }: Group, hasInAll: boolean): boolean =>
  hasInAll &&
  !right.some(({ is }) => is === 'in-all') &&
  left[0]?.is === 'max' &&
  (left[1]?.is === 'open' || left[1]?.is === 'with') &&
  (left[2]?.is === 'slot' || left[2]?.is === 'form');

/** What stands about a capacity: beside it, near enough to be about it, and in its label. */
interface About {
  /** words between the label and the capacity, the nearest first */
  said: readonly Token[];
  /** those of them that are near enough */
  near: readonly Token[];
  /** what the words behind it say most, and those before it */
  sideMost: Token['is'] | null;
  leftMost: Token['is'] | null;
  labelHas: (is: Token['is']) => boolean;
  label: readonly Token[];
}

function aboutOf(unit: SpecUnit, { left, right, sizes }: Group, label: readonly Token[]): About {
  const said = left.filter(({ start }) => start >= unit.labelEnd);
  // "Each" alone must stand right before the size; "each slot" may stand farther away.
  const [nearest] = said;
  const isBeside = (end: number): boolean =>
    (sizes[0]?.start ?? 0) - end <= 3 || (nearest?.is === 'max' && nearest.start - end <= 2);
  const near = said.filter(({ is, start, end }) => is !== 'per-slot' || end - start > 7 || isBeside(end));
  return {
    said,
    near,
    sideMost: first(right, 'max', 'standard', 'soldered', 'per-slot'),
    leftMost: first(near, 'max', 'standard', 'soldered', 'supports', 'per-slot'),
    labelHas: (is) => label.some((token) => token.is === is),
    label,
  };
}

/** Is a capacity that of one module? */
function isOfModule(unit: SpecUnit, group: Group, about: About, hasInAll: boolean): boolean {
  const { left, right } = group;
  const { said, near, sideMost, leftMost, labelHas, label } = about;
  // `modules of 16 and 32 GB`
  const kept = said.find(({ is }) => !BESIDE_MODULE.has(is));
  const isTaken = group.isAfterMost || right.some(({ is }) => is === 'max');
  if (kept?.is === 'module' && isTaken && !labelHas('standard')) return true;
  const noun = said.find(({ is }) => is !== 'or' && is !== 'with');
  if (
    noun?.is === 'module' ||
    (noun?.is === 'form' && said[0] !== noun && (said[0]?.is === 'or' || unit.text[noun.end - 1] === 's'))
  )
    return true;
  // `LRDIMMs up to 64 GB`
  if (
    left[0]?.is === 'max' &&
    (left[1]?.is === 'module' || (left[1]?.is === 'form' && unit.text[left[1].end - 1] === 's'))
  )
    return true;
  if (isSlotAside(group, hasInAll)) return true;
  if (sideMost === 'per-slot' || near.some(({ is }) => is === 'per-slot') || right.some(({ is }) => is === 'per-slot'))
    return true;
  const isSized =
    (label.some(({ is }) => is === 'form' || is === 'module') &&
      has(CAPACITY_LABEL, unit.text.slice(0, unit.labelEnd)) &&
      !labelHas('memory')) ||
    has(MODULE_SIZE_LABEL, unit.text.slice(0, unit.labelEnd));
  if (isSized && !labelHas('standard')) return true;
  // One form beside a maximum says how it is sold; several, or one added to what is soldered, are modules.
  const isSeveral = ({ start, end }: Token): boolean =>
    unit.text.slice(start, end).endsWith('s') || left[0]?.is === 'and';
  const isModule =
    (group.split === null && namesModule(right, isSeveral)) ||
    labelHas('per-slot') ||
    (labelHas('module') && !labelHas('slot'));
  if (isModule && leftMost !== 'standard' && group.isAfterMost) return true;
  if (
    isModule &&
    (leftMost === 'max' ||
      leftMost === 'supports' ||
      sideMost === 'max' ||
      labelHas('max') ||
      labelHas('supports') ||
      labelHas('module') ||
      labelHas('per-slot'))
  )
    return true;
  return false;
}

/** What the sizes of a group are, by the words beside them, and where those say nothing by the label. */
function roleOf(
  unit: SpecUnit,
  group: Group,
  tokens: readonly Token[],
  label: readonly Token[],
  { hasParts, hasInAll }: LineMarks,
): CapacityRole | null {
  const { left, right } = group;
  if (isOsLimit(unit, group)) return 'os';
  if (LEAST.test(unit.text.slice(0, unit.labelEnd)) && !label.some(({ is }) => is === 'max')) return null;
  const about = aboutOf(unit, group, label);
  if (isOfModule(unit, group, about, hasInAll)) return 'module';
  const { sideMost, leftMost, labelHas } = about;
  if (sideMost === 'soldered' && leftMost !== 'max') return labelHas('standard') ? 'standard' : 'soldered';
  if (sideMost === 'standard' && leftMost !== 'max') return 'standard';
  const isParted = [...left, ...right].some(({ is }) => is === 'in-all') && hasParts;
  if (sideMost === 'max' || isParted) return 'total';
  if (leftMost === 'max' || leftMost === 'supports') return 'total';
  if (leftMost === 'soldered') return 'soldered';
  if (leftMost === 'standard') return 'standard';
  if (labelHas('max') && labelHas('standard'))
    return group.isFirst === label.findIndex(({ is }) => is === 'standard') < label.findIndex(({ is }) => is === 'max')
      ? 'standard'
      : 'total';
  if (labelHas('max')) return 'total';
  if (labelHas('standard')) return 'standard';
  if (labelHas('slot') || labelHas('supports')) return labelHas('supports') ? 'total' : null;
  const labelText = unit.text.slice(0, unit.labelEnd);
  if (unit.labelEnd > 0 && has(CAPACITY_LABEL, labelText) && labelHas('memory')) return 'capacity';
  if (labelHas('soldered')) return 'soldered';
  const isOfMemory =
    labelHas('memory') ||
    unit.topic === 'memory' ||
    [...left, ...right].some(({ is }) => is === 'memory' || is === 'generation' || is === 'form');
  // Behind slots it may be what they hold in all as well.
  const isBehindSlots = tokens.some(
    ({ is, end }) => is === 'slot' && end > unit.labelEnd && end <= (group.sizes[0]?.start ?? 0),
  );
  return isOfMemory && !isBehindSlots ? 'standard' : null;
}

/** Every capacity of a unit with what it is; figures of graphics, storage and their like, and denied ones, are left out. */
export function capacitiesOf(
  unit: SpecUnit,
  tokens: readonly Token[],
  isDenied: (token: Token) => boolean,
): SaidCapacity[] {
  const label = tokens.filter(({ end }) => end <= unit.labelEnd);
  const groups = groupsOf(unit.text, tokens);
  const hasParts = tokens.some(({ is }) => is === 'max' || is === 'per-slot' || is === 'supports' || is === 'slot');
  const isConditional = tokens.some(({ is }) => is === 'condition');
  const hasInAll = tokens.some(({ is }) => is === 'in-all') || tokens.filter(({ is }) => is === 'max').length > 1;
  const roles: (CapacityRole | null)[] = [];
  return groups.flatMap((group, index) => {
    // What one CPU of several takes is not what the machine does.
    const isPerCpu = [...group.left, ...group.right].some(({ is }) => is === 'per-cpu');
    if (isPerCpu || isForeign(group) || group.sizes.some(isDenied)) return [];
    const before = groups[index - 1]?.sizes.at(-1);
    const start = group.sizes[0]?.start ?? 0;
    const isRangeEnd = before !== undefined && RANGE.test(unit.text.slice(before.end, start));
    const isOtherwise = index > 0 && group.left.some(({ is }) => is === 'condition');
    const isInside = group.left.some(({ is }) => is === 'open');
    const isPart = roles[index - 1] === 'total' && isInside && group.right.some(({ is }) => is === 'soldered');
    const after = groups[index + 1]?.sizes[0];
    const end = group.sizes.at(-1)?.end ?? 0;
    const isRangeStart = after !== undefined && RANGE.test(unit.text.slice(end, after.start));
    const role: CapacityRole | null = isPart
      ? null
      : isRangeEnd
        ? 'total'
        : isOtherwise
          ? (roles[index - 1] ?? null)
          : isRangeStart
            ? 'standard'
            : roleOf(unit, group, tokens, label, { hasParts, hasInAll });
    roles[index] = role;
    if (role === null) return [];
    return group.sizes.map((size) => ({
      role,
      mib: mibOf(size),
      split: group.sizes.length === 1 ? group.split : size.is === 'split' ? { count: size.count, mib: size.mib } : null,
      isConditional,
      start: size.start,
      end: size.end,
    }));
  });
}
