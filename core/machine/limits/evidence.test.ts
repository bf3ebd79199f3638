import { GB, source } from '../samples';
import { claimsOfTrials, recordsBySize, type Trial } from './evidence';
import { resolveClaims } from './resolve-claims';

const trial = (more: Partial<Trial> = {}): Trial => ({
  id: 1,
  model: 'Kestwick Plate 2',
  sister: null,
  moduleMiB: 16 * GB,
  generation: 'DDR4',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 2666,
  modules: 4,
  slots: [],
  totalMiB: 64 * GB,
  firmware: '',
  cpu: '',
  outcome: 'works',
  depth: 'loaded',
  note: '',
  on: '2026-05-06',
  by: 'Teo Marsh',
  ...more,
});
const nothing = resolveClaims([]);
const claimed = (trials: Trial[], limit: string, limits = nothing) =>
  claimsOfTrials(trials, limits).find((claim) => claim.limit === limit)?.value;

describe('trials', () => {
  it('are counted size by size, a failure beside two successes as that', () => {
    const trials = [
      trial(),
      trial({ depth: 'weeks' }),
      trial({ outcome: 'fails-to-start', depth: 'started' }),
      trial({ moduleMiB: 32 * GB, totalMiB: 128 * GB, outcome: 'starts-with-faults', depth: 'started' }),
    ];
    expect(recordsBySize(trials)).toEqual([
      { moduleMiB: 16 * GB, worked: 2, failed: 1, faulty: 0, deepest: 'weeks', largestTotalMiB: 64 * GB },
      { moduleMiB: 32 * GB, worked: 0, failed: 0, faulty: 1, deepest: null, largestTotalMiB: null },
    ]);
    expect(claimed(trials, 'failedModuleMiB')).toEqual([32 * GB]);
    expect(claimed(trials, 'provenModuleMiB')).toBe(16 * GB);
    expect(claimed(trials, 'provenTotalMiB')).toBe(64 * GB);
  });

  it('lift only from “total read” on; a size that ever started never counts as failed', () => {
    const shallow = [trial({ depth: 'started' }), trial({ outcome: 'fails-to-start', depth: 'started' })];
    expect(claimsOfTrials(shallow, nothing)).toEqual([]);
    expect(claimed([trial({ depth: 'total-read' })], 'provenTotalMiB')).toBe(64 * GB);
  });

  it('count in sisters of the same board, not in those that share only the CPU', () => {
    expect(claimed([trial({ sister: 'board' })], 'provenTotalMiB')).toBe(64 * GB);
    expect(claimsOfTrials([trial({ sister: 'cpu' })], nothing)).toEqual([]);
    expect(claimsOfTrials([trial({ sister: 'cpu', outcome: 'fails-to-start', depth: 'started' })], nothing)).toEqual(
      [],
    );
  });

  it('with modules of another kind or generation say nothing of those that this machine takes', () => {
    const limits = resolveClaims([
      { limit: 'generations', value: ['DDR4'], source: source('maker-page') },
      { limit: 'kinds', value: [{ buffering: 'unbuffered', ecc: false }], source: source('maker-page') },
    ]);
    const others = [
      trial({ buffering: 'registered', ecc: true, outcome: 'fails-to-start', depth: 'started' }),
      trial({ generation: 'DDR3' }),
    ];
    expect(claimsOfTrials(others, limits)).toEqual([]);
    expect(claimed([trial()], 'provenTotalMiB', limits)).toBe(64 * GB);
  });

  it('name how many there were and the last day', () => {
    const [claim] = claimsOfTrials([trial(), trial({ on: '2026-01-20' })], nothing);
    expect(claim?.source).toEqual({ kind: 'evidence', name: 'worked in 2 tests', on: '2026-05-06' });
  });
});
