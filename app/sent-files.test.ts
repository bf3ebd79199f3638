import { MOST_READINGS, MOST_READINGS_BYTES } from '@/runtime/body-limits';
import { fileName, readParts, readWhole, sentName } from './sent-files';

const URL_OF_TEST = 'http://fenbrik.example/';
const MIB = 1024 * 1024;

const formOf = (files: readonly File[], fields: Record<string, string> = {}) => {
  const form = new FormData();
  for (const file of files) form.append('file', file);
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  return new Request(URL_OF_TEST, { method: 'POST', body: form });
};
const raw = (body: string, type = 'multipart/form-data; boundary=x') =>
  new Request(URL_OF_TEST, { method: 'POST', body, headers: { 'content-type': type } });
const sentence = (result: Awaited<ReturnType<typeof readParts>>): string => (result.ok ? 'taken' : result.sentence);

describe('files and fields of a form', () => {
  it('come whole, each with its name, in their order', async () => {
    const dump = Uint8Array.from({ length: 200_000 }, (_, index) => (index * 31) % 256);
    const files = [new File([dump], 'spd dump.bin'), new File(['Größe 8 GB'], 'Etikett „Lid“.txt')];
    const read = await readParts(formOf(files, { caption: 'the door' }), MIB);
    if (!read.ok) throw new Error(read.sentence);
    expect(read.value.fields.caption).toBe('the door');
    expect(read.value.files.map(({ name }) => name)).toEqual(['spd dump.bin', 'Etikett „Lid“.txt']);
    expect(Buffer.from(read.value.files[0]?.input ?? []).equals(Buffer.from(dump))).toBe(true);
    expect(Buffer.from(read.value.files[1]?.input ?? []).toString()).toBe('Größe 8 GB');
  });

  it('are read no further than one file may be, and the rest is told by its name', async () => {
    const read = await readParts(formOf([new File([new Uint8Array(MIB + 1)], 'film.mp4')]), MIB);
    expect(sentence(read)).toBe('film.mp4 has over 1 MiB: something else was dropped.');
    expect(sentence(await readParts(formOf([new File([new Uint8Array(MIB)], 'just.bin')]), MIB))).toBe('taken');
  });

  it('are so many, and so much together', async () => {
    const many = Array.from({ length: MOST_READINGS + 1 }, (_, nr) => new File(['a'], `${nr}`));
    expect(sentence(await readParts(formOf(many), MIB))).toBe('At most 20 files at once, please.');
    const piece = new Uint8Array(7 * MIB);
    const large = Array.from({ length: 5 }, (_, nr) => new File([piece], `${nr}`));
    expect(large.length * piece.length).toBeGreaterThan(MOST_READINGS_BYTES);
    expect(sentence(await readParts(formOf(large), 8 * MIB))).toBe(
      'Together these have over 32 MiB: send a few at a time.',
    );
  });

  test.each([
    ['what is no form', raw('{}', 'application/json'), 'Send the files as multipart/form-data.'],
    [
      'a form without a boundary',
      raw('--x--', 'multipart/form-data;'),
      'The files did not come whole: send them again.',
    ],
    [
      'a form that breaks off',
      raw('--x\r\ncontent-disposition: form-data; name="file"; filename="a"\r\n\r\nhalf a fi'),
      'The files did not come whole: send them again.',
    ],
    ['a form of nothing', raw('--x--\r\n'), 'taken'],
  ])('%s is told in a sentence', async (_, request, told) => {
    expect(sentence(await readParts(request, MIB))).toBe(told);
  });

  it('have no names of what every object knows', async () => {
    const read = await readParts(formOf([], { __proto__: 'x', constructor: 'y' }), MIB);
    expect(read.ok && Object.getPrototypeOf(read.value.fields)).toBeNull();
  });
});

describe('a file that is the whole body', () => {
  const send = (length: number, headers: Record<string, string> = {}) =>
    new Request(URL_OF_TEST, { method: 'POST', body: new Uint8Array(length), headers });

  it('is read up to its limit', async () => {
    expect(await readWhole(send(100), 100)).toMatchObject({ ok: true, value: { name: 'file' } });
    expect(await readWhole(send(MIB + 1), MIB)).toMatchObject({
      ok: false,
      sentence: 'The file has over 1 MiB: choose another.',
    });
    expect(await readWhole(new Request(URL_OF_TEST), 10)).toMatchObject({ ok: true });
  });

  test.each([
    ['report%20of%20today.txt', 'report of today.txt'],
    ['Gr%C3%B6%C3%9Fe', 'Größe'],
    ['%E0%A4%A', 'file'],
    ['a%00b%0Ac', 'abc'],
    ['', 'file'],
    ['x'.repeat(500), 'x'.repeat(200)],
  ])('has its name in its head: %.30s', (header, name) => {
    expect(sentName(send(1, { 'x-file-name': header }))).toBe(name);
  });
});

test('a name that is only blanks is called something', () => {
  expect(fileName(' \t ', 'file')).toBe('file');
  expect(fileName(undefined, 'list')).toBe('list');
});
