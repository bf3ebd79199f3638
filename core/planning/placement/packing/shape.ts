import type { Board, Piece } from '../../model/board';

/** What the rules of places can tell of a module. Two modules of one shape may stand for each other anywhere. */
export interface Shape {
  capacityMiB: number;
  /** null: not known, or no rule of places counts ranks */
  ranks: number | null;
  /** MT/s where banks must be paired; else 0 */
  rateMTs: number;
  /** the slot that is too small for it and where it may stay all the same, being there today; else -1 */
  home: number;
}

/** What a shape depends on. */
type Shaped = Pick<Piece, 'module' | 'speed'>;

/** Ranks count in pairs, and where so many modules of a channel as there are slots can come to more than it takes. */
function countsRanks({ machine, slotsOf }: Board, mostRanks: number): boolean {
  const { maxRanksPerChannel, pairing } = machine;
  if (pairing === 'required') return true;
  return maxRanksPerChannel != null && slotsOf.some((slots) => slots.length * mostRanks > maxRanksPerChannel);
}

/** The shapes of a case, each numbered once. */
export class Shapes {
  readonly list: Shape[] = [];
  readonly #numbers = new Map<string, number>();
  /** some rule of places looks at ranks */
  readonly countsRanks: boolean;
  readonly #rates: boolean;

  /** @param mostRanks the most ranks that any module has, wherever it may come from */
  constructor(
    private readonly board: Board,
    mostRanks: number,
  ) {
    this.countsRanks = countsRanks(board, mostRanks);
    this.#rates = board.machine.pairing === 'required';
  }

  /** @param home the slot it is in today; -1: none */
  numberOf({ module, speed }: Shaped, home = -1): number {
    const limit = this.board.machine.slots[home]?.maxMiB;
    const shape = {
      capacityMiB: module.capacityMiB,
      ranks: this.countsRanks ? (module.ranks ?? null) : null,
      rateMTs: this.#rates ? speed.rateMTs : 0,
      home: limit != null && module.capacityMiB > limit ? home : -1,
    };
    const key = `${shape.capacityMiB} ${shape.ranks} ${shape.rateMTs} ${shape.home}`;
    const known = this.#numbers.get(key);
    if (known !== undefined) return known;
    this.#numbers.set(key, this.list.length);
    return this.list.push(shape) - 1;
  }

  /** The number of a piece's shape, with its home where it is in the machine today. */
  ofPiece(piece: Piece): number {
    const { source } = piece;
    return this.numberOf(piece, source.from === 'installed' ? (this.board.home[source.index] ?? -1) : -1);
  }
}
