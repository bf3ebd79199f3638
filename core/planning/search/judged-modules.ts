import type { MemoryModule } from '../../memory/module';
import type { Board } from '../model/board';
import { countedSpeed } from '../model/counted-speed';
import type { ModuleClass, ModuleClasses } from '../placement/module-classes';
import type { EffectiveLimits } from '../rules/effective-limits';
import { type OfferRefusal, refusalsOf } from '../rules/refuse-offer';

/** What the rules say of a module on its own. */
export interface Judged {
  /** empty: it can go into the machine */
  codes: readonly OfferRefusal[];
  /** null: it cannot */
  moduleClass: ModuleClass | null;
}

/** So many of one rate and capacity are compared with; what is like none of them is judged by itself. */
const COMPARED = 60;

/** Nothing is known of either, or the same is. */
const same = <T>(a: T | null | undefined, b: T | null | undefined): boolean => (a ?? null) === (b ?? null);

function sameVoltages(a: readonly number[], b: readonly number[]): boolean {
  if (a.length !== b.length) return false;
  for (let at = 0; at < a.length; at++) if (a[at] !== b[at]) return false;
  return true;
}

function sameProfiles(a: MemoryModule['profiles'], b: MemoryModule['profiles']): boolean {
  const [one, other] = [a ?? [], b ?? []];
  return (
    one.length === other.length &&
    one.every(
      ({ rateMTs, casLatency }, at) => rateMTs === other[at]?.rateMTs && same(casLatency, other[at]?.casLatency),
    )
  );
}

/** Are two modules of one rate and capacity alike in all else that some rule may look at, but their profiles? */
function isAlike(a: MemoryModule, b: MemoryModule): boolean {
  return (
    same(a.casLatency, b.casLatency) &&
    same(a.ranks, b.ranks) &&
    a.ecc === b.ecc &&
    a.generation === b.generation &&
    a.buffering === b.buffering &&
    a.form === b.form &&
    same(a.heightMm, b.heightMm) &&
    same(a.deviceGbit, b.deviceGbit) &&
    same(a.deviceWidth, b.deviceWidth) &&
    sameVoltages(a.voltagesMv, b.voltagesMv)
  );
}

/** Judges modules one by one; many are sold under many names, and comparing with a few is quicker than judging each. */
export class JudgedModules {
  /** by rate and capacity */
  readonly #seen = new Map<number, Map<number, { module: MemoryModule; judged: Judged }[]>>();

  constructor(
    private readonly board: Board,
    private readonly force: EffectiveLimits,
    private readonly moduleClasses: ModuleClasses,
  ) {}

  of(module: MemoryModule): Judged {
    const { rateMTs, capacityMiB } = module;
    let bySize = this.#seen.get(rateMTs);
    if (bySize === undefined) {
      bySize = new Map();
      this.#seen.set(rateMTs, bySize);
    }
    let seen = bySize.get(capacityMiB);
    if (seen === undefined) {
      seen = [];
      bySize.set(capacityMiB, seen);
    }
    const profiles = this.board.machine.profiles === true;
    for (const { module: other, judged } of seen) {
      if (isAlike(other, module) && (!profiles || sameProfiles(other.profiles, module.profiles))) return judged;
    }
    const judged = this.#judge(module);
    if (seen.length < COMPARED) seen.push({ module, judged });
    return judged;
  }

  #judge(module: MemoryModule): Judged {
    const { machine } = this.board;
    const codes = refusalsOf(module, machine, this.force);
    if (codes.length > 0) return { codes, moduleClass: null };
    const speed = countedSpeed(module, machine.profiles === true);
    return { codes, moduleClass: this.moduleClasses.of({ module, speed }) };
  }
}
