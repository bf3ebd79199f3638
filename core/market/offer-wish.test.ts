import { wishOfText } from './offer-wish';

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
