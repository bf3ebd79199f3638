import type { Board } from '../../model/board';
import { CLOSED, MUST, OPEN, type PartialPlacement } from './partial-placement';
import type { Shape } from './shape';

/** What a bank's sockets take: null fields are not asked for. */
export interface Want {
  capacityMiB: number;
  rateMTs: number | null;
  ranks: number | null;
}

export function accepts(want: Want, shape: Shape): boolean {
  return (
    shape.capacityMiB === want.capacityMiB &&
    (want.rateMTs === null || want.rateMTs === shape.rateMTs) &&
    (want.ranks === null || shape.ranks === null || want.ranks === shape.ranks)
  );
}

/** One way to give the banks what they take: marks of the slots, and what each slot takes (null: anything). */
export interface BankChoice {
  slots: number[];
  wants: (Want | null)[];
}

/** A bank's ways: empty, or filled with what is wanted. */
type Option = { close: true } | { close: false; want: Want | null };

const sameWant = (a: Want, b: Want): boolean =>
  a.capacityMiB === b.capacityMiB && a.rateMTs === b.rateMTs && a.ranks === b.ranks;

function distinctWants(wants: readonly Want[]): Want[] {
  return wants.filter((want, index) => wants.findIndex((other) => sameWant(other, want)) === index);
}

/** Capacities alone count where banks are advised to match. */
function matchedOptions(bank: readonly number[], stand: PartialPlacement, shapes: readonly Shape[]): Option[] {
  const standing = bank.flatMap((slot) => shapes[stand.slots[slot] ?? OPEN] ?? []);
  const [first] = standing;
  if (standing.some((shape) => shape.capacityMiB !== first?.capacityMiB)) return [];
  const open = bank.filter((slot) => stand.slots[slot] === OPEN || stand.slots[slot] === MUST);
  const free = { close: false as const, want: null };
  if (open.length === 0) return [free];
  const plain = (capacityMiB: number) => ({ close: false as const, want: { capacityMiB, rateMTs: null, ranks: null } });
  if (first !== undefined) return [plain(first.capacityMiB)];
  if (open.length === 1) return [free];
  const capacities = shapes.flatMap(({ capacityMiB }, nr) => ((stand.left[nr] ?? 0) > 0 ? [capacityMiB] : []));
  return [...new Set(capacities)].map(plain);
}

/** A bank that must be paired is empty, or full of equal capacity, rate and known ranks. */
function pairedOptions(bank: readonly number[], stand: PartialPlacement, shapes: readonly Shape[]): Option[] {
  const marks = bank.map((slot) => stand.slots[slot] ?? OPEN);
  const standing = marks.flatMap((mark) => shapes[mark] ?? []);
  const mustFill = standing.length > 0 || marks.includes(MUST);
  if (marks.includes(CLOSED)) return mustFill ? [] : [{ close: true }];
  const coming = shapes.filter((_, nr) => (stand.left[nr] ?? 0) > 0);
  const wants = pairedWants(standing, coming);
  const full = wants.map((want) => ({ close: false as const, want }));
  return mustFill ? full : [{ close: true }, ...full];
}

function pairedWants(standing: readonly Shape[], coming: readonly Shape[]): Want[] {
  const candidates = standing.length > 0 ? standing : coming;
  const bare = distinctWants(candidates.map(({ capacityMiB, rateMTs }) => ({ capacityMiB, rateMTs, ranks: null })));
  return bare.flatMap((want) => {
    const alike = [...standing, ...coming].filter((shape) => accepts(want, shape));
    const ranks = [...new Set(alike.flatMap((shape) => shape.ranks ?? []))];
    const known = ranks.length === 0 ? [want] : ranks.map((one) => ({ ...want, ranks: one }));
    return known.filter((one) => standing.every((shape) => accepts(one, shape)));
  });
}

/** Banks that nothing tells apart: then the order of what they take does not matter. */
function sameBank(board: Board, stand: PartialPlacement, a: readonly number[], b: readonly number[]): boolean {
  return (
    a.length === b.length &&
    a.every((slot, index) => {
      const other = b[index] ?? -1;
      const same = (values: readonly unknown[]) => (values[slot] ?? null) === (values[other] ?? null);
      return (
        same(board.channelOf) &&
        same(stand.slots) &&
        (stand.homes[slot] ?? -1) < 0 &&
        (stand.homes[other] ?? -1) < 0 &&
        (board.machine.slots[slot]?.maxMiB ?? 0) === (board.machine.slots[other]?.maxMiB ?? 0)
      );
    })
  );
}

/**
 * Visits every way to give the banks what they take, until `visit` says that it is enough. Shapes that are too large for
 * a slot of theirs break the likeness of banks.
 */
export function forEachBankChoice(
  board: Board,
  stand: PartialPlacement,
  shapes: readonly Shape[],
  visit: (choice: BankChoice) => boolean,
): void {
  const optionsOf = board.machine.pairing === 'required' ? pairedOptions : matchedOptions;
  const all = board.banks.map((bank) => optionsOf(bank, stand, shapes));
  if (all.some((options) => options.length === 0)) return;
  const slots = [...stand.slots];
  const wants = new Array<Want | null>(slots.length).fill(null);
  const anyHome = shapes.some(({ home }) => home >= 0);
  const choose = (at: number, least: number): boolean => {
    const bank = board.banks[at];
    if (bank === undefined) return visit({ slots, wants });
    const options = all[at] ?? [];
    const before = board.banks[at - 1];
    const from = !anyHome && before !== undefined && sameBank(board, stand, before, bank) ? least : 0;
    for (let nr = from; nr < options.length; nr++) {
      take(bank, options[nr]);
      if (choose(at + 1, nr)) return true;
    }
    return false;
  };
  const take = (bank: readonly number[], option: Option | undefined): void => {
    for (const slot of bank) {
      const mark = stand.slots[slot] ?? OPEN;
      const full = board.machine.pairing === 'required' && option?.close === false;
      slots[slot] = mark >= 0 ? mark : option?.close === true ? CLOSED : full ? MUST : mark;
      wants[slot] = option?.close === false ? option.want : null;
    }
  };
  choose(0, 0);
}
