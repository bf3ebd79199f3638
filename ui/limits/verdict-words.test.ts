import type { Claim, LimitName } from '@/core/machine/limits/limit';
import { resolveClaims, wordsOn } from '@/core/machine/limits/resolve-claims';
import { totalVerdict } from '@/core/machine/limits/verdict';
import { GB, known, slot, source } from '@/core/machine/samples';
import { staffWords } from '@/words/staff-words';
import { verdictText, whyLimit } from './verdict-words';

const t = staffWords('en', 'limits');
const claim = (
  limit: 'totalMiB' | 'cpuMaxMiB' | 'moduleMiB' | 'provenTotalMiB',
  kind: Claim['source']['kind'],
  gb: number,
) => ({ limit, value: gb * GB, source: source(kind) }) as Claim;
const gbText = (value: unknown): string => `${Number(value) / GB} GB`;

describe('what binds the total', () => {
  const sockets = [slot('A1', known), slot('B1')];
  const said = (language: 'en' | 'de', claims: Claim[]) =>
    verdictText(staffWords(language, 'limits'), totalVerdict(resolveClaims(claims), sockets));
  const papers = [claim('totalMiB', 'board-manual', 64), claim('cpuMaxMiB', 'cpu-page', 128)];

  it('is said with what would be next', () => {
    expect(said('en', [...papers, claim('moduleMiB', 'board-manual', 16)])).toBe(
      '32 GB, limited by the slots (2 × 16 GB). Next: the board (board-manual) at 64 GB.',
    );
    expect(said('de', [...papers, claim('moduleMiB', 'board-manual', 16)])).toBe(
      '32 GB, begrenzt durch die Steckplätze (2 × 16 GB). Danach: die Platine (board-manual) mit 64 GB.',
    );
    expect(said('en', [claim('totalMiB', 'board-manual', 64), claim('cpuMaxMiB', 'cpu-page', 64)])).toContain(
      'The CPU (cpu-page): the same.',
    );
    expect(said('en', [])).toBe('No source says how much it takes in total.');
  });

  it('is lifted by tests and by what runs today', () => {
    const small = [claim('totalMiB', 'maker-page', 4)];
    expect(said('en', [...small, claim('provenTotalMiB', 'evidence', 16)])).toContain(
      'Tested up to 16 GB (evidence): plans above 4 GB are marked as above the official limit.',
    );
    expect(said('en', small)).toContain('8 GB run in it today, above the official limit');
  });
});

describe('why a limit has its value', () => {
  const why = (claims: Claim[], limit: LimitName = 'totalMiB') => whyLimit(t, wordsOn(claims, limit), gbText);

  it('names the paper that is tightest and the next', () => {
    expect(why([claim('totalMiB', 'board-manual', 32), claim('totalMiB', 'maker-page', 64)])).toBe(
      'Board-manual is the tightest that counts. Without it maker-page would apply, at 64 GB.',
    );
    expect(why([claim('totalMiB', 'board-manual', 32), claim('totalMiB', 'maker-page', 32)])).toBe(
      'Board-manual says it. Maker-page says the same.',
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
      'Teo Marsh decided it on 3 March 2026: “the label is newer”. Without it board-manual would apply, at 32 GB.',
    );
  });

  it('says that guesses bind nothing, that a machine speaks for itself, and that nobody does', () => {
    expect(why([claim('totalMiB', 'reading', 16)])).toBe(
      'Nothing applies here: reading says 16 GB, for information only.',
    );
    expect(why([claim('totalMiB', 'board-manual', 32), claim('totalMiB', 'reading', 64)])).toBe(
      'Board-manual says it. Without it only a guess is left: reading, 64 GB.',
    );
    expect(why([{ limit: 'form', value: 'DIMM', source: source('reading') }], 'form')).toBe(
      'The machine itself says it (reading).',
    );
    expect(why([])).toBe('No source says anything of it.');
  });
});
