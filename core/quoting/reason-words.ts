import type { CareReason, Note } from '../planning/rules/care';

/** Figures that the sentences speak of. Capacities as text, rates MT/s, bandwidth MB/s. */
export interface ReasonFacts {
  totalText: string;
  officialTotalText: string | null;
  officialModuleText: string | null;
  rateMTs: number;
  todayRateMTs: number | null;
  bandwidthMBs: number;
  todayBandwidthMBs: number;
  channelsText: string;
  osVisibleText: string | null;
}

const than = (text: string | null): string => (text === null ? '' : ` (${text})`);

/** What a technician reads: the rule with its numbers. */
export const STAFF_REASONS: Record<CareReason, (facts: ReasonFacts) => string> = {
  'ecc-lost': () => 'All of today’s memory has ECC; this set no longer corrects errors.',
  'ecc-mix': () => 'ECC and non-ECC modules together: ECC will not work.',
  'mixed-latency': () => 'Modules of one rate with different CL: the board has to find common timings.',
  'mixed-rate': (facts) => `The modules would run at different rates; all run at ${facts.rateMTs} MT/s.`,
  'module-off-book': (facts) =>
    `A module is larger than the official ${facts.officialModuleText ?? 'size'}; it has been seen to work.`,
  'os-limit': (facts) => `The operating system sees only ${facts.osVisibleText ?? 'part'} of ${facts.totalText}.`,
  'slower-than-today': (facts) =>
    `Slower than today: ${facts.rateMTs} MT/s and ${facts.bandwidthMBs} MB/s against ${facts.todayRateMTs ?? 0} MT/s and ${facts.todayBandwidthMBs} MB/s.`,
  'total-off-book': (facts) =>
    `${facts.totalText} is above the official ceiling${than(facts.officialTotalText)}; it has been seen to work.`,
  'total-unknown': () => 'No source says how much memory this machine takes.',
  'uneven-channels': (facts) => `The channels hold unequal amounts: together as quick as ${facts.channelsText}.`,
  'unmatched-bank': () => 'The board advises equal modules in a bank; here they differ.',
};

/** What is worth saying without care. */
export const NOTE_WORDS: Record<Note, (facts: ReasonFacts) => string> = {
  'mixed-maker': () => 'Modules of different makers.',
  'mixed-ranks': () => 'Modules with different numbers of ranks.',
  'runs-below-rating': (facts) => `The new modules are rated faster; here they run at ${facts.rateMTs} MT/s.`,
};
