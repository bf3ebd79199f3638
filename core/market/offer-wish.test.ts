import { NOTHING_KNOWN } from '../machine/models/nothing-known';
import { twinText, wishOfText } from './offer-wish';

test.each([
  ['16 GB SO-DIMM original', { capacityMiB: 16_384, form: 'SO-DIMM', origins: ['original'] }],
  ['2x8GB DDR4 2666', { generations: ['DDR4'], capacityMiB: 8192, rateMTs: 2666, modules: 2 }],
  ['DDR3 registered Corrick', { generations: ['DDR3'], buffering: 'registered', words: ['Corrick'] }],
  ['used modules from the shelf', { origins: ['used'] }],
  ['DDR4-3200 CL22 2Rx8', { generations: ['DDR4'], rateMTs: 3200, cas: 22, ranks: 2 }],
  ['', {}],
  ['QT-4471', { words: ['QT-4471'] }],
])('%s', (text, wish) => {
  expect(wishOfText(text)).toEqual(wish);
});

test('a wish is never more than what was typed: nothing is guessed', () => {
  expect(wishOfText('8 GB')).toEqual({ capacityMiB: 8192 });
});

test.each([
  {},
  { ranks: 2, casLatency: 17 },
  { buffering: 'registered', ecc: true, form: 'DIMM' },
  { buffering: 'unbuffered', ecc: true, form: 'DIMM', ranks: 1 },
  { maker: 'Corrick' },
] as const)('the twin of a module %j is that module and no other', (more) => {
  const module = {
    ...NOTHING_KNOWN,
    capacityMiB: 8192,
    generation: 'DDR4',
    form: 'SO-DIMM',
    rateMTs: 2400,
    ...more,
  } as const;
  expect(wishOfText(twinText(module))).toEqual({
    capacityMiB: 8192,
    generations: ['DDR4'],
    form: module.form,
    rateMTs: 2400,
    ...('ranks' in more && { ranks: more.ranks }),
    ...('casLatency' in more && { cas: more.casLatency }),
    ...('buffering' in more && { buffering: more.buffering, ecc: more.ecc }),
    ...('maker' in more && { words: [more.maker] }),
  });
});

test('of a module of which nothing is known nothing is looked for', () => {
  expect(twinText(NOTHING_KNOWN)).toBe('');
});
