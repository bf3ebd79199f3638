import type { SlotChange } from '@/core/quoting/slot-changes';

/** A channel with its slots, banks in order. */
export interface BoardChannel {
  name: string;
  slots: SlotChange[];
}

/** More channels than this stand below each other: a module must stay wide enough for its capacity. */
const MOST_BESIDE = 4;

/** Runs of digits, and what stands between them. */
const partsOf = (name: string): string[] => name.toLowerCase().match(/\d+|\D+/g) ?? [];

/** Orders names with their numbers by size: `2` before `10`. A browser's own collation takes 20 ms to wake up. */
function byName(one: string, other: string): number {
  const [mine, theirs] = [partsOf(one), partsOf(other)];
  for (const [at, part] of mine.entries()) {
    const its = theirs[at];
    if (its === undefined) return 1;
    if (part === its) continue;
    const by = Number(part) - Number(its);
    return Number.isNaN(by) || by === 0 ? (part < its ? -1 : 1) : by;
  }
  return mine.length - theirs.length;
}

/** Channels in the order of their names, in rows of at most four, as even as can be; banks in order within each. */
export function channelRows(changes: readonly SlotChange[]): BoardChannel[][] {
  const names = [...new Set(changes.map(({ channel }) => channel))].sort(byName);
  const channels = names.map((name) => ({
    name,
    slots: changes.filter(({ channel }) => channel === name).sort((a, b) => a.bank - b.bank),
  }));
  const rows = Math.ceil(channels.length / MOST_BESIDE);
  const beside = Math.ceil(channels.length / Math.max(rows, 1));
  return Array.from({ length: rows }, (_, row) => channels.slice(row * beside, (row + 1) * beside));
}

export type Arrow = 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown';

/** The slot that an arrow key leads to: the same bank of the channel beside, or the next bank; null: none that way. */
export function neighbour(rows: readonly BoardChannel[][], from: string, arrow: Arrow): string | null {
  for (const [at, row] of rows.entries()) {
    for (const [column, { slots }] of row.entries()) {
      const bank = slots.findIndex(({ slot }) => slot === from);
      if (bank < 0) continue;
      const of = (channel: BoardChannel | undefined, place: number) =>
        channel?.slots[Math.min(place, channel.slots.length - 1)]?.slot ?? null;
      if (arrow === 'ArrowLeft') return of(row[column - 1], bank);
      if (arrow === 'ArrowRight') return of(row[column + 1], bank);
      if (arrow === 'ArrowUp') return bank > 0 ? of(row[column], bank - 1) : of(rows[at - 1]?.[column], Infinity);
      return bank < slots.length - 1 ? of(row[column], bank + 1) : of(rows[at + 1]?.[column], 0);
    }
  }
  return null;
}
