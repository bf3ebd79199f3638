import { lines } from '../bytes/lines';
import { foldText } from '../specification/fold-text';
import { fieldOf } from './field-words';
import { type Block, isSlotName } from './pairs';

/** Fewer columns that a table of words knows than this are no head. */
const LEAST_KNOWN = 3;
const MOST_ROWS = 200;
const LONGEST_LINE = 1_000;

const cellsOf = (line: string): string[] =>
  line
    .split(/\t+| {2,}|\s*\|\s*/)
    .map((cell) => cell.trim())
    .filter((cell) => cell !== '');

const RULE = /^[\s|+=-]+$/;

/** Rows of tables whose head names what modules have, each as a block; a row is headed by the name of its socket. */
export function rowsOf(text: string): Block[] {
  const rows: Block[] = [];
  let head: string[] | null = null;
  for (const { text: raw, number } of lines(text)) {
    const line = raw.slice(0, LONGEST_LINE).trim();
    if (line === '' || RULE.test(line)) continue;
    const cells = cellsOf(line);
    const names = cells.map(foldText);
    if (names.filter((name) => fieldOf(name) !== null).length >= LEAST_KNOWN) {
      head = names;
      continue;
    }
    if (head === null || cells.length < 2) {
      head = cells.length < 2 ? head : null;
      continue;
    }
    if (rows.length === MOST_ROWS) break;
    const columns = head;
    const pairs = cells.flatMap((value, index) =>
      columns[index] === undefined ? [] : [{ key: columns[index] ?? '', value }],
    );
    const [first = ''] = cells;
    rows.push({ heading: isSlotName(first) ? first : '', pairs, line: number });
  }
  return rows;
}
