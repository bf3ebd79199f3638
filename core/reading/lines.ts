export interface Line {
  text: string;
  /** from 1 */
  number: number;
  /** where it begins in the text */
  at: number;
}

/**
 * The lines of a text one after the other, without holding them all: a text of nothing but line ends costs no more
 * than its length. Ends are `\n`, `\r\n` and `\r`.
 */
export function* lines(text: string): Generator<Line> {
  const end = /\r\n|\r|\n/g;
  let from = 0;
  for (let number = 1; from <= text.length; number++) {
    end.lastIndex = from;
    const found = end.exec(text);
    yield { text: text.slice(from, found?.index ?? text.length), number, at: from };
    if (found === null) return;
    from = found.index + found[0].length;
  }
}
