import { codeText } from './content-code';

test('a code is read in groups', () => {
  expect(codeText('0123456789abcdef'.repeat(4))).toBe(Array(4).fill('01234567 89abcdef').join(' '));
});
