import { codeText, compareCode } from './content-code';

const CODE = '0123456789abcdef'.repeat(4);

test('a code is read in groups, and typed as it is read', () => {
  expect(codeText(CODE)).toBe(Array(4).fill('01234567 89abcdef').join(' '));
  expect(compareCode(codeText(CODE), CODE)).toBe(true);
  expect(compareCode('01234567 89AB', CODE)).toBe(true);
  expect(compareCode('01234568', CODE)).toBe(false);
  expect(compareCode(`${CODE}0`, CODE)).toBe(false);
  expect(compareCode('0123', CODE)).toBeNull();
});
