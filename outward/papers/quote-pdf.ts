import { create } from 'qrcode';
import { dayText } from '../../core/day-text';
import type { CustomerOption, CustomerQuote } from '../../core/quoting/customer-view';
import { totalsText } from '../../core/quoting/groups/totals-text';
import { codeText } from '../../core/quoting/paper/content-code';
import { deliveryText } from '../../core/quoting/paper/delivery-text';
import { figureNotes, figureRows, savingSentences } from '../../core/quoting/paper/figure-rows';
import { fittingOf } from '../../core/quoting/paper/statements';
import { todayText } from '../../core/quoting/paper/today-text';
import { paragraphsOf } from '../../core/quoting/paper-text';
import {
  capacityIn,
  isolated,
  languageOfQuote,
  localeOf,
  moneyIn,
  wordsOf,
} from '../../core/quoting/words/in-language';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { INK, type PdfPart, PdfSheet, SOFT, type Style } from './pdf-sheet';

/** How a quote is put on paper. */
export interface PaperStyle {
  paper: 'A4' | 'Letter';
  /** the shop's mark, a PNG or JPEG file; null: it has none */
  logo: Buffer | null;
}

const BOARDS_WIDTH = 196;
const GAP = 22;
const AMOUNT_WIDTH = 84;
const LOGO_HEIGHT = 34;
/** A quote's code, with its quiet edge to the left of it. */
const CODE_SIDE = 36;
const CODE_ROOM = 48;
/** Boards of many slots get thin bars, those of few are no taller than they have to be. */
const barHeight = (slots: number): number => Math.max(8, Math.min(17, 190 / slots));

type Board = CustomerOption['before'];

/** What a board holds, in words, slot by slot. */
const boardWords = (board: Board, free: string): string =>
  board.map(({ slot, text }) => `${slot}: ${text ?? free}`).join('; ');

/** One board: a bar for each slot, what is new with a thick edge, what is free with a broken one. */
function drawBoard(sheet: PdfSheet, quote: CustomerQuote, board: Board, x: number, width: number): void {
  const { doc } = sheet;
  const language = languageOfQuote(quote);
  const { free, isNew } = wordsOf(quote);
  const height = barHeight(board.length);
  const nameWidth = 26;
  const top = sheet.y;
  board.forEach(({ slot, capacityMiB, fate }, index) => {
    const y = top + index * (height + 2);
    const bar = { x: x + nameWidth, width: width - nameWidth };
    doc.lineWidth(fate === 'new' ? 1.8 : 0.7).strokeColor(INK);
    if (capacityMiB === null) doc.dash(2, { space: 2 });
    doc.rect(bar.x + 1, y + 1, bar.width - 2, height - 2).stroke();
    doc.undash();
    const size = Math.min(8, height - 1.5);
    sheet.y = y + (height - size * 1.36) / 2;
    const capacity = capacityMiB === null ? free : capacityIn(language, capacityMiB);
    const style: Style = { size, x: bar.x + 5, width: bar.width - 6 };
    sheet.write(fate === 'new' ? isNew(capacity) : capacity, {
      ...style,
      weight: fate === 'new' ? 'bold' : 'regular',
      colour: capacityMiB === null ? SOFT : INK,
    });
    sheet.y = y + (height - size * 1.36) / 2;
    sheet.write(shortName(slot), { size, colour: SOFT, x, width: 400 });
  });
  sheet.y = top;
}

/** A slot's name as far as there is room beside its bar; its words have it whole. */
const shortName = (slot: string): string => (slot.length > 5 ? `…${slot.slice(-4)}` : slot);

type Boards = Pick<CustomerOption, 'before' | 'after'>;

const boardsHeight = ({ before, after }: Boards): number => {
  const slots = Math.max(before.length, after.length);
  return 12 + slots * (barHeight(slots) + 2);
};

/** Room for what a group of machines is called, points. */
const GROUP_HEAD = 22;

