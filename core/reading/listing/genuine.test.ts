import { saidOrigin } from './genuine';

test.each([
  ['Genuine Tarnholt 8GB DDR4-2666 SO-DIMM for TC4-1900, TC4-2100', ['TC4-1900', 'TC4-2100']],
  ['Tarnholt Originalteil 8GB DDR4 SO-DIMM für TC4-1900 und TC4-2100', ['TC4-1900', 'TC4-2100']],
  ['Barrette d’origine Tarnholt 8Go DDR4 pour TC4-1900', ['TC4-1900']],
  ['Memoria original Tarnholt 8GB para Lumen 5', ['Lumen 5']],
  ['Origineel Tarnholt geheugen 8GB voor Lumen 5 / Lumen 7', ['Lumen 5', 'Lumen 7']],
  ['Ricambio originale Tarnholt 8GB per Lumen 5', ['Lumen 5']],
  ['Original spare part of the maker, 8GB DDR4', []],
  ['Genuine 8GB DDR4 for TC4-1900, 34.90 EUR', ['TC4-1900']],
])('"%s" is the maker’s own part', (text, madeFor) => {
  expect(saidOrigin(text)).toEqual({ isGenuine: true, isCompatible: false, madeFor });
});

test.each([
  'Corrick 8GB DDR4-2666 SO-DIMM compatible with Tarnholt TC4-1900',
  '8GB DDR4 kompatibel zu Tarnholt, ersetzt Original',
  'Corrick 8GB, replaces the original of TC4-1900',
  'Corrick 8GB DDR4 in original packaging',
  'Corrick 8GB DDR4, Originalverpackung',
  'Corrick 8GB DDR4, not original',
  'kein Original, 8GB DDR4',
  'Corrick 8GB DDR4-2666 SO-DIMM CL19',
  'Originally sold for laptops',
])('"%s" is not', (text) => {
  expect(saidOrigin(text)).toMatchObject({ isGenuine: false, madeFor: [] });
});

test('uses are no machines, and what follows a machine is not its name', () => {
  expect(saidOrigin('Genuine memory for laptops, 8GB').madeFor).toEqual([]);
  expect(saidOrigin('Genuine 8GB for Lumen 5 (2021), with heat spreader').madeFor).toEqual(['Lumen 5']);
});

test('is quick on a long and hostile text', () => {
  const from = performance.now();
  saidOrigin(`original for ${'for '.repeat(20_000)}`);
  saidOrigin(`genuine ${'for a1,'.repeat(20_000)}`);
  expect(performance.now() - from).toBeLessThan(500);
});
