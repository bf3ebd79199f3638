import { meant } from './placeholder';

test.each([
  '',
  '  ',
  'Not Specified',
  'To Be Filled By O.E.M.',
  'Default string',
  'NO DIMM',
  'ModulePartNumber00',
  'SerNum3',
  '0000',
  '----',
  '0x0000',
  '<BAD INDEX>',
  null,
  undefined,
])('"%s" says nothing', (text) => {
  expect(meant(text)).toBeNull();
});

test('what a maker wrote stays, trimmed', () => {
  expect(meant('  Tarnholt   Works ')).toBe('Tarnholt Works');
  expect(meant('0A1B')).toBe('0A1B');
  expect(meant('Unknown Pleasures Ltd')).toBe('Unknown Pleasures Ltd');
});