const allBoardsHeight = (option: CustomerOption): number =>
  option.groups === undefined
    ? boardsHeight(option)
    : option.groups.reduce((sum, group) => sum + GROUP_HEAD + boardsHeight(group), 0);

/** Before and after; of machines that differ, of each group. */
function drawAllBoards(sheet: PdfSheet, part: PdfPart, quote: CustomerQuote, option: CustomerOption): void {
  if (option.groups === undefined) {
    drawBoards(sheet, part, quote, option);
    return;
  }
  const top = sheet.y;
  const { groupOf } = wordsOf(quote);
  for (const group of option.groups) {
    const from = sheet.y;
    const name = groupOf(group.name, group.machines, capacityIn(languageOfQuote(quote), group.totalMiB));
    sheet.text(part, 'P', name, { weight: 'bold', size: 9, width: BOARDS_WIDTH });
    sheet.y = from + GROUP_HEAD;
    drawBoards(sheet, part, quote, group);
    sheet.y += boardsHeight(group);
  }
  sheet.y = top;
}

/** Before and after, beside each other. */
function drawBoards(sheet: PdfSheet, part: PdfPart, quote: CustomerQuote, option: Boards): void {
  const { now, after, free } = wordsOf(quote);
  const width = (BOARDS_WIDTH - 14) / 2;
  const top = sheet.y;
  [
    { title: now, board: option.before, x: sheet.left },
    { title: after, board: option.after, x: sheet.left + width + 14 },
  ].forEach(({ title, board, x }) => {
    sheet.y = top;
    const box = { x, width, height: boardsHeight(option) };
    sheet.figure(part, `${title}: ${boardWords(board, free)}`, box, () => {
      sheet.write(title, { size: 8, colour: SOFT, x, width });
      sheet.y = top + 12;
      drawBoard(sheet, quote, board, x, width);
    });
  });
  sheet.y = top;
}

/** What stands beneath a line. */
const SMALL: Style = { colour: SOFT, size: 9 };

/** The lines of an option and what they come to. */
function drawTable(sheet: PdfSheet, part: PdfPart, quote: CustomerQuote, option: CustomerOption): void {
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const x = sheet.left + BOARDS_WIDTH + GAP;
  const box = { x, width: sheet.left + sheet.width - x, amountWidth: AMOUNT_WIDTH };
  const table = sheet.part(part, 'Table');
  sheet.heads(table, words.what, words.amount, box);
  for (const line of option.lines) {
    sheet.rule(x, box.width);
    sheet.y += 2;
    const count = line.quantity > 1 ? `${line.quantity} × ` : '';
    const origin = line.origin === null ? '' : words.origin[line.origin];
    sheet.row(table, `${count}${line.text}${origin}`, moneyIn(language, line.totalCents, quote.currency), box);
    if (line.about !== undefined) sheet.row(table, line.about, '', box, SMALL);
    sheet.y += 2;
  }
  sheet.rule(x, box.width, 1.4, INK);
  sheet.y += 3;
  for (const { words: name, amount, what } of figureRows(quote, option)) {
    sheet.row(table, name, amount, box, what === 'total' ? { weight: 'bold', size: 13 } : { colour: SOFT, size: 9 });
  }
}

/** What is said of an option under its boards and figures. */
function sentencesOf(quote: CustomerQuote, option: CustomerOption): { text: string; style: Style }[] {
  const words = wordsOf(quote);
  const { statements = [] } = option;
  return [
    { text: option.oldModules, style: {} },
    ...figureNotes(quote, option).map((text) => ({ text, style: {} })),
    ...savingSentences(quote, option).map((text) => ({ text, style: { weight: 'bold' } as const })),
    ...option.warnings.map((warning) => ({
      text: `${statements.includes(warning) ? words.agree : words.mind}: ${warning}`,
      style: {},
    })),
    { text: deliveryText(quote, option), style: { colour: SOFT } },
  ];
}

