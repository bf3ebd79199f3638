import PDFDocument from 'pdfkit';
import { faceBytes, type Weight } from './pdf-faces';
import { setText, type TextRun } from './set-text';

/** Part of a document as a screen reader meets it (ISO 32000-1, 14.8.4). */
export type PdfPart = PDFKit.PDFStructureElement;
type Tag =
  | 'H1'
  | 'H2'
  | 'H3'
  | 'P'
  | 'LI'
  | 'LBody'
  | 'TH'
  | 'TD'
  | 'TR'
  | 'Table'
  | 'Sect'
  | 'L'
  | 'Figure'
  | 'Caption';

export const INK = '#14201c';
export const SOFT = '#45524c';
export const PALE = '#b9c3bd';

/** Height of a line in sizes of its letters, and where in it the letters stand. */
const LEADING = 1.36;
const BASELINE = 1.02;

export interface Style {
  weight?: Weight;
  size?: number;
  colour?: string;
  align?: 'left' | 'right';
  /** left edge and width, in points; absent: the whole measure of the page */
  x?: number;
  width?: number;
}

export interface SheetInfo {
  title: string;
  author: string;
  /** BCP 47 */
  language: string;
  paper: 'A4' | 'Letter';
  /** `YYYY-MM-DD` */
  madeOn: string;
  /** stands at the foot of every page, with its number */
  foot: string;
}

/** A line with how wide each of its runs is, in points. */
interface SetLine {
  runs: TextRun[];
  wide: number[];
}

/** Widths of runs, for as long as the process lives. */
const WIDTHS = new Map<string, number>();
const MOST_WIDTHS = 50_000;

const MARGIN = 52;
const FOOT_ROOM = 24;

/** The attributes of a part that a table's heads need; pdfkit has no option for them. */
const scoped = (part: PdfPart, scope: 'Row' | 'Column'): PdfPart => {
  (part as unknown as { dictionary: { data: Record<string, unknown> } }).dictionary.data.A = {
    O: 'Table',
    Scope: scope,
  };
  return part;
};

/**
 * A tagged PDF (PDF 1.7, ISO 32000-1) that is written from top to bottom: text of any direction in as many faces as its letters
 * need, each embedded with no more than is used of it, and drawings that say in words what they show.
 */
export class PdfSheet {
  readonly doc: PDFKit.PDFDocument;
  readonly root: PdfPart;
  readonly left = MARGIN;
  readonly width: number;
  y = MARGIN;
  readonly #bottom: number;
  readonly #info: SheetInfo;
  readonly #faces = new Set<string>();
  readonly #whole: Promise<Buffer>;

