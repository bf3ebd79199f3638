import { codeFor, codeSays, isPlainCode, isSameWord } from './code-text';

const GS = '\u001d';
const RS = '\u001e';
const EOT = '\u0004';

describe('what a code says', () => {
  test.each([
    ['data identifiers', `[)>${RS}06${GS}1PKD8S-2666${GS}S0077AE12${RS}${EOT}`, 'KD8S-2666', '0077AE12'],
    ['application identifiers', `[)>${RS}05${GS}240TM32-3200S${GS}2155D01F20${RS}${EOT}`, 'TM32-3200S', '55D01F20'],
    ['a scanner’s own mark before it', `]d1[)>${RS}06${GS}S0077AE12${RS}${EOT}`, null, '0077AE12'],
    ['two parts, of which neither is sure', `[)>${RS}06${GS}1PA-100${GS}1PB-200${RS}${EOT}`, null, null],
    ['another format', `[)>${RS}12${GS}1PA-100${RS}${EOT}`, null, null],
    ['a part and nothing to tell it by', 'TM32-3200S', null, null],
    ['nothing', '', null, null],
    ['a record that breaks off', `[)>${RS}06${GS}1PKD8S-2666`, 'KD8S-2666', null],
    ['a field of blanks', `[)>${RS}06${GS}1P   ${RS}${EOT}`, null, null],
  ])('by %s', (_, text, part, serial) => {
    expect(codeSays(text)).toEqual({ part, serial });
  });

  it('goes into the field that wants it', () => {
    const record = `[)>${RS}06${GS}1PKD8S-2666${GS}S0077AE12${RS}${EOT}`;
    expect([codeFor('part', record), codeFor('serial', record)]).toEqual(['KD8S-2666', '0077AE12']);
    expect(codeFor('part', '1PVE4D8-2400')).toBe('VE4D8-2400');
    expect(codeFor('serial', ']C1S-0042')).toBe('S-0042');
  });

  it('is one word or more', () => {
    expect(['55D01F20', 'TM32-3200S', ' 0042 '].map(isPlainCode)).toEqual([true, true, true]);
    expect(['two words', 'https://shop.example/q/1', ''].some(isPlainCode)).toBe(false);
  });

  it('is the same as a word that was misread', () => {
    expect(isSameWord('TM32-32005', 'TM32-3200S')).toBe(true);
    expect(isSameWord('4A1877C0', '4A1B77CO')).toBe(true);
    expect(isSameWord('TM16-3200S', 'TM32-3200S')).toBe(false);
  });
});
