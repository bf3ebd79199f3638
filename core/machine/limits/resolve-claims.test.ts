import { GB, source } from '../samples';
import { asClaim, type Claim, LIMIT_NAMES, LIMIT_SCHEMAS, type Source } from './limit';
import { resolveClaims, wordsOn } from './resolve-claims';

describe('weighing claims', () => {
  const total = (kind: Source['kind'], gb: number): Claim => ({
    limit: 'totalMiB',
    value: gb * GB,
    source: source(kind),
  });

  it('lets the tightest of the papers bind, whichever comes first', () => {
    const claims = [total('maker-page', 64), total('board-manual', 32), total('lid-label', 48)];
    for (const order of [claims, [...claims].reverse()]) {
      expect(resolveClaims(order).totalMiB).toMatchObject({
        value: 32 * GB,
        source: { kind: 'board-manual' },
        contested: true,
      });
      expect(wordsOn(order, 'totalMiB').map(({ value, role }) => [value, role])).toEqual([
        [32 * GB, 'binds'],
        [48 * GB, 'looser'],
        [64 * GB, 'looser'],
      ]);
    }
  });

  it('lets a decision outrank evidence, evidence the papers, and papers the machine’s own word', () => {
    expect(resolveClaims([total('reading', 16), total('maker-page', 64)]).totalMiB?.source.kind).toBe('maker-page');
    const rates = (kind: Source['kind'], value: number): Claim => ({
      limit: 'cpuMaxRateMTs',
      value,
      source: source(kind),
    });
    expect(resolveClaims([rates('reading', 2133), rates('cpu-page', 2400)]).cpuMaxRateMTs?.value).toBe(2400);
    expect(resolveClaims([rates('reading', 2133)]).cpuMaxRateMTs?.value).toBe(2133);
    expect(resolveClaims([total('evidence', 96), total('maker-page', 64)]).totalMiB?.source.kind).toBe('evidence');
    expect(
      resolveClaims([total('technician', 128), total('evidence', 96), total('maker-page', 64)]).totalMiB?.value,
    ).toBe(128 * GB);
  });

  it('takes agreement for no contest, nor the naming of a part of a list', () => {
    expect(resolveClaims([total('maker-page', 64), total('board-manual', 64)]).totalMiB?.contested).toBe(false);
    const kinds = (kind: Source['kind'], eccs: boolean[]): Claim => ({
      limit: 'kinds',
      value: eccs.map((ecc) => ({ buffering: 'unbuffered', ecc })),
      source: source(kind),
    });
    expect(resolveClaims([kinds('board-manual', [true, false]), kinds('reading', [true])]).kinds?.contested).toBe(
      false,
    );
    expect(resolveClaims([kinds('board-manual', [false]), kinds('reading', [true])]).kinds?.contested).toBe(true);
  });

  it('lets a scan’s total, what follows from others and tested lists inform, never bind', () => {
    for (const kind of ['reading', 'derived', 'tested-list'] as const) {
      expect(resolveClaims([total(kind, 16)]).totalMiB).toBeNull();
      expect(wordsOn([total(kind, 16)], 'totalMiB')).toMatchObject([{ role: 'informs' }]);
      expect(wordsOn([total(kind, 16), total('maker-page', 64)], 'totalMiB').map(({ role }) => role)).toEqual([
        'binds',
        'informs',
      ]);
    }
  });

  it('names what each word is worth beside the one that binds', () => {
    const decided = [total('technician', 96), total('maker-page', 64), total('lid-label', 96)];
    expect(wordsOn(decided, 'totalMiB').map(({ role }) => role)).toEqual(['binds', 'outranked', 'agrees']);
    const forms = (kind: Source['kind'], value: string): Claim => ({ limit: 'form', value, source: source(kind) });
    expect(wordsOn([forms('maker-page', 'DIMM'), forms('reading', 'SO-DIMM')], 'form').map(({ role }) => role)).toEqual(
      ['binds', 'differs'],
    );
    expect(resolveClaims([...decided]).totalMiB?.contested).toBe(false);
  });

  it('says nothing where nobody does', () => {
    const limits = resolveClaims([]);
    for (const name of LIMIT_NAMES) expect(limits[name]).toBeNull();
  });

  it('trusts a stored claim only as far as its value fits', () => {
    expect(asClaim('totalMiB', 4096, source('evidence'))).toEqual({
      limit: 'totalMiB',
      value: 4096,
      source: source('evidence'),
    });
    for (const value of [0, -1, '4096', null, 1.5]) expect(asClaim('totalMiB', value, source('evidence'))).toBeNull();
    expect(LIMIT_SCHEMAS.ratesMTs.safeParse([]).success).toBe(true);
    expect(LIMIT_SCHEMAS.generations.safeParse([]).success).toBe(false);
  });
});
