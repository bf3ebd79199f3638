import PDFDocument from 'pdfkit';
import { capacityText } from '../core/memory/capacity';
import { moneyText } from '../core/pricing/money-text';
import { codeText } from '../core/quoting/content-code';
import type { CustomerOption, CustomerQuote } from '../core/quoting/customer-view';
import { dayText } from '../core/quoting/day-text';
import { ORIGIN_WORDS } from '../core/quoting/origin-words';
import { fontFiles, fontRuns } from './pdf-text';

type Document = PDFKit.PDFDocument;
type Weight = 'regular' | 'bold';
type Tag = 'H1' | 'H2' | 'P' | 'TR' | 'Table' | 'Sect';

const MARGIN = 56;
const WIDTH = 595.28 - 2 * MARGIN;
const AMOUNT_WIDTH = 90;
const INK = '#14201c';
const SOFT = '#45524c';

interface Style {
  weight?: Weight;
  size?: number;
  colour?: string;
  align?: 'left' | 'right';
  width?: number;
  x?: number;
  y?: number;
}

/** Writes one text in as many font files as its letters need. */
function write(doc: Document, text: string, style: Style = {}): void {
  const { weight = 'regular', size = 10, colour = INK, align = 'left', width = WIDTH, x = MARGIN, y = doc.y } = style;
  doc.fontSize(size).fillColor(colour);
  const runs = fontRuns(text);
  runs.forEach(({ text: run, more }, index) => {
    doc.font(`${weight}${more ? '-more' : ''}`);
    const options = { width, align, continued: index < runs.length - 1, lineGap: 2 };
    if (index === 0) doc.text(run, x, y, options);
    else doc.text(run, options);
  });
}

/** Puts what `draw` writes under a tag, so that a screen reader meets it as what it is. */
function tagged(doc: Document, parent: PDFKit.PDFStructureElement, tag: Tag, draw: () => void): void {
  parent.add(doc.struct(tag, {}, [draw]));
}

/** One row of a price table: words left, amount right, both starting at one height. */
function row(doc: Document, table: PDFKit.PDFStructureElement, text: string, amount: string, style: Style = {}): void {
  const line = doc.struct('TR');
  const top = doc.y;
  line.add(doc.struct('TH', {}, [() => write(doc, text, { ...style, width: WIDTH - AMOUNT_WIDTH, y: top })]));
  const bottom = doc.y;
  line.add(
    doc.struct('TD', {}, [
      () =>
        write(doc, amount, { ...style, x: MARGIN + WIDTH - AMOUNT_WIDTH, width: AMOUNT_WIDTH, align: 'right', y: top }),
    ]),
  );
  doc.y = Math.max(bottom, doc.y) + 2;
  table.add(line);
}

const boardText = (board: CustomerOption['before']): string =>
  board.map(({ slot, text }) => `${slot}: ${text ?? 'empty'}`).join(';  ');

/** What has to be minded; what has to be agreed to says so. */
const mindText = ({ statements = [] }: CustomerOption, warning: string): string =>
  `${statements.includes(warning) ? 'To agree to' : 'Please mind'}: ${warning}`;

/** Letters that a line of the page holds at the least, and the height of such a line with its gap, in points. */
const LINE_LETTERS = 92;
const LINE_HEIGHT = 14.5;
/** Height of rule, heading, gaps, totals and saving of an option, in points. */
const OPTION_FRAME = 125;

/** Height that an option needs at the most, in points, so that it is not torn over two pages. */
function roomFor(option: CustomerOption): number {
  const texts = [
    boardText(option.before),
    boardText(option.after),
    option.oldModules,
    ...option.warnings.map((one) => mindText(option, one)),
  ];
  const lines = texts.reduce((sum, text) => sum + Math.ceil(text.length / LINE_LETTERS), option.lines.length);
  return OPTION_FRAME + lines * LINE_HEIGHT;
}

