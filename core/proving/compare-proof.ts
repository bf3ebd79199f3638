import { lettersAndDigits } from '../letters-and-digits';
import { isOtherModule, type ModuleMarks } from '../machine/slots/match-modules';
import { capacityText } from '../memory/capacity';
import type { QuoteOption } from '../quoting/snapshot';
import type { ReadMachine, ReadModule } from '../reading/reading';
import { shareWords } from './held-share';

/**
 * `kept`: as promised. `remark`: not as promised, and the machine does its work all the same; somebody says so to the customer.
 * `broken`: not what was paid for. `untold`: nobody says.
 */
export const FINDING_VERDICTS = ['kept', 'remark', 'broken', 'untold'] as const;
export type FindingVerdict = (typeof FINDING_VERDICTS)[number];

/** One point of a promise beside what the machine says after fitting. */
export interface Finding {
  kind: 'total' | 'rate' | 'channels' | 'slot';
  /** the slot it is about, or the point's name */
  what: string;
  /** the same in figures: MiB, MT/s or channels; 0: an empty slot; null: not told */
  figures: { promised: number; found: number | null };
  promised: string;
  found: string;
  verdict: FindingVerdict;
  /** why it is so, or what speaks for it; empty: nothing to say */
  note: string;
}

/** How a promise came out as a whole. */
export type ProofVerdict = 'kept' | 'remark' | 'broken';

/** What of an option is held against the machine, with the channel of each slot. */
export interface Promised extends Pick<QuoteOption, 'totalMiB' | 'rateMTs' | 'after'> {
  channelOf: Readonly<Record<string, string>>;
  /** modules that were to stay in the machine, by the slot that they are in then */
  stays: Readonly<Record<string, ModuleMarks>>;
}

