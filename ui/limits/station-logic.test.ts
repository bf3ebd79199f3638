import type { Claim, Source } from '@/core/machine/limits/limit';
import { resolveClaims } from '@/core/machine/limits/resolve-claims';
import { GB, known, slot, source } from '@/core/machine/samples';
import { staffWords } from '@/words/staff-words';
import { LIMIT_ROWS } from './limit-words';
import { moduleRuler, totalRuler } from './ruler-rows';
import { readTrial } from './trials/trial-typed';
import { choicesOf, typedText, typedValue } from './typed-limit';

const t = staffWords('en', 'limits');

const claim = (limit: Claim['limit'], kind: Source['kind'], value: unknown) =>
  ({ limit, value, source: source(kind) }) as Claim;
const slots = [slot('A1', known), slot('B1')];

describe('a ruler', () => {
  it('holds everything that ends the total, what binds first, guesses and trials after', () => {
    const claims = [
      claim('totalMiB', 'board-manual', 32 * GB),
      claim('totalMiB', 'reading', 64 * GB),
      claim('cpuMaxMiB', 'cpu-page', 64 * GB),
      claim('provenTotalMiB', 'evidence', 48 * GB),
    ];
    const { rows, todayMiB } = totalRuler(t, resolveClaims(claims), claims, slots);
    expect(rows.map(({ label, mib, look }) => [label, mib / GB, look])).toEqual([
      ['the board', 32, 'binds'],
      ['the CPU', 64, 'paper'],
      ['a guess', 64, 'guess'],
      ['tested', 48, 'proven'],
    ]);
    expect(todayMiB).toBe(8 * GB);
  });

  it('of one module tells papers, what follows, trials, and sizes that never worked', () => {
    const claims = [
      claim('moduleMiB', 'maker-page', 16 * GB),
      claim('moduleMiB', 'derived', 8 * GB),
      claim('provenModuleMiB', 'evidence', 32 * GB),
      claim('failedModuleMiB', 'evidence', [64 * GB]),
    ];
    const { rows, sentence } = moduleRuler(t, resolveClaims(claims), claims, slots);
    expect(rows.map(({ mib, look }) => [mib / GB, look])).toEqual([
      [16, 'binds'],
      [8, 'guess'],
      [32, 'proven'],
      [64, 'failed'],
    ]);
    expect(sentence).toBe('16 GB by maker-page; 32 GB evidence, above the official limit.');
    expect(moduleRuler(t, resolveClaims([]), [], []).sentence).toBe('No document says how large one module may be.');
  });
});

describe('a limit that is typed or chosen', () => {
  it('begins with what holds, or with what is usual, and comes back as a value', () => {
    const row = (name: string) => {
      const found = LIMIT_ROWS.find((one) => one.name === name);
      if (found === undefined) throw new Error(name);
      return found;
    };
    const registered = [{ buffering: 'registered', ecc: true }];
    expect(typedText(t, row('kinds'), registered)).toBe('r');
    expect(typedValue(t, row('kinds'), 'r')).toEqual({ ok: true, value: registered });
    expect(typedText(t, row('totalMiB'), 32 * GB)).toBe('32 GB');
    expect([typedText(t, row('totalMiB'), undefined), typedText(t, row('form'), undefined)]).toEqual(['', 'DIMM']);
    expect(typedText(t, row('profiles'), undefined)).toBe('yes');
    expect(choicesOf(t, row('totalMiB'))).toBeNull();
    expect(choicesOf(t, row('pairing'))?.map(({ value }) => value)).toEqual(['none', 'advised', 'required']);
    expect(typedValue(t, row('totalMiB'), 'lots')).toMatchObject({ ok: false });
  });
});

describe('a trial that is typed', () => {
  const typed = {
    size: '16 GB',
    modules: '4',
    total: '',
    rate: '2666',
    slots: 'A1, B1',
    firmware: ' 1.14 ',
    note: '',
    buffering: 'unbuffered',
    ecc: 'no',
    outcome: 'works',
    depth: 'loaded',
    generation: 'DDR4',
    cpu: '',
    on: '2026-11-20',
  };

  it('adds its modules up where no total is typed', () => {
    expect(readTrial(t, typed)).toMatchObject({
      ok: true,
      value: { moduleMiB: 16 * GB, modules: 4, totalMiB: 64 * GB, slots: ['A1', 'B1'], firmware: '1.14', ecc: false },
    });
  });

  test.each([
    [{ size: 'lots' }, 'Enter the size of one module, such as 16 GB.'],
    [{ modules: '0' }, 'Enter how many modules were tested.'],
    [{ total: 'all' }, 'Enter the total as a size, such as 32 GB.'],
    [{ rate: 'fast' }, 'Enter the rate in MT/s, such as 2666.'],
  ])('%j is told what is wrong', (more, sentence) => {
    expect(readTrial(t, { ...typed, ...more })).toEqual({
      ok: false,
      wrong: { [Object.keys(more)[0] ?? '']: sentence },
    });
  });
});
