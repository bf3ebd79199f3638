import { GENERATIONS, type Generation, isLowPower } from '../../memory/generation';
import type { ClaimedLimit, ClaimedValues, ReadClaim, SpecificationReading } from '../reading';
import { type About, aboutOf } from './about';
import { type CapacityRole, capacitiesOf, type SaidCapacity } from './capacities';
import { deniedIn } from './denied';
import { foldText } from './fold-text';
import { kindsIn, kindsOf, type SaidKind } from './kinds';
import { type LoadColumns, loadColumns, loadsOf, rowsUnder, type SaidLoad } from './loads';
import { moreLimits, type SaidMore } from './more-limits';
import { nameOf } from './name';
import { isOtherProse } from './prose';
import { isStandardRate, ratesOf, type SaidRate } from './rates';
import { type SaidSlots, slotsOf } from './slots';
import { type Token, tokensOf } from './tokens';
import { type SpecUnit, unitsOf } from './units';

/** A place of a unit that says something. */
interface Place {
  unit: SpecUnit;
  start: number;
  end: number;
}
type Said<T> = T & Place;

/** Everything that the units of a text say, before it is weighed. */
interface Notes {
  capacities: Said<SaidCapacity>[];
  slots: Said<SaidSlots>[];
  rates: Said<SaidRate>[];
  kinds: Said<SaidKind>[];
  loads: Said<SaidLoad>[];
  more: (SaidMore & Place)[];
  generations: Said<{ generation: Generation; low: boolean }>[];
  forms: Said<{ form: string; plain: boolean }>[];
  voltages: Said<{ mv: number }>[];
  channels: Said<{ channels: number }>[];
  soldered: Said<{ isSoldered: boolean }>[];
  fixed: Place[];
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
  const at = <T extends { start: number; end: number }>(one: T): T & Place => ({ ...one, unit });
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

function notesOf(units: readonly SpecUnit[], isNamed: boolean): Notes {
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

const LONGEST_QUOTE = 160;

/** The words around a place: its line, or the clause of a long one. */
function quoteAt(input: string, { unit, start, end }: Place): { quote: string; start: number; end: number } {
  const own = unit.text.slice(unit.borrowed);
  let [from, to] = [0, own.length];
  if (own.length > LONGEST_QUOTE) {
    const [first, last] = [Math.max(0, start - unit.borrowed), Math.max(0, end - unit.borrowed)];
    from = own.slice(0, first).search(/[^,;.|\t]*$/);
    const rest = own.slice(last).search(/[,;|\t]|\.(?: |$)/);
    to = rest < 0 ? own.length : last + rest;
    if (to - from > LONGEST_QUOTE) [from, to] = [Math.max(from, first - 60), Math.min(to, last + 60)];
  }
  const raw = input.slice(unit.start + from, unit.start + to);
  const quote = raw.trim();
  const begin = unit.start + from + raw.indexOf(quote);
  return { quote, start: begin, end: begin + quote.length };
}

const textOf = (input: string, place: Place): string => `“${quoteAt(input, place).quote}”`;

/** Makes the claims of a text, warning of what does not go together. */
class Claims {
  readonly all: ReadClaim[] = [];
  readonly warnings: string[] = [];
  readonly #input: string;

  constructor(input: string) {
    this.#input = input;
  }

  add<Limit extends ClaimedLimit>(limit: Limit, value: ClaimedValues[Limit], place: Place): void {
    this.all.push({ limit, value, ...quoteAt(this.#input, place) } as ReadClaim);
  }

  warn(text: string, ...places: Place[]): void {
    const quotes = [...new Set(places.map((place) => textOf(this.#input, place)))];
    this.warnings.push(`${text}: ${quotes.join(' and ')}`);
  }

  /**
   * The one figure of several places: where they differ on a condition the smallest, with the condition in a warning; where
   * they differ without one none, and both are named.
   */
  one(
    places: readonly (Place & { mib: number; isConditional: boolean })[],
    what: string,
  ): (Place & { mib: number }) | null {
    const [first] = places;
    if (first === undefined) return null;
    const smallest = places.reduce((least, one) => (one.mib < least.mib ? one : least));
    const other = places.find(({ mib }) => mib !== smallest.mib);
    if (other === undefined) {
      if (places.some(({ isConditional }) => isConditional)) this.warn(`${what} hangs on a condition`, smallest);
      return smallest;
    }
    if (places.some(({ isConditional }) => isConditional)) {
      this.warn(`${what} hangs on a condition, the smaller one is taken`, smallest, other);
      return smallest;
    }
    this.warn(`contradiction: ${what} is told in two ways`, smallest, other);
    return null;
  }
}

const ofRole = (notes: Notes, role: CapacityRole): Said<SaidCapacity>[] =>
  notes.capacities.filter((one) => one.role === role);

/** Two totals of one line differ because of what the line says beside them: that is its condition. */
function withConditions(sizes: readonly Said<SaidCapacity>[]): Said<SaidCapacity>[] {
  return sizes.map((one) => {
    const sister = sizes.find((other) => other.unit === one.unit && other.mib !== one.mib);
    const says =
      sister !== undefined &&
      /(?<![a-z])(?:with|mit|avec|con|met|com|bei|for|fur|pour|para|voor|per|on)(?![a-z])|[(]/.test(one.unit.text);
    return { ...one, isConditional: one.isConditional || says };
  });
}

/** The largest size that each line lists is what it says of modules. */
function largestByUnit(sizes: readonly Said<SaidCapacity>[]): Said<SaidCapacity>[] {
  const units = new Map<SpecUnit, Said<SaidCapacity>>();
  for (const one of sizes) {
    const mib = one.split?.mib ?? one.mib;
    const known = units.get(one.unit);
    if (known === undefined || mib > known.mib) units.set(one.unit, { ...one, mib });
  }
  return [...units.values()];
}

interface Sizes {
  slotCount: number | null;
  standardMemory: { capacityMiB: number; modules: number | null }[];
}

function slotCountOf(notes: Notes, claims: Claims, weak: readonly Said<SaidCapacity>[]): number | null {
  const whole = notes.slots.filter(({ isFree }) => !isFree);
  // Where the rest is soldered, the free slots are all of them.
  const isSoldered = notes.soldered.some((one) => one.isSoldered);
  const told = whole.length > 0 || !isSoldered ? whole : notes.slots;
  const counts = [...new Set(told.map(({ count }) => count))];
  const [only, other] = counts;
  if (only !== undefined && other === undefined) return only;
  if (only !== undefined) {
    const most = told.reduce((a, b) => (b.count > a.count ? b : a));
    const least = told.reduce((a, b) => (b.count < a.count ? b : a));
    claims.warn('contradiction: the number of slots is told in two ways', least, most);
    return null;
  }
  const parted = weak.flatMap(({ split }) => (split === null ? [] : [split.count]));
  return parted.length === 0 ? null : Math.max(...parted);
}

/** Totals, largest modules, slots and what is sold with the machine. */
function claimSizes(notes: Notes, about: About, claims: Claims): Sizes {
  const told = ofRole(notes, 'total');
  const capacity = ofRole(notes, 'capacity');
  // A capacity that hangs on something is the most that there can be.
  const isTotal = about !== 'machine' || (capacity.length > 1 && capacity.some(({ isConditional }) => isConditional));
  const totals = withConditions(told.length > 0 || !isTotal ? told : capacity);
  const soldered = ofRole(notes, 'standard').length === 0 ? ofRole(notes, 'soldered') : [];
  const standard = [
    ...ofRole(notes, 'standard'),
    ...soldered,
    ...(about === 'machine' && told.length > 0 ? capacity : []),
  ];
  const slotCount = slotCountOf(notes, claims, totals);
  const total = claims.one(totals, 'the most memory');
  const explicit = claims.one(withConditions(largestByUnit(ofRole(notes, 'module'))), 'the largest module');
  const parted = totals.filter(({ split }) => split !== null);
  const part = parted.find(({ mib }) => mib === total?.mib);
  const module =
    explicit ?? (ofRole(notes, 'module').length > 0 || part?.split == null ? null : { ...part, mib: part.split.mib });
  const isSoldered = notes.soldered.some((one) => one.isSoldered);
  const fits =
    total === null ||
    explicit === null ||
    slotCount === null ||
    slotCount === 0 ||
    isSoldered ||
    about === 'cpu' ||
    total.mib <= slotCount * explicit.mib;
  if (!fits && total !== null && explicit !== null) {
    claims.warn(
      `contradiction: ${slotCount} slots with the largest module do not come to the most memory`,
      explicit,
      total,
    );
  } else {
    if (total !== null) claims.add(about === 'cpu' ? 'cpuMaxMiB' : 'totalMiB', total.mib, total);
    if (module !== null && about !== 'cpu') claims.add('moduleMiB', module.mib, module);
  }
  const os = ofRole(notes, 'os').sort((a, b) => a.mib - b.mib)[0];
  if (os !== undefined) claims.add('osVisibleMiB', os.mib, os);
  const sold = about === 'machine' ? standard : [];
  const distinct = new Map(
    sold.map(({ mib, split }) => [`${mib} ${split?.count}`, { capacityMiB: mib, modules: split?.count ?? null }]),
  );
  const all = [...distinct.values()];
  return {
    slotCount,
    standardMemory: all.filter(
      ({ capacityMiB, modules }) =>
        modules !== null || !all.some((one) => one.capacityMiB === capacityMiB && one.modules !== null),
    ),
  };
}

/** Generations, form, kinds and voltages. */
function claimKinds(notes: Notes, claims: Claims): { generations: Generation[]; form: string | null } {
  // "SDRAM" beside a later generation's name is only what all of them are.
  const later = notes.generations.filter(({ generation }) => generation !== 'SDR');
  const named = later.length > 0 ? later : notes.generations;
  const generations = GENERATIONS.filter((name) => named.some(({ generation }) => generation === name));
  const [generation] = named;
  if (generation !== undefined) claims.add('generations', generations, generation);
  const exact = notes.forms.filter(({ plain }) => !plain);
  const forms = exact.some(({ form }) => form !== 'DIMM') ? exact : notes.forms;
  const [first] = forms;
  const other = forms.find(({ form }) => form !== first?.form);
  if (first !== undefined && other !== undefined) claims.warn('contradiction: two forms are told', first, other);
  const form = first === undefined || other !== undefined ? null : first.form;
  if (first !== undefined && form !== null) claims.add('form', form, first);
  const kinds = kindsOf(notes.kinds, form);
  const [kind] = notes.kinds;
  if (kinds !== null && kind !== undefined) claims.add('kinds', kinds, kind);
  claimVoltages(notes, claims);
  return { generations, form };
}

/** Low-voltage DDR3 and DDR-400, mV (JESD79-3-1, JESD79). */
const LOW_DDR3_MV = 1350;
const DDR3_MV = 1500;
const DDR400_MV = 2600;
const DDR_MV = 2500;

function claimVoltages(notes: Notes, claims: Claims): void {
  const said = notes.voltages.map(({ mv }) => (mv === DDR400_MV ? DDR_MV : mv));
  const ddr3 = notes.generations.filter(({ generation }) => generation === 'DDR3');
  const low = ddr3.filter((one) => one.low);
  const implied =
    low.length === 0 ? [] : low.length < ddr3.length && said.length === 0 ? [LOW_DDR3_MV, DDR3_MV] : [LOW_DDR3_MV];
  const all = [...new Set([...said, ...implied])].sort((a, b) => a - b);
  const place = notes.voltages[0] ?? low[0];
  if (place !== undefined && all.length > 0) claims.add('voltagesMv', all, place);
}

/** Rates, by load where a table says so, and overclock profiles. */
function claimRates(notes: Notes, about: About, generations: readonly Generation[], claims: Claims): void {
  const standard = notes.rates.filter(
    ({ rateMTs, isOverclock }) => !isOverclock && isStandardRate(rateMTs, generations),
  );
  const above = notes.rates.find(({ rateMTs, isOverclock }) => !isOverclock && !isStandardRate(rateMTs, generations));
  if (above !== undefined) claims.warn(`${above.rateMTs} MT/s is no standard rate and was left out`, above);
  const [first] = standard;
  const rates = [...new Set(standard.map(({ rateMTs }) => rateMTs))].sort((a, b) => a - b);
  const fastest = standard.find(({ rateMTs }) => rateMTs === rates.at(-1));
  if (first !== undefined && fastest !== undefined) {
    if (about === 'cpu') claims.add('cpuMaxRateMTs', fastest.rateMTs, fastest);
    else claims.add('ratesMTs', rates, first);
    if (standard.some(({ isConditional }) => isConditional))
      claims.warn('a rate hangs on a condition', ...standard.filter(({ isConditional }) => isConditional));
  }
  if (about === 'cpu' && generations.length > 1) {
    for (const generation of generations) {
      const place = notes.generations.find((one) => one.generation === generation);
      const its = standard.filter(({ unit, rateMTs }) => unit === place?.unit && isStandardRate(rateMTs, [generation]));
      if (place !== undefined)
        claims.warn(
          `${generation}${its.length > 0 ? ` up to ${Math.max(...its.map(({ rateMTs }) => rateMTs))} MT/s` : ''}`,
          place,
        );
    }
  }
  const overclock = notes.rates.find(({ isOverclock }) => isOverclock);
  if (overclock !== undefined) claims.add('profiles', true, overclock);
  claimLoads(notes, claims);
}

function claimLoads({ loads }: Notes, claims: Claims): void {
  const [first] = loads;
  if (first === undefined) return;
  const rows = new Map(
    loads.map(({ modulesPerChannel, ranks, maxRateMTs }) => [
      `${modulesPerChannel} ${ranks} ${maxRateMTs}`,
      { modulesPerChannel, ...(ranks === null ? {} : { ranks }), maxRateMTs },
    ]),
  );
  const sorted = [...rows.values()].sort(
    (a, b) =>
      a.modulesPerChannel - b.modulesPerChannel || (a.ranks ?? 0) - (b.ranks ?? 0) || b.maxRateMTs - a.maxRateMTs,
  );
  claims.add('rateByLoad', sorted, first);
}

/** Soldered, as the text says it, or because low-power memory is soldered unless its form is a module's. */
function solderedOf(notes: Notes, generations: readonly Generation[], form: string | null): boolean | null {
  if (notes.soldered.some(({ isSoldered }) => isSoldered)) return true;
  if (generations.some(isLowPower) && form === null) return true;
  return notes.soldered.length > 0 ? false : null;
}

/** What a text begins with: its first line's label, or the line. */
const headOf = (unit: SpecUnit | undefined): string =>
  unit === undefined ? '' : unit.labelEnd > 0 ? unit.text.slice(0, unit.labelEnd) : unit.text;

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
export function readSpecification(input: string, name: string | null = null): SpecificationFound {
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
    warnings: claims.warnings,
  };
  return { reading, ...surenessOf(input, folded, reading, notes) };
}
