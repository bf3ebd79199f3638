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
  let from = 0;
  // Most texts have line feeds alone: those are found without looking at each letter.
  let feed = text.indexOf('\n');
  let carriage = text.indexOf('\r');
  for (let number = 1; from <= text.length; number++) {
    if (feed >= 0 && feed < from) feed = text.indexOf('\n', from);
    if (carriage >= 0 && carriage < from) carriage = text.indexOf('\r', from);
    const isCarriage = carriage >= 0 && (feed < 0 || carriage < feed);
    const end = isCarriage ? carriage : feed;
    if (end < 0) {
      yield { text: text.slice(from), number, at: from };
      return;
    }
    yield { text: text.slice(from, end), number, at: from };
    from = end + (isCarriage && feed === end + 1 ? 2 : 1);
  }
}
