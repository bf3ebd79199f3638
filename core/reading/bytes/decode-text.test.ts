import { decodeText, EncodingSeer, TextPieces } from './decode-text';

const TEXT = 'Größe 8 GB – 12,50 € für Büro ';
const utf16be = (text: string) => Buffer.from(text, 'utf16le').swap16();
const windows = (text: string) => Buffer.from(text.replace('–', '\x96').replace('€', '\x80'), 'latin1');

function pieces(bytes: Uint8Array, size: number): Uint8Array[] {
  return Array.from({ length: Math.ceil(bytes.length / size) }, (_, at) => bytes.subarray(at * size, (at + 1) * size));
}

function seen(parts: readonly Uint8Array[]) {
  const seer = new EncodingSeer();
  for (const part of parts) seer.see(part);
  return seer.end();
}

test.each([
  ['utf-8', Buffer.from(TEXT.repeat(20))],
  ['utf-16le', Buffer.from(`\ufeff${TEXT.repeat(20)}`, 'utf16le')],
  ['utf-16be', utf16be(`\ufeff${TEXT.repeat(20)}`)],
  ['utf-16le', Buffer.from('plain letters only, many of them '.repeat(20), 'utf16le')],
  ['windows-1252', windows(TEXT.repeat(20))],
] as const)('%s is told and read however it is cut', (encoding, bytes) => {
  const whole = decodeText(bytes);
  for (const size of [129, 1000, bytes.length]) {
    const parts = pieces(bytes, size);
    expect(seen(parts)).toBe(encoding);
    const text = new TextPieces(encoding);
    expect(parts.map((part, at) => text.next(part, at === parts.length - 1)).join('')).toBe(whole);
  }
});

test('one letter that is no UTF-8 far into a file, or a letter that is cut off at its end, makes it Windows letters', () => {
  expect(seen([Buffer.from('plain'.repeat(1000)), Buffer.from([0x47, 0x72, 0xf6, 0xdf, 0x65])])).toBe('windows-1252');
  expect(seen([Buffer.from('plain'), Buffer.from([0xc3])])).toBe('windows-1252');
  expect(seen([])).toBe('utf-8');
});
