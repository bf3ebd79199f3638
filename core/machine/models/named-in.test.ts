import { namedIn } from './named-in';

describe('a name on a label', () => {
  test.each([
    ['Vane 14', 'Halvern Vane 14\nMemory 2 x SO-DIMM', true],
    ['KP2-Z', 'Model: KP2-Z  S/N KP2-70001', true],
    ['Vane 14', 'Halvern Vane 15', false],
    ['Vane 1', 'Halvern Vane 14', false],
    ['Vane 14', 'Vane\n14 inch', true],
    ['', 'anything', false],
    ['Größe 2', 'groesse 2, Große 2', true],
  ])('%s on "%s": %s', (name, text, is) => {
    expect(namedIn(name, text)).toBe(is);
  });
});
