import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type SpecText, scoreSpecs, specTexts } from '../testing/spec-score';

const list = (name: string): SpecText[] =>
  specTexts(readFileSync(join(__dirname, '..', 'testing', 'specifications', name), 'utf8'));

describe('the specifications that the reader was made with', () => {
  const texts = list('tuned.txt');

  it('are at least 60, each once, and all read', () => {
    expect(texts.length).toBeGreaterThanOrEqual(60);
    expect(new Set(texts.map(({ text }) => text)).size).toBe(texts.length);
    expect(scoreSpecs(texts).misses).toEqual([]);
  });
});

describe('the specifications written after the reader', () => {
  const LISTS = [
    ['unseen.txt', 60],
    ['fresh.txt', 20],
    ['fresh-2.txt', 20],
    ['fresh-3.txt', 20],
    ['fresh-4.txt', 20],
  ] as const;

  test.each(LISTS)('%s: %i texts, 95 fields in 100 right, none wrong that changes a plan', (name, count) => {
    const texts = list(name);
    const { fields, right, wrongPlans, misses } = scoreSpecs(texts);
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
