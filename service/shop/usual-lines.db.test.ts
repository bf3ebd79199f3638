import type { UsualLine } from '../../core/quoting/usual-line';
import { as, must, openTestShop, readTill, stateOf } from '../../testing/shop';
import { saveIntake } from '../job/intake/intake';
import { quoteView } from '../job/quote/view';
import type { Caller } from '../staff/access';
import { saveUsualLines, showUsualLines, usualLinesSchema } from './usual-lines';

const shop = openTestShop();
let owner: Caller<'shop.settings'>;
beforeAll(async () => {
  owner = await as('runa');
});

const line = (en: string, cents: number, more: Partial<UsualLine> = {}): UsualLine => ({
  texts: { en },
  cents,
  taxBp: null,
  ...more,
});

test('usual lines are kept in their order, and what somebody else changed meanwhile is not written over', async () => {
  const { lines: seen } = await showUsualLines(owner);
  const lines = [line('Drive', 6500, { taxBp: 700 }), ...seen];
  must(await saveUsualLines(owner, { lines, seen }));
  expect((await showUsualLines(owner)).lines).toEqual(lines);
  const late = await saveUsualLines(owner, { lines: [], seen });
  expect(!late.ok && late.sentence).toContain('Somebody changed these lines meanwhile');
  expect((await showUsualLines(owner)).lines).toEqual(lines);
});

test('a quote is offered them in the language of its papers', async () => {
  const { lines: seen } = await showUsualLines(owner);
  const lines = [line('Diagnosis', 2500, { texts: { en: 'Diagnosis', de: 'Diagnose' } }), line('Drive', 6500)];
  must(await saveUsualLines(owner, { lines, seen }));
  const id = await readTill(shop.teo);
  must(await saveIntake(shop.teo, id, { language: 'de' }));
  expect(quoteView(await stateOf(id), false).usualLines).toEqual([
    { text: 'Diagnose', cents: 2500, taxBp: null },
    // Nobody said it in German: it reads as the shop's own.
    { text: 'Drive', cents: 6500, taxBp: null },
  ]);
});

test.each([
  [{ texts: {}, cents: 5, taxBp: null }, 'A line needs a text.'],
  [{ texts: { en: ' ' }, cents: 5, taxBp: null }, 'A line needs a text.'],
  [line('x', 0), 'A line costs more than 0.'],
  [line('x', 5, { taxBp: 10_001 }), 'A tax rate is at most 100 %.'],
])('%j is none', (wrong, sentence) => {
  const parsed = usualLinesSchema.safeParse({ lines: [wrong], seen: [] });
  expect(parsed.error?.issues.map(({ message }) => message)).toContain(sentence);
});
