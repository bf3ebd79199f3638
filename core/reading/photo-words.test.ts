import { isDoubtful, likelySpellings, type PhotoWord, photoText } from './photo-words';

const word = (text: string, confidence: number): PhotoWord => ({
  text,
  confidence,
  left: 0,
  top: 0,
  width: 0.1,
  height: 0.1,
});

describe('words of a picture', () => {
  it('are doubtful where they hold figures and are not surely read', () => {
    expect(isDoubtful(word('PC4-2666V', 95))).toBe(false);
    expect(isDoubtful(word('PC4-2666V', 60))).toBe(true);
    expect(isDoubtful(word('Vellamo', 40))).toBe(false);
    expect(isDoubtful(word('-', 10))).toBe(false);
  });

  it('have likely spellings, those that say something of memory first', () => {
    expect(likelySpellings('PC4-2666Y')[0]).toBe('PC4-2666Y');
    expect(likelySpellings('PC4-32OOAA')[0]).toBe('PC4-3200AA');
    expect(likelySpellings('8G8')).toEqual(expect.arrayContaining(['8GB', '8G8']));
    expect(likelySpellings('16G8')[0]).toBe('16GB');
    expect(likelySpellings('2Rx8')).toContain('2Rx8');
    expect(likelySpellings('1Rx8')[0]).toBe('1Rx8');
  });

  it('make a text, with what a person said in place of what was read', () => {
    const doubtful = word('8G8', 50);
    const lines = [[doubtful, word('1Rx8', 90)], [word('PC4-2666V-SE1-11', 92)]];
    expect(photoText(lines)).toBe('8G8 1Rx8\nPC4-2666V-SE1-11');
    expect(photoText(lines, new Map([[doubtful, '8GB']]))).toBe('8GB 1Rx8\nPC4-2666V-SE1-11');
  });
});
