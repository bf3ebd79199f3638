import type { Generation } from '../../memory/generation';
import type { Buffering } from '../../memory/module';
import type { Claim } from './limit';
import type { Limits } from './resolve-claims';

export const OUTCOMES = ['works', 'fails-to-start', 'starts-with-faults'] as const;
export type TrialOutcome = (typeof OUTCOMES)[number];

/** How deep a trial went, the shallowest first: it started; its total was read; it ran loaded; it ran for weeks. */
export const DEPTHS = ['started', 'total-read', 'loaded', 'weeks'] as const;
export type Depth = (typeof DEPTHS)[number];

/** One recorded trial. Capacities MiB, rate MT/s, day `YYYY-MM-DD`. */
export interface Trial {
  id: number;
  model: string;
  /** what the model tried shares with this one; null: it is this one */
  sister: 'board' | 'cpu' | null;
  moduleMiB: number;
  generation: Generation;
  buffering: Buffering;
  ecc: boolean;
  rateMTs: number | null;
  modules: number;
  slots: string[];
  totalMiB: number;
  firmware: string;
  cpu: string;
  outcome: TrialOutcome;
  depth: Depth;
  note: string;
  on: string;
  by: string | null;
  /** another shop that saw it; null or left out: ours */
  shop?: string | null;
  /** that shop's word is believed here */
  trusted?: boolean;
}

/** What was seen of one module size, nothing averaged away. */
export interface SizeRecord {
  moduleMiB: number;
  worked: number;
  failed: number;
  faulty: number;
  /** how deep the deepest success went */
  deepest: Depth | null;
  /** the largest total that worked with modules of this size */
  largestTotalMiB: number | null;
}

const depthOf = (depth: Depth): number => DEPTHS.indexOf(depth);

/** Trials by module size, the smallest first. */
export function recordsBySize(trials: readonly Trial[]): SizeRecord[] {
  const sizes = [...new Set(trials.map(({ moduleMiB }) => moduleMiB))].sort((a, b) => a - b);
  return sizes.map((moduleMiB) => {
    const own = trials.filter((trial) => trial.moduleMiB === moduleMiB);
    const count = (outcome: TrialOutcome) => own.filter((trial) => trial.outcome === outcome).length;
    const worked = own.filter(({ outcome }) => outcome === 'works');
    const depths = worked.map(({ depth }) => depth).sort((a, b) => depthOf(b) - depthOf(a));
    return {
      moduleMiB,
      worked: worked.length,
      failed: count('fails-to-start'),
      faulty: count('starts-with-faults'),
      deepest: depths[0] ?? null,
      largestTotalMiB: worked.length === 0 ? null : Math.max(...worked.map(({ totalMiB }) => totalMiB)),
    };
  });
}

/** A success counts from here on: a machine that merely started has not shown that it sees and holds its memory. */
const LEAST_DEPTH: Depth = 'total-read';

export const isProof = ({ outcome, depth }: Pick<Trial, 'outcome' | 'depth'>): boolean =>
  outcome === 'works' && depthOf(depth) >= depthOf(LEAST_DEPTH);

/** Trials with modules of another kind say nothing about those that this machine takes. */
function ofThisKind({ generation, buffering, ecc }: Trial, limits: Limits): boolean {
  const generations = limits.generations?.value;
  const kinds = limits.kinds?.value;
  if (generations !== undefined && !generations.includes(generation)) return false;
  return kinds === undefined || kinds.some((kind) => kind.buffering === buffering && kind.ecc === ecc);
}

const timesText = (count: number): string => (count === 1 ? '1 test' : `${count} tests`);

/**
 * What trials claim: the largest total and module that were proven, and the sizes that were tried and never worked.
 * Sisters that share the board count like the model itself, those that share only the CPU inform nobody's limit, nor does
 * what another shop saw that is not trusted here.
 */
export function claimsOfTrials(trials: readonly Trial[], limits: Limits): Claim[] {
  const counted = trials.filter(
    (trial) => trial.sister !== 'cpu' && trial.trusted !== false && ofThisKind(trial, limits),
  );
  const proofs = counted.filter(isProof);
  const claims: Claim[] = [];
  if (proofs.length > 0) {
    const total = Math.max(...proofs.map(({ totalMiB }) => totalMiB));
    const size = Math.max(...proofs.map(({ moduleMiB }) => moduleMiB));
    const source = (those: Trial[]) => ({
      kind: 'evidence' as const,
      name: `worked in ${timesText(those.length)}`,
      on:
        those
          .map(({ on }) => on)
          .sort()
          .at(-1) ?? '',
    });
    claims.push(
      {
        limit: 'provenTotalMiB',
        value: total,
        source: source(proofs.filter((trial) => trial.totalMiB === total)),
      },
      {
        limit: 'provenModuleMiB',
        value: size,
        source: source(proofs.filter((trial) => trial.moduleMiB === size)),
      },
    );
  }
  const never = recordsBySize(counted).filter(({ worked, failed, faulty }) => worked === 0 && failed + faulty > 0);
  if (never.length > 0) {
    const tried = never.reduce((sum, { failed, faulty }) => sum + failed + faulty, 0);
    claims.push({
      limit: 'failedModuleMiB',
      value: never.map(({ moduleMiB }) => moduleMiB),
      source: { kind: 'evidence', name: `never worked in ${timesText(tried)}` },
    });
  }
  return claims;
}
