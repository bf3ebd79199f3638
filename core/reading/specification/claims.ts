import { GENERATIONS, type Generation } from '../../memory/generation';
import type { ClaimedLimit, ClaimedValues, ReadClaim } from '../reading';
import type { About } from './about';
import type { CapacityRole, SaidCapacity } from './capacities';
import { kindsOf } from './kinds';
import type { Notes, StatedAt, UnitSpan } from './notes';
import { isStandardRate } from './rates';
import type { SpecUnit } from './units';

const LONGEST_QUOTE = 160;
/** A warning names so many places at most. */
const MOST_QUOTES = 8;

/** The words around a place: its line, or the clause of a long one. */
function quoteAt(input: string, { unit, start, end }: UnitSpan): { quote: string; start: number; end: number } {
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

const textOf = (input: string, place: UnitSpan): string => `“${quoteAt(input, place).quote}”`;

/** Makes the claims of a text, warning of what does not go together. */
export class Claims {
  readonly all: ReadClaim[] = [];
  readonly warnings: string[] = [];
  readonly #input: string;

  constructor(input: string) {
    this.#input = input;
  }

  add<Limit extends ClaimedLimit>(limit: Limit, value: ClaimedValues[Limit], place: UnitSpan): void {
    this.all.push({ limit, value, ...quoteAt(this.#input, place) } as ReadClaim);
  }

  warn(text: string, ...places: UnitSpan[]): void {
    const quotes = [...new Set(places.slice(0, MOST_QUOTES).map((place) => textOf(this.#input, place)))];
    this.warnings.push(`${text}: ${quotes.join(' and ')}`);
  }

  /**
   * The one figure of several places: where they differ on a condition the smallest, with the condition in a warning; where
   * they differ without one none, and both are named.
   */
  one(
    places: readonly (UnitSpan & { mib: number; isConditional: boolean })[],
    what: string,
  ): (UnitSpan & { mib: number }) | null {
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

const ofRole = (notes: Notes, role: CapacityRole): StatedAt<SaidCapacity>[] =>
  notes.capacities.filter((one) => one.role === role);

/** Two totals of one line differ because of what the line says beside them: that is its condition. */
function withConditions(sizes: readonly StatedAt<SaidCapacity>[]): StatedAt<SaidCapacity>[] {
  const inUnit = new Map<SpecUnit, Set<number>>();
  for (const { unit, mib } of sizes) inUnit.set(unit, (inUnit.get(unit) ?? new Set()).add(mib));
  return sizes.map((one) => {
    const says =
      (inUnit.get(one.unit)?.size ?? 0) > 1 &&
      /(?<![a-z])(?:with|mit|avec|con|met|com|bei|for|fur|pour|para|voor|per|on)(?![a-z])|[(]/.test(one.unit.text);
    return { ...one, isConditional: one.isConditional || says };
  });
}

/** The largest size that each line lists is what it says of modules. */
function largestByUnit(sizes: readonly StatedAt<SaidCapacity>[]): StatedAt<SaidCapacity>[] {
  const units = new Map<SpecUnit, StatedAt<SaidCapacity>>();
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

function slotCountOf(notes: Notes, claims: Claims, weak: readonly StatedAt<SaidCapacity>[]): number | null {
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
export function claimSizes(notes: Notes, about: About, claims: Claims): Sizes {
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
  const counted = new Set(all.flatMap(({ capacityMiB, modules }) => (modules === null ? [] : [capacityMiB])));
  return {
    slotCount,
    standardMemory: all.filter(({ capacityMiB, modules }) => modules !== null || !counted.has(capacityMiB)),
  };
}

/** Generations, form, kinds and voltages. */
export function claimKinds(notes: Notes, claims: Claims): { generations: Generation[]; form: string | null } {
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
export function claimRates(notes: Notes, about: About, generations: readonly Generation[], claims: Claims): void {
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
      claims.warn(
        'a rate hangs on a condition',
        ...standard.filter(({ isConditional }) => isConditional).slice(0, MOST_QUOTES),
      );
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
