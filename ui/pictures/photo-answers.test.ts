import type { PhotoWord } from '@/core/reading/photo/photo-words';
import { NO_ANSWERS, textOfPhoto, withCode, withWord } from './photo-answers';

const word = (text: string, sure = true): PhotoWord => ({
  text,
  sure,
  confidence: 90,
  left: 0,
  top: 0,
  width: 0.1,
  height: 0.1,
});
const part = word('VE458-2666', false);
const PHOTO = {
  lines: [
    [word('8GB'), word('1Rx8')],
    [word('P/N:'), part],
  ],
  added: ['S/N: 55D01F20'],
};

describe('what a person says of a photograph', () => {
  it('is put in its place', () => {
    expect(textOfPhoto(PHOTO, NO_ANSWERS)).toBe('8GB 1Rx8\nP/N: VE458-2666\nS/N: 55D01F20');
    expect(textOfPhoto(PHOTO, withWord(NO_ANSWERS, part, 'VE4S8-2666'))).toBe(
      '8GB 1Rx8\nP/N: VE4S8-2666\nS/N: 55D01F20',
    );
    expect(textOfPhoto(PHOTO, withCode(NO_ANSWERS, 'AB12', 'P/N'))).toMatch(/\nP\/N: AB12$/);
    expect(textOfPhoto(PHOTO, withCode(NO_ANSWERS, 'AB12', ''))).not.toContain('AB12');
  });

  it('loses nothing of what was typed over', () => {
    const typed = { ...NO_ANSWERS, typed: 'Vellamo 8GB\nP/N: VE458-2666' };
    const answered = withWord(typed, part, 'VE4S8-2666');
    expect(textOfPhoto(PHOTO, answered)).toBe('Vellamo 8GB\nP/N: VE4S8-2666');
    // Said again, and typed letter by letter from an empty field on.
    expect(textOfPhoto(PHOTO, withWord(answered, part, 'VE4SB-2666'))).toBe('Vellamo 8GB\nP/N: VE4SB-2666');
    expect(textOfPhoto(PHOTO, withWord(answered, part, ''))).toBe('Vellamo 8GB\nP/N: VE4S8-2666');
    const coded = withCode(typed, 'AB12', 'S/N');
    expect(textOfPhoto(PHOTO, coded)).toBe('Vellamo 8GB\nP/N: VE458-2666\nS/N: AB12');
    expect(textOfPhoto(PHOTO, withCode(coded, 'AB12', 'P/N'))).toBe('Vellamo 8GB\nP/N: VE458-2666\nP/N: AB12');
    expect(textOfPhoto(PHOTO, withCode(coded, 'AB12', ''))).toBe('Vellamo 8GB\nP/N: VE458-2666');
  });

  it('is typed letter by letter without touching words that begin alike', () => {
    let answers = withWord({ ...NO_ANSWERS, typed: 'Vellamo\nP/N: VE458-2666' }, part, 'V');
    for (const more of ['VE', 'VE4S8']) answers = withWord(answers, part, more);
    expect(textOfPhoto(PHOTO, answers)).toBe('Vellamo\nP/N: VE4S8');
  });

  it('takes a word with signs of patterns as it is', () => {
    expect(textOfPhoto(PHOTO, withWord({ ...NO_ANSWERS, typed: 'P/N: VE458-2666' }, part, '$&'))).toBe('P/N: $&');
  });
});
