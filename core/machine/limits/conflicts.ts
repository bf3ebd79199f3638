import { capacityText } from '../../memory/capacity';
import type { JobSlot } from '../slots/job-slot';
import type { Claim, LimitName, Source } from './limit';
import { contradicts, type Limits, onlyInforms, PAPER_SOURCES, type RankedClaim, wordsOn } from './resolve-claims';

/** One way to settle a conflict: the limits that are then decided, and whose words they are. */
export interface Settlement {
  sets: { limit: LimitName; value: unknown }[];
  /** whose word it takes, as the sources are called; empty: nobody's, the machine itself shows it */
  by: string[];
  /** true where what it adds is above the papers */
  offBook: boolean;
}

/**
 * Sources that cannot all be right, or trials and a running machine that go above the papers. Until somebody decides,
 * the weighing holds, so nothing waits for it.
 */
export interface Conflict {
  /** the limit it is about, which also names it */
  limit: LimitName;
  why: 'sources' | 'evidence' | 'today';
  settlements: Settlement[];
  /** which of them holds now; null: none, a person decided something else */
  holds: number | null;
  decided: Source | null;
}

/** Rows that a decision about trials covers: what is then taken as proven. */
const PROVEN = { totalMiB: 'provenTotalMiB', moduleMiB: 'provenModuleMiB' } as const;

const undecided = (claims: readonly Claim[]): Claim[] => claims.filter(({ source }) => source.kind !== 'technician');

function decisionOn(claims: readonly Claim[], limit: LimitName): Claim | undefined {
  return claims.find((claim) => claim.limit === limit && claim.source.kind === 'technician');
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Sources of one limit that say different things; a guess is offered beside them, but makes no conflict. */
function sourcesDiffer(claims: readonly Claim[], limit: LimitName): Conflict | null {
  const words = wordsOn(undecided(claims), limit);
  const [binding] = words;
  if (binding === undefined || binding.role !== 'binds' || binding.source.kind === 'standard') return null;
  const differing = words.filter(({ role }) => role === 'looser' || role === 'differs');
  if (differing.length === 0) return null;
  const values: RankedClaim[] = [];
  for (const word of words) {
    const guess = onlyInforms(word) && word.source.kind !== 'reading';
    if (!guess && !values.some(({ value }) => same(value, word.value))) values.push(word);
  }
  const decision = decisionOn(claims, limit);
  const held = decision?.value ?? binding.value;
  return {
    limit,
    why: 'sources',
    settlements: values.map(({ value }) => ({
      sets: [{ limit, value }],
      by: words.filter((word) => same(word.value, value)).map(({ source }) => source.name),
      offBook: false,
    })),
    holds: values.findIndex(({ value }) => same(value, held)),
    decided: decision?.source ?? null,
  };
}

const numberOf = (limits: Limits, name: 'totalMiB' | 'cpuMaxMiB' | 'moduleMiB'): number | null =>
  limits[name]?.value ?? null;

const least = (values: readonly (number | null)[]): number | null => {
  const known = values.filter((value) => value !== null);
  return known.length === 0 ? null : Math.min(...known);
};

/** Trials that go above the papers: to stay within these, or to take what was seen to work, off-book. */
function evidenceLifts(claims: readonly Claim[], limits: Limits): Conflict | null {
  const papers = {
    totalMiB: least([numberOf(limits, 'totalMiB'), numberOf(limits, 'cpuMaxMiB')]),
    moduleMiB: numberOf(limits, 'moduleMiB'),
  };
  const lifts = (['totalMiB', 'moduleMiB'] as const).flatMap((name) => {
    const [word] = wordsOn(undecided(claims), PROVEN[name]).filter(({ source }) => source.kind === 'evidence');
    const paper = papers[name];
    if (word === undefined || paper === null || typeof word.value !== 'number' || word.value <= paper) return [];
    return [{ limit: PROVEN[name], paper, proven: word.value, source: word.source }];
  });
  const [first] = lifts;
  if (first === undefined) return null;
  const settlements: Settlement[] = [
    {
      sets: lifts.map(({ limit, paper }) => ({ limit, value: paper })),
      by: [limits.totalMiB, limits.cpuMaxMiB, limits.moduleMiB].flatMap((one) =>
        one === null ? [] : [one.source.name],
      ),
      offBook: false,
    },
    {
      sets: lifts.map(({ limit, proven }) => ({ limit, value: proven })),
      by: lifts.map(({ source }) => source.name),
      offBook: true,
    },
  ];
  const decisions = lifts.map(({ limit }) => decisionOn(claims, limit));
  const held = lifts.map(({ proven }, index) => decisions[index]?.value ?? proven);
  return {
    limit: first.limit,
    why: 'evidence',
    settlements: settlements.map((one) => ({ ...one, by: [...new Set(one.by)] })),
    holds: settlements.findIndex(({ sets }) => sets.every(({ value }, index) => same(value, held[index]))),
    decided: decisions.find((one) => one !== undefined)?.source ?? null,
  };
}

/** A machine that runs more than its papers allow: both stay, and what runs counts as proven. */
function runsAbovePapers(claims: readonly Claim[], slots: readonly JobSlot[]): Conflict | null {
  const words = wordsOn(undecided(claims), 'totalMiB');
  const [binding] = words;
  const today = slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0);
  if (binding === undefined || !PAPER_SOURCES.has(binding.source.kind) || today <= Number(binding.value)) return null;
  const decision = decisionOn(claims, 'totalMiB');
  const held = decision?.value ?? binding.value;
  const papers = words.filter(({ value }) => !contradicts(value, binding.value));
  const settlements: Settlement[] = [
    {
      sets: [{ limit: 'totalMiB', value: binding.value }],
      by: papers.map(({ source }) => source.name),
      offBook: false,
    },
    { sets: [{ limit: 'totalMiB', value: today }], by: [`${capacityText(today)} run in it today`], offBook: false },
  ];
  return {
    limit: 'totalMiB',
    why: 'today',
    settlements,
    holds: settlements.findIndex(({ sets: [set] }) => same(set?.value, held)),
    decided: decision?.source ?? null,
  };
}

/**
 * All conflicts of a machine's claims, in the order in which they matter.
 *
 * @param limits what the claims come to
 */
export function conflictsOf(claims: readonly Claim[], limits: Limits, slots: readonly JobSlot[]): Conflict[] {
  const today = runsAbovePapers(claims, slots);
  const names = [...new Set(claims.map(({ limit }) => limit))].filter((name) => !name.startsWith('proven'));
  const differing = names.map((name) => sourcesDiffer(claims, name)).filter((one) => one !== null);
  const rest = today === null ? differing : differing.filter(({ limit }) => limit !== 'totalMiB');
  return [evidenceLifts(claims, limits), today, ...rest].filter((one) => one !== null);
}

/** The claims as they would be after a settlement, to work out what it leads to. */
export function settled(claims: readonly Claim[], { sets }: Settlement): Claim[] {
  const source: Source = { kind: 'technician', name: 'if it were decided so' };
  const decided = sets.map(({ limit, value }) => ({ limit, value, source }) as Claim);
  return [
    ...decided,
    ...claims.filter((claim) => claim.source.kind !== 'technician' || !sets.some(({ limit }) => limit === claim.limit)),
  ];
}
