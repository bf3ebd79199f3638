import { GB, known, slot, source } from '../samples';
import { rateBelowRatings, totalPerSocket } from './derived-claims';
import type { Claim, LimitName, Source } from './limit';
import { resolveClaims, wordsOn } from './resolve-claims';
import { totalVerdict } from './verdict';
import { whyLimit } from './why-limit';

const claim = (
  limit: 'totalMiB' | 'cpuMaxMiB' | 'moduleMiB' | 'provenTotalMiB' | 'osVisibleMiB',
  kind: Source['kind'],
  gb: number,
) => ({ limit, value: gb * GB, source: source(kind) }) as Claim;
const sockets = [slot('A1', known), slot('B1')];
const gbText = (value: unknown): string => `${Number(value) / GB} GB`;

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
    expect(verdict.sentence).toBe(
      'The sockets (2 × 16 GB) bind at 32 GB; next would be the board (board-manual) at 64 GB.',
    );
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
    expect(verdict.sentence).toContain('8 GB run in it today, above the papers');
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
      { limit: 'moduleMiB', value: 8 * GB, source: { kind: 'derived', name: '24 GB less 8 GB soldered ÷ 2 sockets' } },
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

describe('why a limit has its value', () => {
  const why = (claims: Claim[], limit: LimitName = 'totalMiB') => whyLimit(wordsOn(claims, limit), gbText);

  it('names the paper that is tightest and the next', () => {
    expect(why([claim('totalMiB', 'board-manual', 32), claim('totalMiB', 'maker-page', 64)])).toBe(
      'Board-manual is the tightest that counts. Without it maker-page would hold, at 64 GB.',
    );
    expect(why([claim('totalMiB', 'board-manual', 32), claim('totalMiB', 'maker-page', 32)])).toBe(
      'Board-manual says it. So does maker-page.',
    );
    expect(why([claim('totalMiB', 'board-manual', 32)])).toBe('Board-manual alone says it.');
  });

  it('names who decided, when and why', () => {
    const decided: Claim = {
      limit: 'totalMiB',
      value: 64 * GB,
      source: { kind: 'technician', name: 'Teo Marsh', on: '2026-03-03', note: 'the label is newer' },
    };
    expect(why([decided, claim('totalMiB', 'board-manual', 32)])).toBe(
      'Teo Marsh decided it on 3 March 2026: “the label is newer”. Without it board-manual would hold, at 32 GB.',
    );
  });

  it('says that guesses bind nothing, that a machine speaks for itself, and that nobody does', () => {
    expect(why([claim('totalMiB', 'reading', 16)])).toBe('Nothing binds here: reading says 16 GB, which only informs.');
    expect(why([claim('totalMiB', 'board-manual', 32), claim('totalMiB', 'reading', 64)])).toBe(
      'Board-manual says it. Without it only a guess is left: reading, 64 GB.',
    );
    expect(why([{ limit: 'form', value: 'DIMM', source: source('reading') }], 'form')).toBe(
      'The machine itself says it (reading).',
    );
    expect(why([])).toBe('No source says anything of it.');
  });
});
