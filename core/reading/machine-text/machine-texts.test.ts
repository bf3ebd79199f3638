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
