import { decodeText } from './decode-text';

const bytes = (...values: number[]) => Uint8Array.from(values);

test('UTF-8, with and without a byte order mark', () => {
  expect(decodeText(new TextEncoder().encode('Größe: 8 GB'))).toBe('Größe: 8 GB');
  expect(decodeText(bytes(0xef, 0xbb, 0xbf, 0x41))).toBe('A');
});

test('UTF-16 as shells write it', () => {
  expect(decodeText(bytes(0xff, 0xfe, 0x41, 0, 0x42, 0))).toBe('AB');
  expect(decodeText(bytes(0xfe, 0xff, 0, 0x41, 0, 0x42))).toBe('AB');
});

test('what is no UTF-8 is Windows-1252', () => {
  expect(decodeText(bytes(0x47, 0x72, 0xf6, 0xdf, 0x65))).toBe('Größe');
  expect(decodeText(bytes(0x80))).toBe('€');
  expect(decodeText(bytes())).toBe('');
});