function drawOption(
  doc: Document,
  root: PDFKit.PDFStructureElement,
  quote: CustomerQuote,
  option: CustomerOption,
): void {
  const { currency, options, suggested, taxBp } = quote;
  if (doc.y + roomFor(option) > doc.page.height - MARGIN) doc.addPage();
  const part = doc.struct('Sect');
  root.add(part);
  doc.y += 10;
  doc
    .moveTo(MARGIN, doc.y)
    .lineTo(MARGIN + WIDTH, doc.y)
    .lineWidth(2)
    .strokeColor(INK)
    .stroke();
  doc.y += 8;
  const name = options.length > 1 ? `Option ${option.place}: ` : '';
  const hint = suggested === option.place && options.length > 1 ? ' (we suggest this one)' : '';
  tagged(doc, part, 'H2', () =>
    write(doc, `${name}${capacityText(option.totalMiB)} of memory${hint}`, { weight: 'bold', size: 15 }),
  );
  doc.y += 3;
  tagged(doc, part, 'P', () => write(doc, `Now:  ${boardText(option.before)}`, { colour: SOFT }));
  tagged(doc, part, 'P', () => write(doc, `Then:  ${boardText(option.after)}`, { colour: SOFT }));
  tagged(doc, part, 'P', () => write(doc, option.oldModules));
  doc.y += 5;
  const table = doc.struct('Table');
  part.add(table);
  for (const line of option.lines) {
    const count = line.quantity > 1 ? `${line.quantity} × ` : '';
    row(
      doc,
      table,
      `${count}${line.text}${line.origin === null ? '' : ORIGIN_WORDS[line.origin]}`,
      moneyText(line.totalCents, currency),
    );
  }
  doc.y += 2;
  row(doc, table, 'Total', moneyText(option.totalCents, currency), { weight: 'bold', size: 13 });
  row(doc, table, `of which ${taxBp / 100} % tax`, moneyText(option.taxCents, currency), { colour: SOFT });
  if (option.savingCents !== null) {
    const percent = option.savingPercent === null ? '' : ` (${option.savingPercent} %)`;
    const saving = `You save ${moneyText(option.savingCents, currency)}${percent} against the maker’s own parts for the same amount.`;
    tagged(doc, part, 'P', () => write(doc, saving, { weight: 'bold' }));
  }
  for (const warning of option.warnings) tagged(doc, part, 'P', () => write(doc, mindText(option, warning)));
}

/**
 * The customer's paper: a tagged A4 PDF (PDF 1.7, ISO 32000-1 14.8) with its language, title and headings, made
 * from what a customer may see and nothing else.
 *
 * @param code what tells this version from any other
 */
export async function quotePdf(quote: CustomerQuote, code: string): Promise<Buffer> {
  const title = `Quote ${quote.number}`;
  const doc = new PDFDocument({
    size: 'A4',
    margin: MARGIN,
    tagged: true,
    pdfVersion: '1.7',
    lang: 'en-GB',
    displayTitle: true,
    info: { Title: title, Author: quote.shop.name, CreationDate: new Date(`${quote.sentOn}T00:00:00Z`) },
  });
  for (const weight of ['regular', 'bold'] as const) {
    const { latin, more } = fontFiles(weight);
    doc.registerFont(weight, latin).registerFont(`${weight}-more`, more);
  }
  const chunks: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  const root = doc.struct('Document');
  doc.addStructure(root);
  tagged(doc, root, 'P', () => {
    write(doc, quote.shop.name, { weight: 'bold', size: 12 });
    write(doc, quote.shop.contact, { colour: SOFT });
  });
  doc.y += 22;
  tagged(doc, root, 'H1', () => write(doc, `More memory for your ${quote.machine.name}`, { weight: 'bold', size: 20 }));
  doc.y += 4;
  tagged(doc, root, 'P', () => {
    const today = quote.machine.totalMiB === 0 ? 'no memory' : capacityText(quote.machine.totalMiB);
    write(doc, `${title} of ${dayText(quote.sentOn)}, for ${quote.customer.name}.`);
    write(doc, `The machine has ${today} today. These prices hold until ${dayText(quote.validUntil)}.`);
  });
  for (const option of quote.options) drawOption(doc, root, quote, option);
  doc.y += 16;
  tagged(doc, root, 'P', () =>
    write(
      doc,
      `To say yes, follow your link, ring us, or come by and name the option: ${quote.shop.contact}. All prices are with tax and with fitting.`,
      { colour: SOFT },
    ),
  );
  doc.y += 6;
  tagged(doc, root, 'P', () =>
    write(doc, `Code of this quote’s content (SHA-256): ${codeText(code)}`, { colour: SOFT, size: 8 }),
  );
  root.end();
  doc.end();
  return whole;
}
