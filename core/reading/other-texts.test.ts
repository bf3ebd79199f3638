import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { read } from './read';

const TEXTS = readFileSync(join(__dirname, 'testing', 'others', 'texts.txt'), 'utf8')
  .split(/^=== /m)
  .slice(1)
  .map((block) => [block.slice(0, block.indexOf('\n')), block.slice(block.indexOf('\n') + 1)] as const);

describe('letters, logs, lists, recipes and code', () => {
  it('are 40', () => expect(new Set(TEXTS.map(([, text]) => text)).size).toBe(40));

  test.each(TEXTS)('%s is no module, slot or claim', (_title, text) => {
    expect(read(text)).toEqual({ ok: false, code: 'unknown-format' });
  });
});
