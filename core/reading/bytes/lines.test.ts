import { lines } from './lines';

const told = (text: string) => [...lines(text)].map(({ text: line, number, at }) => [line, number, at]);

describe('the lines of a text', () => {
  test.each([
    ['', [['', 1, 0]]],
    ['a', [['a', 1, 0]]],
    [
      'a\nb',
      [
        ['a', 1, 0],
        ['b', 2, 2],
      ],
    ],
    [
      'a\r\nb\r\n',
      [
        ['a', 1, 0],
        ['b', 2, 3],
        ['', 3, 6],
      ],
    ],
    [
      'a\rb\n\rc',
      [
        ['a', 1, 0],
        ['b', 2, 2],
        ['', 3, 4],
        ['c', 4, 5],
      ],
    ],
    [
      '\n\r\n\r',
      [
        ['', 1, 0],
        ['', 2, 1],
        ['', 3, 3],
        ['', 4, 4],
      ],
    ],
  ])('%j', (text, expected) => {
    expect(told(text)).toEqual(expected);
  });

  it('are those that a pattern finds, whatever ends stand together', () => {
    const signs = ['a', '\n', '\r', '\r\n', 'bc'];
    for (let seed = 0; seed < 400; seed++) {
      const text = Array.from(
        { length: 9 },
        (_, at) => signs[Math.floor(seed / (at + 1) + at * 7) % signs.length],
      ).join('');
      expect(told(text).map(([line]) => line)).toEqual(text.split(/\r\n|\r|\n/));
    }
  });
});
