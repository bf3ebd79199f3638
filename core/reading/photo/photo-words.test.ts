import {
  type FoundWord,
  isModuleLabel,
  isSure,
  likelySpellings,
  type PhotoCode,
  type PhotoWord,
  photoRowsOf,
  photoText,
  turnedPlace,
  weighPhoto,
} from './photo-words';

const word = (text: string, confidence: number, left = 0, top = 0): PhotoWord => ({
  text,
  confidence,
  left,
  top,
  width: 0.1,
  height: 0.1,
  sure: isSure({ text, confidence, left, top, width: 0.1, height: 0.1 }),
});
const found = (text: string, left: number, top: number, confidence = 92): FoundWord => {
  const { sure: _, ...rest } = word(text, confidence, left, top);
  return { ...rest, width: text.length * 0.02, height: 0.05 };
};
const code = (text: string, left = 0.5, top = 0.8): PhotoCode => ({
  text,
  symbology: 'Code128',
  left,
  top,
  width: 0.3,
  height: 0.1,
});

describe('whether a word of a picture is sure', () => {
  test.each([
    ['PC4-2666V-SE1-11', 90, true],
    ['PC4-2666V-SE1-11', 70, false],
    ['PC4-26G6V-SE1-11', 95, false],
    ['PC4-2665V-SE1-11', 95, false],
    ['8192', 90, true],
    ['8192', 60, false],
    ['16.0', 95, true],
    ['1Rx8', 90, true],
    ['DDR4-2666', 90, true],
    ['ChannelA-DIMM0', 90, true],
    ['VE4S8-2666', 96, false],
    ['4A1B77C0', 96, false],
    ['Vellamo', 40, true],
    ['SODIMM', 95, true],
    ['SODIMM', 50, false],
    ['-', 10, true],
  ])('%s at %d: %s', (text, confidence, sure) => {
    expect(word(text, confidence).sure).toBe(sure);
  });

  it('is a label’s only where the whole of it is one', () => {
    expect(['PC3L-12800S-11-13-B4', 'PC5-4800B-SA0-1010-XT', 'PC2-6400S-666-12'].map(isModuleLabel)).toEqual([
      ...[true, true, true],
    ]);
    expect(['PC4-2666', 'PC4-2660V-SE1-11', 'PC2-64005-666-12', 'PCIe4'].some(isModuleLabel)).toBe(false);
  });
});

describe('words of a picture', () => {
  it('have likely spellings, those that say something of memory first', () => {
    expect(likelySpellings('PC4-2666Y')[0]).toBe('PC4-2666Y');
    expect(likelySpellings('PC4-32OOAA')[0]).toBe('PC4-3200AA');
    expect(likelySpellings('PC4-26G6V-5E1-11')[0]).toBe('PC4-2666V-SE1-11');
    expect(likelySpellings('8G8')).toEqual(expect.arrayContaining(['8GB', '8G8']));
    expect(likelySpellings('16G8')[0]).toBe('16GB');
    expect(likelySpellings('1Rx8')[0]).toBe('1Rx8');
    // One sign that was read as two.
    expect(likelySpellings('4A1B77CO0')).toContain('4A1B77C0');
    expect(likelySpellings('VE45S8-2666')).toContain('VE4S8-2666');
  });

  it('make a text, with what a person said in place of what was read', () => {
    const doubtful = word('8G8', 50);
    const lines = [[doubtful, word('1Rx8', 90)], [word('PC4-2666V-SE1-11', 92)]];
    expect(photoText(lines)).toBe('8G8 1Rx8\nPC4-2666V-SE1-11');
    expect(photoText(lines, new Map([[doubtful, '8GB']]))).toBe('8GB 1Rx8\nPC4-2666V-SE1-11');
  });

  it('stand in the lines that a person sees, whatever pieces they were found in', () => {
    const pieces = [
      found('2048', 0.5, 0.31),
      found('Total', 0.1, 0.1),
      found('DIMM', 0.1, 0.3),
      found('MB', 0.3, 0.105),
    ];
    expect(photoRowsOf(pieces).map((row) => row.map(({ text }) => text))).toEqual([
      ['Total', 'MB'],
      ['DIMM', '2048'],
    ]);
  });

  test.each([90, 180, 270])('stand where they stood, the picture turned by %d and back', (turned) => {
    const place = { left: 0.1, top: 0.2, width: 0.3, height: 0.05 };
    const back = turnedPlace(turnedPlace(place, turned), 360 - turned);
    for (const side of ['left', 'top', 'width', 'height'] as const) expect(back[side]).toBeCloseTo(place[side], 10);
    expect(turnedPlace(place, turned)).not.toEqual(place);
  });
});

describe('a picture, weighed', () => {
  const textOf = (words: readonly FoundWord[], codes: readonly PhotoCode[] = []) => {
    const { lines, added, unnamed } = weighPhoto(words, codes, 1.5);
    return {
      text: photoText(lines),
      unsure: lines
        .flat()
        .filter(({ sure }) => !sure)
        .map(({ text }) => text),
      added,
      unnamed,
    };
  };

  it('takes no code for words, and no stain', () => {
    expect(
      textOf([found('8GB', 0.1, 0.1), found('nT', 0.6, 0.82), found('x~', 0.1, 0.5, 12)], [code('55D01F20')]),
    ).toEqual({
      text: '8GB',
      unsure: [],
      added: [],
      unnamed: ['55D01F20'],
    });
  });

  it('believes the code that a word repeats', () => {
    const words = [found('P/N:', 0.1, 0.1), found('TM32-32005', 0.3, 0.1)];
    expect(textOf(words)).toMatchObject({ text: 'P/N: TM32-32005', unsure: ['TM32-32005'] });
    expect(textOf(words, [code('TM32-3200S')])).toEqual({
      text: 'P/N: TM32-3200S',
      unsure: [],
      added: [],
      unnamed: [],
    });
  });

  it('adds what a marked code says and no word does', () => {
    const record = '[)>\u001e06\u001d1PKD8S-2666\u001dS0077AE12\u001e\u0004';
    expect(textOf([found('8GB', 0.1, 0.1)], [code(record)])).toMatchObject({
      added: ['P/N: KD8S-2666', 'S/N: 0077AE12'],
      unnamed: [],
    });
  });

  it('has a figure where the name of a slot ends in one', () => {
    expect(textOf([found('DIMM', 0.1, 0.1), found('Al:', 0.3, 0.1)]).text).toBe('DIMM A1:');
    expect(textOf([found('ChannelA-DIMMO', 0.1, 0.1)]).text).toBe('ChannelA-DIMM0');
    expect(textOf([found('Al', 0.1, 0.1)]).text).toBe('Al');
  });

  it('asks about a label with a sign misread, the only label that it can be first', () => {
    expect(textOf([found('PC2-64005-666-12', 0.1, 0.1)])).toMatchObject({
      text: 'PC2-6400S-666-12',
      unsure: ['PC2-6400S-666-12'],
    });
  });

  it('joins a word that was torn', () => {
    expect(textOf([found('PC3L-', 0.1, 0.1), { ...found('12800S-11-13-B4', 0.2, 0.1) }]).text).toBe(
      'PC3L-12800S-11-13-B4',
    );
    expect(textOf([found('8GB', 0.1, 0.1), found('1Rx8', 0.2, 0.1)]).text).toBe('8GB 1Rx8');
  });
});
