import { GB, known, slot, source } from '../samples';
import { rateBelowRatings, totalPerSocket } from './derived-claims';
import type { Claim, Source } from './limit';
import { resolveClaims } from './resolve-claims';
import { totalVerdict } from './verdict';

const claim = (
  limit: 'totalMiB' | 'cpuMaxMiB' | 'moduleMiB' | 'provenTotalMiB' | 'osVisibleMiB',
  kind: Source['kind'],
  gb: number,
) => ({ limit, value: gb * GB, source: source(kind) }) as Claim;
const sockets = [slot('A1', known), slot('B1')];

describe('what binds the total', () => {
  it('is the tightest of board, CPU, sockets and system, and what would be next is told', () => {
    const limits = resolveClaims([
      claim('totalMiB', 'board-manual', 64),
      claim('cpuMaxMiB', 'cpu-page', 128),
      claim('moduleMiB', 'board-manual', 16),
    ]);
    const verdict = totalVerdict(limits, sockets);
    expect(verdict.bounds.map(({ who, mib }) => [who, mib / GB])).toEqual([
      ['sockets', 32],
      ['board', 64],
      ['cpu', 128],
    ]);
    expect(verdict).toMatchObject({ bound: { who: 'sockets', by: '2 × 16 GB' }, next: { who: 'board' } });
  });

  it('counts a socket’s own largest module and soldered memory', () => {
    const slots = [slot('ON', known, { soldered: true }), slot('A1', null, { maxMiB: 4 * GB }), slot('B1')];
    expect(totalVerdict(resolveClaims([claim('moduleMiB', 'maker-page', 16)]), slots).bound).toMatchObject({
      mib: 28 * GB,
      by: '8 GB soldered + 4 GB + 16 GB',
    });
    expect(totalVerdict(resolveClaims([]), slots).bound).toBeNull();
  });

  it('is lifted by trials above the papers, and by what runs today', () => {
    const papers = [claim('totalMiB', 'maker-page', 4)];
    expect(totalVerdict(resolveClaims([...papers, claim('provenTotalMiB', 'evidence', 16)]), []).lifted?.mib).toBe(
      16 * GB,
    );
    expect(totalVerdict(resolveClaims([...papers, claim('provenTotalMiB', 'evidence', 4)]), []).lifted).toBeNull();
    const verdict = totalVerdict(resolveClaims(papers), sockets);
    expect(verdict.runsMiB).toBe(8 * GB);
    expect(verdict.officialMiB).toBe(4 * GB);
  });

  it('is the operating system where that sees least', () => {
    const limits = resolveClaims([claim('totalMiB', 'maker-page', 16), claim('osVisibleMiB', 'system', 3.5)]);
    expect(totalVerdict(limits, []).bound).toMatchObject({ who: 'system', mib: 3584 });
  });
});

describe('words that follow from others', () => {
  it('are the total over the sockets, less what is soldered', () => {
    const limits = resolveClaims([claim('totalMiB', 'maker-page', 24)]);
    const slots = [slot('ON', known, { soldered: true }), slot('A1'), slot('B1')];
    expect(totalPerSocket(limits, slots)).toMatchObject([
      { limit: 'moduleMiB', value: 8 * GB, source: { kind: 'derived', name: '24 GB less 8 GB soldered ÷ 2 slots' } },
    ]);
    expect(totalPerSocket(resolveClaims([]), slots)).toEqual([]);
    expect(totalPerSocket(limits, [slot('ON', known, { soldered: true })])).toEqual([]);
  });

  it('are a rate below what every module is rated for, and none where one is not', () => {
    const read = (rateMTs: number, configuredRateMTs: number | null) =>
      ({ locator: null, bank: null, installed: { rateMTs, configuredRateMTs } }) as never;
    expect(rateBelowRatings([read(2400, 2133), read(2666, 2133)], 'dump')).toMatchObject([
      { limit: 'cpuMaxRateMTs', value: 2133, source: { kind: 'reading', name: 'dump' } },
    ]);
    expect(rateBelowRatings([read(2400, 2133), read(2133, 2133)], 'dump')).toEqual([]);
    expect(rateBelowRatings([read(2400, null)], 'dump')).toEqual([]);
    expect(rateBelowRatings([], 'dump')).toEqual([]);
  });
});
