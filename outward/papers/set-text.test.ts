import { faceOf } from './pdf-faces';
import { setText } from './set-text';
import { unpackedFont } from './unpacked-font';

/** Every letter is one point wide. */
const wide = ({ text }: { text: string }) => [...text].length;
const lines = (text: string, width = 1000) => setText(text, 'regular', width, wide);
const words = (text: string, width?: number) => lines(text, width).map((runs) => runs.map((run) => run.text).join(''));

describe('text on paper', () => {
  it('is broken at spaces, at line feeds, and within a word that is longer than a line', () => {
    expect(words('one two three', 8)).toEqual(['one two ', 'three']);
    expect(words('one two three', 7)).toEqual(['one two ', 'three']);
    expect(words('a\n\nb')).toEqual(['a', '', 'b']);
    expect(words('abcdefghij klm', 4)).toEqual(['abcd', 'efgh', 'ij ', 'klm']);
    expect(words('')).toEqual(['']);
  });

  it('takes another face where one has not the letters, and stays in one otherwise', () => {
    expect(lines('Łucja Őrsi')[0]?.map(({ text }) => text)).toEqual(['Ł', 'ucja ', 'Ő', 'rsi']);
    expect(lines('Grüße — 5 €')[0]).toHaveLength(1);
    const faces = lines('aΩжא')[0]?.map(({ face }) => face);
    expect(new Set(faces).size).toBe(4);
  });

  it('puts a letter and its marks together, and a question mark where no face has it', () => {
    expect(words('e\u0301')).toEqual(['é']);
    expect(lines('क्षि')[0]).toHaveLength(1);
    expect(words('漢字')).toEqual(['??']);
    expect(faceOf('漢', 'regular')).toBeNull();
  });

  it('orders what is read from right to left as it is read, within what is not', () => {
    const [runs = []] = lines('For דנה לוי, Skerrow');
    expect(runs.map(({ text, rtl }) => (rtl ? `<${text}` : text))).toEqual(['For ', '<לוי', '< ', '<דנה', ', Skerrow']);
  });

  it('leaves the sentence around a name that is set apart as it is', () => {
    const name = '\u2068דנה (2)\u2069';
    const [runs = []] = lines(`For ${name}. Hello`);
    expect(runs.at(0)?.text).toBe('For ');
    expect(runs.at(-1)?.text).toBe('. Hello');
    expect(runs.map(({ text }) => text).join('')).not.toMatch(/[\u2066-\u2069]/);
  });

  it('keeps numbers among them from left to right, and turns brackets', () => {
    const [runs = []] = lines('א (12) ב');
    expect(runs.map(({ text }) => text).join('|')).toBe('ב|(|12|) |א'.replace('(', ' (').replace(') ', ') '));
  });
});

describe('a font file', () => {
  it('is unpacked, or refused where it is none', () => {
    expect(() => unpackedFont(Buffer.from('no font at all, but long enough to have a header of its own'))).toThrow(
      RangeError,
    );
  });
});
