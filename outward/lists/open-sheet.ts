import type { Entry, ZipFile } from 'yauzl';
import { type Budget, hear, local, NotRead } from './package-parts';
import type { SheetRow, WorkbookLimits } from './sheet-row';

const LONGEST_CELL = 2_000;

/** A number with two figures where it is not whole, as a list prints a price. */
function numberText(text: string): string {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) return '';
  if (Number.isInteger(value)) return Math.abs(value) < 1e15 ? String(value) : text;
  return value.toFixed(2);
}

interface Cell {
  type: string;
  value: string;
  text: string;
  repeated: number;
}

/** What a cell says: of a number or a day its value, else the text that it shows (OpenDocument 1.3 part 3, 19.387). */
function cellText({ type, value, text }: Cell): string {
  if (type === 'float' || type === 'currency') return numberText(value);
  if (type === 'percentage') return text.slice(0, LONGEST_CELL);
  if (type === 'date') return value.slice(0, 10);
  if (type === 'boolean') return value === 'true' ? 'yes' : 'no';
  return text.trim().slice(0, LONGEST_CELL);
}

const count = (attribute: string | undefined): number =>
  attribute !== undefined && /^\d{1,9}$/.test(attribute) ? Math.max(1, Number(attribute)) : 1;

/** An attribute by its local name, whatever prefix its writer chose. */
const attributeOf = (attributes: Record<string, string>, name: string): string | undefined =>
  Object.entries(attributes).find(([key]) => local(key) === name)?.[1];

/**
 * Rows of the fullest sheet of an OpenDocument spreadsheet (OASIS OpenDocument 1.3 part 3, 9). Hidden tables are left out;
 * rows and cells that are only said to repeat cost nothing where they are empty, and are bounded where they are not.
 *
 * @throws NotRead with a sentence where it holds more than a list may
 */
export async function openSheetRows(
  zip: ZipFile,
  content: Entry,
  { limits, budget }: { limits: WorkbookLimits; budget: Budget },
): Promise<SheetRow[]> {
  const hidden = new Set<string>();
  let fullest: SheetRow[] = [];
  let rows: SheetRow[] = [];
  let style = '';
  let isHidden = false;
  let line = 0;
  let rowRepeats = 1;
  let cells: string[] = [];
  let column = 0;
  let cell: Cell | null = null;
  // Texts stand in paragraphs; a note on a cell is none of it.
  let inText = 0;
  let inNote = 0;

  const endCell = (): void => {
    if (cell === null) return;
    const text = cellText(cell);
    if (text !== '') {
      if (column + cell.repeated > limits.columns)
        throw new NotRead(`Line ${line + 1} has over ${limits.columns} columns: this is no price list.`);
      while (cells.length < column) cells.push('');
      for (let nr = 0; nr < cell.repeated; nr++) cells[column + nr] = text;
    }
    column += cell.repeated;
    cell = null;
  };
  const endRow = (): void => {
    if (cells.some((text) => text.trim() !== '') && !isHidden) {
      if (rows.length + rowRepeats > limits.rows) throw new NotRead(`At most ${limits.rows} rows in one list.`);
      for (let nr = 0; nr < rowRepeats; nr++) rows.push({ line: line + nr + 1, cells: [...cells] });
    }
    line += rowRepeats;
  };

  await hear(zip, content, budget, {
    open: ({ name, attributes }) => {
      const tag = local(name);
      if (tag === 'style') style = attributeOf(attributes, 'name') ?? '';
      else if (tag === 'table-properties' && attributeOf(attributes, 'display') === 'false') hidden.add(style);
      else if (tag === 'table') {
        rows = [];
        line = 0;
        isHidden = hidden.has(attributeOf(attributes, 'style-name') ?? '');
      } else if (tag === 'table-row') {
        cells = [];
        column = 0;
        rowRepeats = count(attributeOf(attributes, 'number-rows-repeated'));
      } else if (tag === 'table-cell' || tag === 'covered-table-cell') {
        cell = {
          type: attributeOf(attributes, 'value-type') ?? 'string',
          value:
            attributeOf(attributes, 'value') ??
            attributeOf(attributes, 'date-value') ??
            attributeOf(attributes, 'boolean-value') ??
            '',
          text: '',
          repeated: count(attributeOf(attributes, 'number-columns-repeated')),
        };
      } else if (tag === 'annotation') inNote++;
      else if (tag === 'p') {
        if (cell !== null && cell.text !== '') cell.text += ' ';
        inText++;
      } else if ((tag === 's' || tag === 'line-break' || tag === 'tab') && cell !== null) cell.text += ' ';
    },
    text: (text) => {
      if (inText > 0 && inNote === 0 && cell !== null && cell.text.length < LONGEST_CELL) cell.text += text;
    },
    close: (name) => {
      const tag = local(name);
      if (tag === 'p') inText--;
      else if (tag === 'annotation') inNote--;
      else if (tag === 'table-cell' || tag === 'covered-table-cell') endCell();
      else if (tag === 'table-row') endRow();
      else if (tag === 'table' && rows.length > fullest.length) fullest = rows;
    },
  });
  return fullest;
}