/** Height that an option takes, in points, so that it is not torn over two pages. */
function roomFor(sheet: PdfSheet, quote: CustomerQuote, option: CustomerOption): number {
  const words = wordsOf(quote);
  const width = sheet.width - BOARDS_WIDTH - GAP - AMOUNT_WIDTH - 8;
  const lines = option.lines.reduce((sum, { text, about, origin }) => {
    const whole = `00 × ${text}${origin === null ? '' : words.origin[origin]}`;
    const beneath = about === undefined ? 0 : sheet.heightOf(about, { ...SMALL, width });
    return sum + sheet.heightOf(whole, { width }) + beneath + 4;
  }, 0);
  const table = 11 + lines + 3 + 20 + 13 * figureRows(quote, option).length;
  const sentences = sentencesOf(quote, option).reduce((sum, { text, style }) => sum + sheet.heightOf(text, style), 0);
  return 46 + Math.max(table, allBoardsHeight(option)) + 6 + sentences;
}

function drawOption(sheet: PdfSheet, quote: CustomerQuote, option: CustomerOption): void {
  const { options, suggested } = quote;
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  sheet.need(roomFor(sheet, quote, option));
  const part = sheet.part(sheet.root, 'Sect');
  sheet.y += 10;
  const isSuggested = suggested === option.place && options.length > 1;
  sheet.rule(sheet.left, sheet.width, isSuggested ? 4 : 1.4, INK);
  sheet.y += 6;
  const name = options.length > 1 ? `${words.option(option.place)}: ` : '';
  const hint = isSuggested ? ` (${words.suggested})` : '';
  const total = words.ofMemory(totalsText(option, language));
  sheet.text(part, 'H2', `${name}${total}${hint}`, { weight: 'bold', size: 14 });
  sheet.y += 5;
  const top = sheet.y;
  drawAllBoards(sheet, part, quote, option);
  drawTable(sheet, part, quote, option);
  sheet.y = Math.max(sheet.y, top + allBoardsHeight(option)) + 6;
  for (const { text, style } of sentencesOf(quote, option)) {
    sheet.need(sheet.heightOf(text, style));
    sheet.text(part, 'P', text, style);
  }
}

/** What the quote stands under: guarantee and what to bring before the code of its content, terms and notices after it. */
function drawSays(sheet: PdfSheet, quote: CustomerQuote, where: 'before' | 'after'): void {
  const { guarantee, texts = [] } = quote;
  const words = wordsOf(quote);
  if (where === 'before' && guarantee !== undefined) {
    const text = words.guarantee(guarantee.partsMonths, guarantee.workMonths);
    sheet.need(sheet.heightOf(text));
    sheet.text(sheet.root, 'P', text, { weight: 'bold' });
    sheet.y += 4;
  }
  const style: Style = where === 'before' ? {} : { size: 8.5 };
  for (const { kind, words: text } of texts.filter((one) => (one.kind === 'bring') === (where === 'before'))) {
    sheet.y += where === 'before' ? 2 : 14;
    sheet.need(40);
    sheet.text(sheet.root, 'H2', words.texts[kind], { weight: 'bold', size: 11 });
    for (const paragraph of paragraphsOf(text)) {
      for (const line of paragraph.split('\n')) {
        sheet.need(sheet.heightOf(line, style));
        sheet.text(sheet.root, 'P', line, style);
      }
      sheet.y += 4;
    }
  }
}

/** A quote's number as a QR code (ISO/IEC 18004), so that a scanner opens it in the shop. */
function drawCode({ doc }: PdfSheet, number: string, x: number, y: number): void {
  const { size, data } = create(number, { errorCorrectionLevel: 'M' }).modules;
  const dot = CODE_SIDE / size;
  doc.fillColor('#000000');
  data.forEach((bit, at) => {
    if (bit !== 0) doc.rect(x + (at % size) * dot, y + Math.floor(at / size) * dot, dot, dot);
  });
  doc.fill();
}