/** What the machine shows, from whatever source. Capacities MiB, rate MT/s; null: not told. */
export interface ShownMemory {
  /** sum of all modules */
  installedMiB: number | null;
  /** what its system can use */
  usableMiB: number | null;
  rateMTs: number | null;
  channels: number | null;
  /** what is in each slot of the promise; 0: empty; a slot that is not named was not told */
  slots: Readonly<Record<string, { capacityMiB: number; text: string } & ModuleMarks>>;
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** A module as a report tells of it, in words: maker and part where they are told. */
function seenText({ capacityMiB, maker, part }: ReadModule): string {
  return [capacityMiB === null ? '' : capacityText(capacityMiB), maker ?? '', part ?? '']
    .filter((word) => word !== '')
    .join(' ');
}

/** Slots that a panel only counts lie in no order: which of them is which is told only where all hold the same. */
function inOrder({ slots }: ReadMachine['memory'], promise: Promised): boolean {
  if (slots.length !== promise.after.length) return false;
  if (slots.some(({ locator, bank }) => locator !== null || bank !== null)) return true;
  const [first] = slots;
  return slots.every(({ installed }) => installed?.capacityMiB === first?.installed?.capacityMiB);
}

/** The sum of all modules: of each on its own, else what the report says of all together; null: it says neither. */
function installedOf({ slots, installedMiB }: ReadMachine['memory']): number | null {
  const sizes = slots.map(({ installed }) => (installed === null ? 0 : installed.capacityMiB));
  const known = sizes.filter((mib) => mib !== null);
  if (slots.length > 0 && known.length === sizes.length) return sum(known);
  return installedMiB ?? (slots.length > 0 ? sum(known) : null);
}

/** Slots are matched by name, or in order where no name agrees and the counts do. What a report does not tell is null. */
export function seenOfReport(promise: Promised, { memory }: ReadMachine): ShownMemory {
  const { slots } = memory;
  const byName = promise.after.map(({ slot }) =>
    slots.find(({ locator }) => lettersAndDigits(locator ?? '') === lettersAndDigits(slot)),
  );
  const named = byName.some((seen) => seen !== undefined);
  const ordered = !named && inOrder(memory, promise);
  const found = promise.after.map((_, nr) => (named ? byName[nr] : ordered ? slots[nr] : undefined));
  const seen = Object.fromEntries(
    promise.after.flatMap(({ slot }, nr) => {
      const one = found[nr];
      // A module of which the size is not told says nothing of its slot.
      if (one === undefined || (one.installed !== null && one.installed.capacityMiB === null)) return [];
      const { installed } = one;
      const text = installed === null ? 'empty' : seenText(installed);
      const { part = null, serial = null } = installed ?? {};
      return [[slot, { capacityMiB: installed?.capacityMiB ?? 0, text, part, serial }]];
    }),
  );
  const rates = slots.flatMap(({ installed }) => installed?.configuredRateMTs ?? []);
  const installedMiB = installedOf(memory);
  return {
    installedMiB,
    usableMiB: installedMiB === null ? (memory.visibleMiB ?? null) : null,
    rateMTs: rates.length === 0 ? null : Math.min(...rates),
    channels: channelsIn(promise, seen),
    slots: seen,
  };
}

/** Channels that hold any memory. */
function channelsOf({ after, channelOf }: Promised, mibIn: (slot: string) => number): number {
  return new Set(after.flatMap(({ slot }) => (mibIn(slot) > 0 ? [channelOf[slot] ?? slot] : []))).size;
}

/** Channels that hold any memory where every slot is told; null: not every one is. */
export function channelsIn(promise: Promised, slots: ShownMemory['slots']): number | null {
  if (promise.after.some(({ slot }) => slots[slot] === undefined)) return null;
  return channelsOf(promise, (slot) => slots[slot]?.capacityMiB ?? 0);
}

function totalFinding({ totalMiB }: Promised, { installedMiB, usableMiB }: ShownMemory, mostHeldMiB: number): Finding {
  const figures = { promised: totalMiB, found: installedMiB ?? usableMiB };
  const base = { kind: 'total', what: 'Total', figures, promised: capacityText(totalMiB) } as const;
  if (installedMiB !== null) {
    const verdict = installedMiB >= totalMiB ? 'kept' : 'broken';
    const note = installedMiB > totalMiB ? 'more than promised' : '';
    return { ...base, found: capacityText(installedMiB), verdict, note };
  }
  if (usableMiB === null) return { ...base, found: 'not told', verdict: 'untold', note: '' };
  const held = totalMiB - usableMiB;
  const isKept = held <= mostHeldMiB;
  return {
    ...base,
    found: `${capacityText(usableMiB)} usable`,
    verdict: isKept ? 'kept' : 'broken',
    note: shareWords(held, mostHeldMiB),
  };
}

function rateFinding({ rateMTs }: Promised, seen: ShownMemory): Finding {
  const figures = { promised: rateMTs, found: seen.rateMTs };
  const base = { kind: 'rate', what: 'Running rate', figures, promised: `${rateMTs} MT/s` } as const;
  if (seen.rateMTs === null) return { ...base, found: 'not told', verdict: 'untold', note: '' };
  const isKept = seen.rateMTs >= rateMTs;
  return {
    ...base,
    found: `${seen.rateMTs} MT/s`,
    verdict: isKept ? 'kept' : 'remark',
    note: isKept ? '' : 'It runs slower than promised: a profile may have to be set in the firmware.',
  };
}

function channelFinding(promise: Promised, seen: ShownMemory): Finding {
  const wanted = channelsOf(promise, (slot) => promise.after.find((one) => one.slot === slot)?.capacityMiB ?? 0);
  const figures = { promised: wanted, found: seen.channels };
  const base = { kind: 'channels', what: 'Channels', figures, promised: String(wanted) } as const;
  if (seen.channels === null) return { ...base, found: 'not told', verdict: 'untold', note: '' };
  const isKept = seen.channels >= wanted;
  return {
    ...base,
    found: String(seen.channels),
    verdict: isKept ? 'kept' : 'remark',
    note: isKept ? '' : 'Modules in other slots, or one that is not seen, cost a channel.',
  };
}

/**
 * What is wrong with a module that was to stay; empty: nothing. Modules that changed places are no strangers, be it among
 * those that stay or with one that is new.
 */
function strangerNote(stays: Promised['stays'], slots: ShownMemory['slots'], slot: string): string {
  const [own, seen] = [stays[slot], slots[slot]];
  if (own === undefined || seen === undefined) return '';
  const elsewhere = Object.keys(slots).filter((other) => stays[other] === undefined && slots[other]?.capacityMiB !== 0);
  const isStranger =
    Object.values(stays).every((one) => isOtherModule(one, seen)) &&
    elsewhere.every((other) => isOtherModule(own, slots[other] ?? seen));
  if (!isStranger) return '';
  const bySerial = own.serial !== null && seen.serial !== null;
  const [was, is] = bySerial ? [`serial ${own.serial}`, `serial ${seen.serial}`] : [own.part, seen.part];
  return `Not the module that was to stay: that was ${was}, this is ${is}.`;
}

/**
 * Where all that was promised is there, a module in another socket is worth a word and no more; so is one that is as large as
 * the customer’s own, and is not it.
 */
function slotFindings({ after, stays }: Promised, { slots }: ShownMemory): Finding[] {
  const sizes = (values: readonly (number | null)[]) =>
    values
      .map((value) => value ?? 0)
      .sort((a, b) => a - b)
      .join();
  const isAllThere =
    after.every(({ slot }) => slots[slot] !== undefined) &&
    sizes(after.map(({ capacityMiB }) => capacityMiB)) ===
      sizes(after.map(({ slot }) => slots[slot]?.capacityMiB ?? 0));
  return after.map(({ slot, capacityMiB }) => {
    const base = {
      kind: 'slot',
      what: slot,
      figures: { promised: capacityMiB ?? 0, found: slots[slot]?.capacityMiB ?? null },
      promised: capacityMiB === null ? 'empty' : capacityText(capacityMiB),
    } as const;
    const seen = slots[slot];
    if (seen === undefined) return { ...base, found: 'not told', verdict: 'untold', note: '' };
    const found = seen.capacityMiB === 0 ? 'empty' : seen.text;
    if (seen.capacityMiB === (capacityMiB ?? 0)) {
      const note = strangerNote(stays, slots, slot);
      return { ...base, found, verdict: note === '' ? 'kept' : 'remark', note };
    }
    return isAllThere
      ? { ...base, found, verdict: 'remark', note: 'In another slot than planned.' }
      : { ...base, found, verdict: 'broken', note: '' };
  });
}

/**
 * The promise of an accepted option beside what the machine shows after fitting: total, running rate, channels, each slot.
 *
 * @param mostHeldMiB the most that graphics, devices and firmware of this model may hold back, MiB
 */
export function compareProof(promise: Promised, seen: ShownMemory, mostHeldMiB: number): Finding[] {
  return [
    totalFinding(promise, seen, mostHeldMiB),
    rateFinding(promise, seen),
    channelFinding(promise, seen),
    ...slotFindings(promise, seen),
  ];
}

/** How a promise came out: broken by one broken point, kept with a remark by one that wants a word. */
export function verdictOf(findings: readonly Pick<Finding, 'kind' | 'verdict'>[]): ProofVerdict {
  const has = (verdict: FindingVerdict) => findings.some((one) => one.verdict === verdict);
  if (has('broken') || findings.every(({ kind, verdict }) => kind !== 'total' || verdict === 'untold')) return 'broken';
  return has('remark') ? 'remark' : 'kept';
}
