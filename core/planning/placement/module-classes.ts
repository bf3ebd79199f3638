import type { Board, Piece } from '../model/board';
import type { EffectiveLimits } from '../rules/effective-limits';
import { boardRateUnder, capOf } from '../rules/running-rate';
import type { Shapes } from './packing/shape';

/** All that the rules of a set can tell of a module but its speed. */
export interface PlacementClass {
  nr: number;
  shape: number;
  capacityMiB: number;
  generation: string;
  buffering: string;
  ecc: boolean;
  /** a bit for each voltage of the machine that it runs at */
  voltages: number;
  /** where a load rule counts ranks; else 0 */
  ranks: number;
}

/** All that the rules of a set can tell of a module: makers, parts, heights and chips are told apart by none of them. */
export interface ModuleClass {
  nr: number;
  placementClass: PlacementClass;
  rateMTs: number;
  /** null: not known */
  casLatency: number | null;
  /** the board rate that it would allow on its own, MT/s; null: none */
  boardMTs: number | null;
}

type Shaped = Pick<Piece, 'module' | 'speed'>;

/** Do two module classes of one rate have different known CL? */
export function latenciesDiffer(a: ModuleClass, b: ModuleClass): boolean {
  return a.rateMTs === b.rateMTs && a.casLatency !== null && b.casLatency !== null && a.casLatency !== b.casLatency;
}

/** The module classes of a case, each told once. */
export class ModuleClasses {
  readonly #placementClasses = new Map<string, PlacementClass>();
  readonly #moduleClasses = new Map<string, ModuleClass>();
  readonly #countsRanks: boolean;

  constructor(
    private readonly board: Board,
    private readonly force: EffectiveLimits,
    private readonly shapes: Shapes,
  ) {
    this.#countsRanks = (board.machine.rateByLoad ?? []).some(({ ranks }) => ranks != null);
  }

  /** @param home the slot that it is in today; -1: none */
  of(piece: Shaped, home = -1): ModuleClass {
    const placementClass = this.#placementClass(piece, home);
    const { rateMTs, casLatency } = piece.speed;
    const key = `${placementClass.nr} ${rateMTs} ${casLatency}`;
    const known = this.#moduleClasses.get(key);
    if (known !== undefined) return known;
    const cap = capOf(piece, this.board, Number.POSITIVE_INFINITY);
    const boardMTs = boardRateUnder(this.force.boardRates, cap);
    const moduleClass = { nr: this.#moduleClasses.size, placementClass, rateMTs, casLatency, boardMTs };
    this.#moduleClasses.set(key, moduleClass);
    return moduleClass;
  }

  #placementClass(piece: Shaped, home: number): PlacementClass {
    const { module } = piece;
    const shape = this.shapes.numberOf(piece, home);
    const voltages = this.board.machine.voltagesMv.reduce(
      (bits, mv, nr) => (module.voltagesMv.includes(mv) ? bits | (1 << nr) : bits),
      0,
    );
    const ranks = this.#countsRanks ? (module.ranks ?? 0) : 0;
    const { generation, buffering, ecc, capacityMiB } = module;
    const key = `${shape} ${generation} ${buffering} ${ecc} ${voltages} ${ranks}`;
    const known = this.#placementClasses.get(key);
    if (known !== undefined) return known;
    const placementClass = {
      nr: this.#placementClasses.size,
      shape,
      capacityMiB,
      generation,
      buffering,
      ecc,
      voltages,
      ranks,
    };
    this.#placementClasses.set(key, placementClass);
    return placementClass;
  }
}
