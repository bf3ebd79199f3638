import { faultOfFiles, inputOfFile, LARGEST_INPUT } from './reading-inputs';

it('sends a file’s bytes as they are', async () => {
  const bytes = Uint8Array.from({ length: 100_000 }, (_, index) => (index * 7) % 256);
  const input = await inputOfFile(new File([bytes], 'dump.bin'));
  expect(input.name).toBe('dump.bin');
  expect('base64' in input && Uint8Array.from(Buffer.from(input.base64, 'base64'))).toEqual(bytes);
});

test.each([
  [[{ name: 'a', size: 10 }], null],
  [[], null],
  [[{ name: 'a.iso', size: LARGEST_INPUT + 1 }], 'a.iso has over 8 MiB: a memory report is far smaller.'],
  [
    [
      { name: 'a', size: 7e6 },
      { name: 'b', size: 7e6 },
    ],
    'Together these have over 12 MiB: drop a few at a time.',
  ],
  [Array.from({ length: 21 }, () => ({ name: 'a', size: 1 })), 'At most 20 files at once, please: these are 21.'],
])('says of %j why it cannot be sent', (files, sentence) => {
  expect(faultOfFiles(files)).toBe(sentence);
});
