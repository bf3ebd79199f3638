import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type MachineTextRow, machineTexts, scoreMachines } from '../testing/machine-score';

const list = (name: string): MachineTextRow[] =>
  machineTexts(readFileSync(join(__dirname, '..', 'testing', 'machine-texts', name), 'utf8'));

describe('the texts of systems that the reader was made with', () => {
  const texts = list('tuned.txt');

  it('are at least 40, each once, and all read', () => {
    expect(texts.length).toBeGreaterThanOrEqual(40);
    expect(new Set(texts.map(({ text }) => text)).size).toBe(texts.length);
    expect(scoreMachines(texts).misses).toEqual([]);
  });
});

describe('the texts of systems written after the reader', () => {
  const LISTS = [
    ['unseen.txt', 40],
    ['fresh.txt', 20],
    ['fresh-2.txt', 20],
    ['fresh-3.txt', 20],
    ['fresh-4.txt', 20],
    ['fresh-5.txt', 20],
    ['fresh-6.txt', 20],
  ] as const;

  test.each(LISTS)('%s: %i texts, 95 fields in 100 right, none wrong that changes a plan', (name, count) => {
    const texts = list(name);
    const { fields, right, wrongPlans, misses } = scoreMachines(texts);
    process.stdout.write(`${[`${name}: ${right} of ${fields} fields right`, ...misses].join('\n  ')}\n`);
    expect(texts).toHaveLength(count);
    expect(wrongPlans).toEqual([]);
    expect(right / fields).toBeGreaterThanOrEqual(0.95);
  });

  it('are none of those that it was made with', () => {
    const tuned = new Set(list('tuned.txt').map(({ text }) => text));
    for (const [name] of LISTS) expect(list(name).filter(({ text }) => tuned.has(text))).toEqual([]);
  });
});