  constructor(info: SheetInfo) {
    this.#info = info;
    this.doc = new PDFDocument({
      size: info.paper === 'A4' ? 'A4' : 'LETTER',
      margin: 0,
      tagged: true,
      pdfVersion: '1.7',
      lang: info.language,
      displayTitle: true,
      bufferPages: true,
      // No face before the first is used: a default would be one more in every file.
      font: null as unknown as string,
      info: { Title: info.title, Author: info.author, CreationDate: new Date(`${info.madeOn}T00:00:00Z`) },
    });
    this.width = this.doc.page.width - 2 * MARGIN;
    this.#bottom = this.doc.page.height - MARGIN - FOOT_ROOM;
    this.root = this.doc.struct('Document');
    this.doc.addStructure(this.root);
    const chunks: Buffer[] = [];
    this.#whole = new Promise((resolve, reject) => {
      this.doc.on('data', (chunk: Buffer) => chunks.push(chunk));
      this.doc.on('end', () => resolve(Buffer.concat(chunks)));
      this.doc.on('error', reject);
    });
  }

  #use({ face }: Pick<TextRun, 'face'>, weight: Weight, size: number): void {
    const name = `${face} ${weight}`;
    if (!this.#faces.has(name)) {
      this.doc.registerFont(name, faceBytes(face, weight) as unknown as string);
      this.#faces.add(name);
    }
    this.doc.font(name).fontSize(size);
  }

  /** pdfkit sets word by word from left to right unless it is given features: then a run is set as one. */
  static #setting = (run: TextRun) => (run.rtl ? { features: [] } : {});

  /** How wide a run is in thousandths of its size: every paper of the shop has mostly the same words. */
  #thousandths(run: TextRun, weight: Weight): number {
    const key = `${run.face} ${weight} ${run.rtl} ${run.text}`;
    const known = WIDTHS.get(key);
    if (known !== undefined) return known;
    this.#use(run, weight, 1000);
    const wide = this.doc.widthOfString(run.text, PdfSheet.#setting(run));
    if (WIDTHS.size < MOST_WIDTHS) WIDTHS.set(key, wide);
    return wide;
  }

  /** Lines that were broken already: what is measured to see whether it fits is written afterwards. */
  readonly #broken = new Map<string, SetLine[]>();

  #lines(text: string, { weight = 'regular', size = 10, width = this.width }: Style): SetLine[] {
    const key = `${weight} ${size} ${width} ${text}`;
    const known = this.#broken.get(key);
    if (known !== undefined) return known;
    const measure = (run: TextRun): number => (this.#thousandths(run, weight) * size) / 1000;
    const lines = setText(text, weight, width, measure).map((runs) => ({ runs, wide: runs.map(measure) }));
    this.#broken.set(key, lines);
    return lines;
  }

  /** Height that a text takes, in points. */
  heightOf(text: string, style: Style = {}): number {
    return this.#lines(text, style).length * (style.size ?? 10) * LEADING;
  }

  /** Writes a text at the sheet's height and goes below it. The caller says what part of the document it is. */
  write(text: string, style: Style = {}): void {
    const { weight = 'regular', size = 10, colour = INK, align = 'left', x = this.left, width = this.width } = style;
    for (const { runs, wide } of this.#lines(text, style)) {
      const whole = wide.reduce((sum, one) => sum + one, 0);
      let at = align === 'right' ? x + width - whole : x;
      runs.forEach((run, index) => {
        this.#use(run, weight, size);
        this.doc.fillColor(colour);
        const base = this.y + size * BASELINE;
        this.doc.text(run.text, at, base, { lineBreak: false, baseline: 'alphabetic', ...PdfSheet.#setting(run) });
        at += wide[index] ?? 0;
      });
      this.y += size * LEADING;
    }
  }

  /** A part of the document under another. */
  part(parent: PdfPart, tag: Tag, options: object = {}): PdfPart {
    const part = this.doc.struct(tag, options);
    parent.add(part);
    return part;
  }

  /** A text as a part of its own. */
  text(parent: PdfPart, tag: Tag, text: string, style: Style = {}): void {
    parent.add(this.doc.struct(tag, {}, [() => this.write(text, style)]));
  }

  /**
   * A drawing with what it shows in words. `draw` draws below the sheet's height, which does not move.
   *
   * @param height of the drawing, in points
   */
  figure(parent: PdfPart, alt: string, box: { x: number; width: number; height: number }, draw: () => void): void {
    const { x, width, height } = box;
    const options = { alt, bbox: [x, this.y, x + width, this.y + height], placement: 'Block' };
    parent.add(this.doc.struct('Figure', options as object, [draw]));
  }

  /** A row of a table: a head for the row, and an amount. All of it starts at one height. */
  row(
    table: PdfPart,
    head: string,
    amount: string,
    box: { x: number; width: number; amountWidth: number },
    style: Style = {},
  ): void {
    const { x, width, amountWidth } = box;
    const line = this.part(table, 'TR');
    const top = this.y;
    const cell = this.doc.struct('TH', {}, [() => this.write(head, { ...style, x, width: width - amountWidth - 8 })]);
    line.add(scoped(cell, 'Row'));
    const below = this.y;
    this.y = top;
    const right: Style = { ...style, x: x + width - amountWidth, width: amountWidth, align: 'right' };
    line.add(this.doc.struct('TD', {}, [() => this.write(amount, right)]));
    this.y = Math.max(below, this.y);
  }

  /** The heads of a table's columns. */
  heads(table: PdfPart, left: string, right: string, box: { x: number; width: number; amountWidth: number }): void {
    const { x, width, amountWidth } = box;
    const style: Style = { size: 8, colour: SOFT };
    const line = this.part(table, 'TR');
    const top = this.y;
    line.add(
      scoped(
        this.doc.struct('TH', {}, [() => this.write(left, { ...style, x, width: width - amountWidth - 8 })]),
        'Column',
      ),
    );
    this.y = top;
    const at: Style = { ...style, x: x + width - amountWidth, width: amountWidth, align: 'right' };
    line.add(scoped(this.doc.struct('TH', {}, [() => this.write(right, at)]), 'Column'));
  }

  /** Something that is only to be seen: a rule, a ground. */
  ornament(draw: () => void): void {
    this.doc.markContent('Artifact', { type: 'Layout' });
    draw();
    this.doc.endMarkedContent();
  }

  /** A line across part of the page at the sheet's height. */
  rule(x: number, width: number, weight = 0.7, colour = PALE): void {
    this.ornament(() =>
      this.doc
        .moveTo(x, this.y)
        .lineTo(x + width, this.y)
        .lineWidth(weight)
        .strokeColor(colour)
        .stroke(),
    );
  }

  /** Goes to a new page where so much height is not left, unless nothing stands on this one. */
  need(height: number): void {
    if (this.y + height > this.#bottom && this.y > MARGIN) this.turn();
  }

  turn(): void {
    this.doc.addPage();
    this.y = MARGIN;
  }

  /** Ends the document: every page gets its number. */
  async end(): Promise<Buffer> {
    const { start, count } = this.doc.bufferedPageRange();
    for (let page = start; page < start + count; page++) {
      this.doc.switchToPage(page);
      this.doc.markContent('Artifact', { type: 'Pagination' });
      this.y = this.#bottom + 10;
      const style: Style = { size: 8, colour: SOFT };
      this.write(this.#info.foot, { ...style, width: this.width - 60 });
      this.y = this.#bottom + 10;
      this.write(`${page + 1} / ${count}`, { ...style, x: this.left + this.width - 60, width: 60, align: 'right' });
      this.doc.endMarkedContent();
    }
    this.root.end();
    this.doc.end();
    return this.#whole;
  }
}
