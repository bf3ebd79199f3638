import type { Board } from '../model/board';
import type { Level } from '../placement/packing/levels';
import type { Places } from '../placement/placement';
import type { EffectiveLimits } from '../rules/effective-limits';
import type { Kept } from './kept';
import { type BoughtPart, type Structure, structureOf } from './structure';
import type { PriceBoard } from './supply/price-board';

/** What structures are made of. */
export interface StructureContext {
  board: Board;
  force: EffectiveLimits;
  places: Places;
  prices: PriceBoard;
}

/** What a structure can give by its places; none: it cannot be placed. */
export function levelsOf(places: Places, kept: Kept, { parts, totalMiB }: Structure): readonly Level[] {
  const counts = new Array<number>(places.shapes.list.length).fill(0);
  for (const shape of kept.set.shapes) counts[shape] = (counts[shape] ?? 0) + 1;
  let { mostRanks } = kept;
  for (const { shelf, modules } of parts) {
    const { shape, ranks } = shelf.placementClass;
    counts[shape] = (counts[shape] ?? 0) + modules;
    mostRanks = Math.max(mostRanks, ranks);
  }
  return places.levels.of({ counts, mostRanks, totalMiB });
}

function totalOf({ totalMiB }: Kept, parts: readonly BoughtPart[]): number {
  let total = totalMiB;
  for (const { shelf, modules } of parts) total += modules * shelf.placementClass.capacityMiB;
  return total;
}

/** Visits every structure that has at least what there is today: what is kept, with modules of some placement classes. */
export class Structures {
  /** @param mostMiB no larger ones are visited */
  constructor(
    private readonly context: StructureContext,
    private readonly visit: (kept: Kept, structure: Structure) => void,
    private readonly mostMiB = Number.POSITIVE_INFINITY,
  ) {}

  /** All that keep just this and buy from so many offers, step by step; told is the share of it that is done. */
  *of(kept: Kept, offers: number): Generator<number> {
    const { shelves } = this.context.prices;
    for (const [nr, shelf] of shelves.entries()) {
      for (const modules of shelf.sizes) {
        this.#choose(kept, [], { shelf, modules }, offers, 0);
        yield nr / shelves.length;
      }
    }
  }

  /** Every choice of so many parts that begins with these, each after those before it by placement class and number. */
  #choose(kept: Kept, parts: readonly BoughtPart[], next: BoughtPart, wanted: number, bought: number): void {
    const { board, force, prices } = this.context;
    const taken = bought + next.modules;
    if (taken > kept.free) return;
    const own = [...parts, next];
    if (this.mostMiB < Number.POSITIVE_INFINITY && totalOf(kept, own) > this.mostMiB) return;
    const structure = structureOf(board, force, kept, own);
    // What cannot be together cannot be with more beside it either.
    if (structure === null) return;
    if (own.length === wanted) {
      if (structure.totalMiB >= force.today.totalMiB) this.visit(kept, structure);
      return;
    }
    for (let nr = prices.shelves.indexOf(next.shelf); nr < prices.shelves.length; nr++) {
      const shelf = prices.shelves[nr];
      if (shelf === undefined) continue;
      for (const modules of shelf.sizes) {
        if (shelf !== next.shelf || modules >= next.modules) this.#choose(kept, own, { shelf, modules }, wanted, taken);
      }
    }
  }
}
