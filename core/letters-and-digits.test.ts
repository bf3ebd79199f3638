import { lettersAndDigits } from './letters-and-digits';

test.each([
  ['DIMM_A1', 'dimma1'],
  ['dimm a1', 'dimma1'],
  ['Ä-1', '1'],
  ['', ''],
  [null, ''],
])('%p is told apart as %p', (name, plain) => {
  expect(lettersAndDigits(name)).toBe(plain);
});
