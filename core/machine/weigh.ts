import { type Claim, LIMIT_NAMES, type LimitName, type LimitValue, SOURCE_KINDS, type Source } from './limit';

/** A limit as it holds: its value, whose word it is, and what others say. */
export interface Holding<Name extends LimitName> {
  value: LimitValue<Name>;
  source: Source;
  others: { value: LimitValue<Name>; source: Source }[];
  /** true where another source says something else */
  contested: boolean;
}

export type Limits = { [Name in LimitName]: Holding<Name> | null };

/** Limits where, among papers, the smaller number binds. */
const CEILINGS: ReadonlySet<LimitName> = new Set([
  'totalMiB',
  'moduleMiB',
  'cpuMaxMiB',
  'cpuMaxRateMTs',
  'maxRanksPerChannel',
  'maxDeviceGbit',
  'clearanceMm',
  'osVisibleMiB',
]);

const PAPERS: ReadonlySet<string> = new Set(['lid-label', 'board-manual', 'cpu-page', 'maker-page']);

/** Papers weigh alike; a technician's decision and evidence outrank them, a report and the standard follow. */
function weight({ source }: Claim): number {
  return PAPERS.has(source.kind) ? SOURCE_KINDS.indexOf('lid-label') : SOURCE_KINDS.indexOf(source.kind);
}

function compareClaims(a: Claim, b: Claim): number {
  const byWeight = weight(a) - weight(b);
  if (byWeight !== 0) return byWeight;
  if (CEILINGS.has(a.limit) && typeof a.value === 'number' && typeof b.value === 'number') return a.value - b.value;
  return SOURCE_KINDS.indexOf(a.source.kind) - SOURCE_KINDS.indexOf(b.source.kind);
}

/** Does a source say something else? Naming part of a list is no other word: the machine shows only what is in it. */
function contradicts(holding: unknown, other: unknown): boolean {
  if (!Array.isArray(holding) || !Array.isArray(other)) return JSON.stringify(holding) !== JSON.stringify(other);
  const held = holding.map((one) => JSON.stringify(one));
  return other.some((one) => !held.includes(JSON.stringify(one)));
}

/**
 * Weighs claims: for each limit the weightiest source's word holds, of equally weighty papers the tightest
 * ceiling. What the others say is kept beside it.
 */
export function weigh(claims: readonly Claim[]): Limits {
  const entries = LIMIT_NAMES.map((name) => {
    const [first, ...rest] = claims.filter((claim) => claim.limit === name).sort(compareClaims);
    if (first === undefined) return [name, null];
    const others = rest.map(({ value, source }) => ({ value, source }));
    const contested = others.some((other) => contradicts(first.value, other.value));
    return [name, { value: first.value, source: first.source, others, contested }];
  });
  return Object.fromEntries(entries) as Limits;
}
