import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type MachineTextRow, machineTexts, scoreMachines } from '../testing/machine-score';

const list = (name: string): MachineTextRow[] =>
  machineTexts(readFileSync(join(__dirname, '..', 'testing', 'machine-texts', name), 'utf8'));

describe('the texts of systems that the reader was made with', () => {
  const texts = list('tuned.txt');

  it('are 40, each once, and all read', () => {
    expect(new Set(texts.map(({ text }) => text)).size).toBe(40);
    expect(scoreMachines(texts).misses).toEqual([]);
  });
});
