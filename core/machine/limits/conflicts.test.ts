import { GB, known, slot, source } from '../samples';
import { conflictsOf, settled } from './conflicts';
import type { Claim, Source } from './limit';
import { resolveClaims } from './resolve-claims';

const total = (kind: Source['kind'], gb: number): Claim => ({
  limit: 'totalMiB',
  value: gb * GB,
  source: source(kind),
});
const proven = (gb: number): Claim => ({
  limit: 'provenTotalMiB',
  value: gb * GB,
  source: { kind: 'evidence', name: 'worked in 2 tests' },
});
const found = (claims: Claim[], slots = [slot('A1', known)]) => conflictsOf(claims, resolveClaims(claims), slots);

describe('conflicts', () => {
  it('are papers that differ on one limit, each a way out with whose word it is', () => {
    const [conflict, ...more] = found([total('board-manual', 32), total('lid-label', 64), total('maker-page', 64)]);
    expect(more).toEqual([]);
    expect(conflict).toMatchObject({ limit: 'totalMiB', why: 'sources', holds: 0, decided: null });
    expect(conflict?.settlements.map(({ sets, by }) => [sets[0]?.value, by])).toEqual([
      [32 * GB, ['board-manual']],
      [64 * GB, ['lid-label', 'maker-page']],
    ]);
  });

  it('are none where all agree, or where a guess alone says otherwise; a scan’s guess is offered beside others', () => {
    expect(found([total('board-manual', 32), total('lid-label', 32)])).toEqual([]);
    expect(found([total('board-manual', 32), total('reading', 64)])).toEqual([]);
    const [conflict] = found([total('board-manual', 32), total('lid-label', 48), total('reading', 64)]);
    expect(conflict?.settlements.map(({ sets }) => sets[0]?.value)).toEqual([32 * GB, 48 * GB, 64 * GB]);
  });

  it('stay, decided, with who decided and what holds', () => {
    const decision: Claim = { ...total('technician', 64), source: { kind: 'technician', name: 'Teo', note: 'newer' } };
    const [conflict] = found([decision, total('board-manual', 32), total('lid-label', 64)]);
    expect(conflict).toMatchObject({ holds: 1, decided: { name: 'Teo', note: 'newer' } });
    const [other] = found([total('technician', 128), total('board-manual', 32), total('lid-label', 64)]);
    expect(other?.holds).toBe(-1);
  });

  it('are trials above the papers: module and total are one decision, the trials hold until it is taken', () => {
    const module = (kind: Source['kind'], limit: 'moduleMiB' | 'provenModuleMiB', gb: number): Claim => ({
      limit,
      value: gb * GB,
      source: source(kind),
    });
    const claims = [
      total('board-manual', 32),
      proven(64),
      module('board-manual', 'moduleMiB', 8),
      module('evidence', 'provenModuleMiB', 16),
    ];
    const [conflict, ...more] = found(claims);
    expect(more).toEqual([]);
    expect(conflict).toMatchObject({ why: 'evidence', holds: 1, decided: null });
    expect(
      conflict?.settlements.map(({ sets, offBook }) => [sets.map(({ limit, value }) => [limit, value]), offBook]),
    ).toEqual([
      [
        [
          ['provenTotalMiB', 32 * GB],
          ['provenModuleMiB', 8 * GB],
        ],
        false,
      ],
      [
        [
          ['provenTotalMiB', 64 * GB],
          ['provenModuleMiB', 16 * GB],
        ],
        true,
      ],
    ]);
    const [papers] = conflict?.settlements ?? [];
    const after = papers === undefined ? [] : settled(claims, papers);
    expect(resolveClaims(after)).toMatchObject({
      provenTotalMiB: { value: 32 * GB },
      provenModuleMiB: { value: 8 * GB },
    });
    expect(conflictsOf(after, resolveClaims(after), [])[0]).toMatchObject({ why: 'evidence', holds: 0 });
  });

  it('are a CPU that caps what was proven, too', () => {
    const cpu: Claim = { limit: 'cpuMaxMiB', value: 32 * GB, source: source('cpu-page') };
    expect(found([total('board-manual', 64), cpu, proven(48)])[0]?.settlements[0]?.sets).toEqual([
      { limit: 'provenTotalMiB', value: 32 * GB },
    ]);
    expect(found([total('board-manual', 64), proven(48)])).toEqual([]);
  });

  it('are a machine that runs more than its papers allow', () => {
    const big = slot('A1', { ...known, capacityMiB: 16 * GB });
    const [conflict] = found([total('maker-page', 8)], [big]);
    expect(conflict).toMatchObject({ why: 'today', holds: 0 });
    expect(conflict?.settlements.map(({ sets }) => sets[0]?.value)).toEqual([8 * GB, 16 * GB]);
    expect(found([total('maker-page', 16)], [big])).toEqual([]);
  });
});
