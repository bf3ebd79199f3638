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
