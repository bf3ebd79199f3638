import {
  type Claim,
  LIMIT_NAMES,
  type LimitName,
  type LimitValue,
  SOURCE_KINDS,
  type Source,
  type SourceKind,
} from './limit';

/** A limit as it holds: its value and whose word it is. */
export interface Holding<Name extends LimitName> {
  value: LimitValue<Name>;
  source: Source;
  /** true where another source that counts says something else and nobody has decided */
  contested: boolean;
}

export type Limits = { [Name in LimitName]: Holding<Name> | null };

/**
 * What a word is worth: it `binds`; it says the same (`agrees`); it is a `looser` ceiling that would bind next; it says
 * something else that cannot also be true (`differs`); it only `informs`, as a scan's guess; or a weightier kind of
 * source, a person or a trial, has `outranked` it.
 */
export const CLAIM_ROLES = ['binds', 'agrees', 'looser', 'differs', 'informs', 'outranked'] as const;
export type ClaimRole = (typeof CLAIM_ROLES)[number];

/** A claim as it stands among the others on its limit. */
export type RankedClaim = Claim & { role: ClaimRole };

/** Limits where, among papers, the smaller number binds. */
export const CEILINGS: ReadonlySet<LimitName> = new Set([
  'totalMiB',
  'moduleMiB',
  'cpuMaxMiB',
  'cpuMaxRateMTs',
  'maxRanksPerChannel',
  'maxDeviceGbit',
  'clearanceMm',
  'osVisibleMiB',
]);

export const PAPER_SOURCES: ReadonlySet<SourceKind> = new Set([
  'lid-label',
  'board-manual',
  'cpu-page',
  'maker-page',
  'system',
]);

/** Papers weigh alike; a technician's decision and evidence outrank them, what the machine says and guesses follow. */
function weight({ source }: Claim): number {
  return PAPER_SOURCES.has(source.kind) ? SOURCE_KINDS.indexOf('lid-label') : SOURCE_KINDS.indexOf(source.kind);
}

/**
 * Words that never bind: what follows from other numbers, a list of tested parts, and a report's total, which
 * firmware often guesses.
 */
export function onlyInforms({ limit, source }: Pick<Claim, 'limit' | 'source'>): boolean {
  if (source.kind === 'derived' || source.kind === 'tested-list' || source.informs === true) return true;
  return source.kind === 'reading' && limit === 'totalMiB';
}

function compareClaims(a: Claim, b: Claim): number {
  const byUse = Number(onlyInforms(a)) - Number(onlyInforms(b));
  if (byUse !== 0) return byUse;
  const byWeight = weight(a) - weight(b);
  if (byWeight !== 0) return byWeight;
  if (CEILINGS.has(a.limit) && typeof a.value === 'number' && typeof b.value === 'number') return a.value - b.value;
  return SOURCE_KINDS.indexOf(a.source.kind) - SOURCE_KINDS.indexOf(b.source.kind);
}

/** Does a source say something else? Naming part of a list is no other word: the machine shows only what is in it. */
export function contradicts(holding: unknown, other: unknown): boolean {
  if (!Array.isArray(holding) || !Array.isArray(other)) return JSON.stringify(holding) !== JSON.stringify(other);
  const held = holding.map((one) => JSON.stringify(one));
  return other.some((one) => !held.includes(JSON.stringify(one)));
}

function roleOf(claim: Claim, binding: Claim): ClaimRole {
  if (!contradicts(binding.value, claim.value)) return 'agrees';
  if (onlyInforms(claim)) return 'informs';
  if (!PAPER_SOURCES.has(binding.source.kind) && weight(binding) < weight(claim)) return 'outranked';
  if (PAPER_SOURCES.has(claim.source.kind) && CEILINGS.has(claim.limit)) return 'looser';
  return CEILINGS.has(claim.limit) && typeof claim.value === 'number' && claim.value > Number(binding.value)
    ? 'looser'
    : 'differs';
}

/** All words on one limit, the one that binds first, then the weightier ones and the tighter ceilings. */
export function wordsOn(claims: readonly Claim[], limit: LimitName): RankedClaim[] {
  const sorted = claims.filter((claim) => claim.limit === limit).sort(compareClaims);
  const [binding] = sorted;
  if (binding === undefined) return [];
  if (onlyInforms(binding)) return sorted.map((claim) => ({ ...claim, role: 'informs' }));
  return sorted.map((claim, index) => ({ ...claim, role: index === 0 ? 'binds' : roleOf(claim, binding) }));
}

/**
 * Weighs claims: for each limit the weightiest source's word binds, of equally weighty papers the tightest ceiling.
 * Words that only inform never do.
 */
export function resolveClaims(claims: readonly Claim[]): Limits {
  const entries = LIMIT_NAMES.map((name) => {
    const [first, ...others] = wordsOn(claims, name);
    if (first?.role !== 'binds') return [name, null];
    const contested = others.some(({ role }) => role === 'looser' || role === 'differs');
    return [name, { value: first.value, source: first.source, contested }];
  });
  return Object.fromEntries(entries) as Limits;
}