/** The shop on the left with its mark, the quote's number, its code and its day on the right. */
function drawHead(sheet: PdfSheet, quote: CustomerQuote, { logo }: PaperStyle): void {
  const words = wordsOf(quote);
  const top = sheet.y;
  let x = sheet.left;
  if (logo !== null) {
    sheet.ornament(() => sheet.doc.image(logo, x, top, { fit: [110, LOGO_HEIGHT] }));
    x += 122;
  }
  const width = sheet.left + sheet.width - x - 140 - CODE_ROOM;
  sheet.text(sheet.root, 'P', quote.shop.name, { weight: 'bold', size: 12, x, width });
  sheet.text(sheet.root, 'P', quote.shop.contact, { colour: SOFT, size: 9, x, width });
  const below = sheet.y;
  sheet.y = top;
  const right: Style = { align: 'right', x: sheet.left + sheet.width - 140 - CODE_ROOM, width: 140 };
  sheet.text(sheet.root, 'P', words.quote(quote.number), { ...right, weight: 'bold', size: 11 });
  sheet.text(sheet.root, 'P', dayText(quote.sentOn, localeOf(quote)), { ...right, colour: SOFT, size: 9 });
  // What it says stands beside it.
  sheet.ornament(() => drawCode(sheet, quote.number, sheet.left + sheet.width - CODE_SIDE, top));
  sheet.y = Math.max(below, sheet.y, top + CODE_SIDE, logo === null ? 0 : top + LOGO_HEIGHT) + 16;
}

/**
 * The customer's paper: a tagged PDF with its language, title, headings, tables and what its drawings show, made from what a
 * customer may see and nothing else.
 *
 * @param code what tells this version from any other
 */
export async function quotePdf(quote: CustomerQuote, code: string, style: PaperStyle): Promise<Buffer> {
  const words = wordsOf(quote);
  const locale = localeOf(quote);
  const sheet = new PdfSheet({
    title: words.quote(quote.number),
    author: quote.shop.name,
    language: locale,
    paper: style.paper,
    madeOn: quote.sentOn,
    foot: `${quote.shop.name} · ${words.quote(quote.number)}`,
  });
  drawHead(sheet, quote, style);
  sheet.text(sheet.root, 'H1', words.title(isolated(quote.machine.name)), { weight: 'bold', size: 19 });
  sheet.y += 3;
  const today = todayText(quote);
  const until = words.holdsUntil(dayText(quote.validUntil, locale));
  sheet.text(
    sheet.root,
    'P',
    `${[words.forCustomer(isolated(quote.customer.name)), today, until].filter(Boolean).join(' ')}`,
  );
  if (quote.changes !== undefined) {
    sheet.y += 4;
    const day = dayText(quote.changes.on, locale);
    sheet.text(sheet.root, 'P', words.changesOrder({ ...quote.changes, day }), { weight: 'bold' });
  }
  if (quote.note !== undefined) {
    sheet.y += 4;
    sheet.text(sheet.root, 'P', quote.note);
  }
  for (const option of quote.options) drawOption(sheet, quote, option);
  sheet.y += 12;
  drawSays(sheet, quote, 'before');
  const end = `${words.sayYes(quote.shop.contact)} ${words.prices(quote.taxWay === 'added' && quote.exempt === undefined, fittingOf(quote.options))}`;
  const codeLine = `${words.codeOfContent}: ${codeText(code)}`;
  sheet.need(sheet.heightOf(end) + sheet.heightOf(codeLine, { size: 8 }) + 6);
  sheet.text(sheet.root, 'P', end, { colour: SOFT });
  sheet.y += 5;
  sheet.text(sheet.root, 'P', codeLine, { colour: SOFT, size: 8 });
  const numbers = numbersLine(quote.shop, words.shopNumbers);
  if (numbers !== '') sheet.text(sheet.root, 'P', numbers, { colour: SOFT, size: 8 });
  drawSays(sheet, quote, 'after');
  return sheet.end();
}
