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

/** Hears the elements of a spreadsheet, and keeps the rows of its fullest table. */
class SheetReader {
  fullest: SheetRow[] = [];
  readonly #limits: WorkbookLimits;
  /** names of styles of tables that are not displayed */
  readonly #hidden = new Set<string>();
  #style = '';
  #rows: SheetRow[] = [];
  #isHidden = false;
  #line = 0;
  #rowRepeats = 1;
  #cells: string[] = [];
  #column = 0;
  #cell: Cell | null = null;
  // Texts stand in paragraphs; a note on a cell is none of it.
  #inText = 0;
  #inNote = 0;

  constructor(limits: WorkbookLimits) {
    this.#limits = limits;
  }

  open(tag: string, attributes: Record<string, string>): void {
    if (tag === 'style') this.#style = attributeOf(attributes, 'name') ?? '';
    else if (tag === 'table-properties' && attributeOf(attributes, 'display') === 'false')
      this.#hidden.add(this.#style);
    else if (tag === 'table') this.#beginTable(attributes);
    else if (tag === 'table-row') this.#beginRow(attributes);
    else if (tag === 'table-cell' || tag === 'covered-table-cell') this.#cell = cellOf(attributes);
    else if (tag === 'annotation') this.#inNote++;
    else if (tag === 'p') {
      if (this.#cell !== null && this.#cell.text !== '') this.#cell.text += ' ';
      this.#inText++;
    } else if ((tag === 's' || tag === 'line-break' || tag === 'tab') && this.#cell !== null) this.#cell.text += ' ';
  }

  text(text: string): void {
    const cell = this.#cell;
    if (this.#inText > 0 && this.#inNote === 0 && cell !== null && cell.text.length < LONGEST_CELL) cell.text += text;
  }

  close(tag: string): void {
    if (tag === 'p') this.#inText--;
    else if (tag === 'annotation') this.#inNote--;
    else if (tag === 'table-cell' || tag === 'covered-table-cell') this.#endCell();
    else if (tag === 'table-row') this.#endRow();
    else if (tag === 'table' && this.#rows.length > this.fullest.length) this.fullest = this.#rows;
  }

  #beginTable(attributes: Record<string, string>): void {
    this.#rows = [];
    this.#line = 0;
    this.#isHidden = this.#hidden.has(attributeOf(attributes, 'style-name') ?? '');
  }

  #beginRow(attributes: Record<string, string>): void {
    this.#cells = [];
    this.#column = 0;
    this.#rowRepeats = count(attributeOf(attributes, 'number-rows-repeated'));
  }

  #endCell(): void {
    const cell = this.#cell;
    if (cell === null) return;
    const text = cellText(cell);
    if (text !== '') {
      const { columns } = this.#limits;
      if (this.#column + cell.repeated > columns)
        throw new NotRead(`Line ${this.#line + 1} has over ${columns} columns: this is no price list.`);
      while (this.#cells.length < this.#column) this.#cells.push('');
      for (let nr = 0; nr < cell.repeated; nr++) this.#cells[this.#column + nr] = text;
    }
    this.#column += cell.repeated;
    this.#cell = null;
  }

  #endRow(): void {
    if (this.#cells.some((text) => text.trim() !== '') && !this.#isHidden) {
      const { rows } = this.#limits;
      if (this.#rows.length + this.#rowRepeats > rows) throw new NotRead(`At most ${rows} rows in one list.`);
      for (let nr = 0; nr < this.#rowRepeats; nr++)
        this.#rows.push({ line: this.#line + nr + 1, cells: [...this.#cells] });
    }
    this.#line += this.#rowRepeats;
  }
}

function cellOf(attributes: Record<string, string>): Cell {
  const value = ['value', 'date-value', 'boolean-value']
    .map((name) => attributeOf(attributes, name))
    .find((one) => one !== undefined);
  return {
    type: attributeOf(attributes, 'value-type') ?? 'string',
    value: value ?? '',
    text: '',
    repeated: count(attributeOf(attributes, 'number-columns-repeated')),
  };
}

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
  const reader = new SheetReader(limits);
  await hear(zip, content, budget, {
    open: ({ name, attributes }) => reader.open(local(name), attributes),
    text: (text) => reader.text(text),
    close: (name) => reader.close(local(name)),
  });
  return reader.fullest;
}
