import { dayText } from '../../core/day-text';
import { dueCents, type Invoice } from '../../core/invoicing/invoice';
import { INVOICE_WORDS } from '../../core/invoicing/invoice-words';
import { LOCALES } from '../../core/language';
import { addressLines } from '../../core/quoting/customer-on-paper';
import { isolated, moneyIn, percentIn } from '../../core/quoting/words/in-language';
import { PAPER_WORDS } from '../../core/quoting/words/papers-in';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { INK, PdfSheet, SOFT, type Style } from './pdf-sheet';
import type { PaperStyle } from './quote-pdf';

const AMOUNT_WIDTH = 110;
const LOGO_HEIGHT = 34;
const SMALL: Style = { colour: SOFT, size: 9 };

/** A cancelled invoice says so, and why. */
export interface Cancelled {
  on: string;
  why: string;
}

/** The shop with its mark, and whom it asks. */
function drawHead(sheet: PdfSheet, invoice: Invoice, { logo }: PaperStyle): void {
  const { shop, customer, language } = invoice;
  const words = INVOICE_WORDS[language];
  const top = sheet.y;
  let x = sheet.left;
  if (logo !== null) {
    sheet.ornament(() => sheet.doc.image(logo, x, top, { fit: [110, LOGO_HEIGHT] }));
    x += 122;
  }
  sheet.text(sheet.root, 'P', shop.name, { weight: 'bold', size: 12, x });
  const [street, ...rest] = addressLines(shop);
  const where = street === undefined ? shop.contact : [street, ...rest].join(', ');
  sheet.text(sheet.root, 'P', where, { ...SMALL, x });
  sheet.y = Math.max(sheet.y, logo === null ? 0 : top + LOGO_HEIGHT) + 24;
  sheet.text(sheet.root, 'P', words.to, { ...SMALL, size: 8 });
  sheet.text(sheet.root, 'P', isolated(customer.name), { weight: 'bold' });
  for (const line of addressLines(customer)) sheet.text(sheet.root, 'P', isolated(line));
  if (customer.taxNumber !== undefined) sheet.text(sheet.root, 'P', words.taxNumber(customer.taxNumber), SMALL);
  sheet.y += 20;
}

/** What was supplied and what it comes to, with the tax by rate, and what was paid before. */
function drawTable(sheet: PdfSheet, invoice: Invoice): void {
  const { language, currency, lines, totalCents, taxes, taxWay, exempt, prepaid } = invoice;
  const words = INVOICE_WORDS[language];
  const paper = PAPER_WORDS[language];
  const money = (minor: number) => moneyIn(language, minor, currency);
  const box = { x: sheet.left, width: sheet.width, amountWidth: AMOUNT_WIDTH };
  const table = sheet.part(sheet.root, 'Table');
  sheet.heads(table, words.item, words.amount, box);
  for (const { quantity, text, about, origin, eachCents, totalCents: whole } of lines) {
    sheet.need(30);
    sheet.rule(sheet.left, sheet.width);
    sheet.y += 2;
    const count = quantity > 1 ? `${quantity} × ` : '';
    const each = quantity > 1 ? ` (${money(eachCents)})` : '';
    sheet.row(table, `${count}${text}${origin === null ? '' : paper.origin[origin]}${each}`, money(whole), box);
    if (about !== undefined) sheet.row(table, about, '', box, SMALL);
    sheet.y += 2;
  }
  sheet.need(70);
  sheet.rule(sheet.left, sheet.width, 1.4, INK);
  sheet.y += 3;
  const isAdded = taxWay === 'added';
  const net = taxes.reduce((sum, { netCents }) => sum + netCents, 0);
  if (exempt === undefined) sheet.row(table, paper.withoutTax, money(net), box, SMALL);
  for (const { taxBp, netCents, taxCents } of exempt === undefined ? taxes : []) {
    const rate = percentIn(language, taxBp);
    const name = isAdded ? paper.addedTax(rate) : paper.containedTax(rate);
    sheet.row(table, `${name} (${money(netCents)})`, money(taxCents), box, SMALL);
  }
  sheet.row(table, paper.total, money(totalCents), box, { weight: 'bold', size: 13 });
  for (const { on, cents, way } of prepaid) {
    const day = dayText(on, LOCALES[language]);
    sheet.row(table, words.paid({ day, way: words.ways[way] }), money(-cents), box);
  }
  if (prepaid.length > 0) sheet.row(table, words.due, money(dueCents(invoice)), box, { weight: 'bold', size: 13 });
}

/** What is to be done about it. */
function payText(invoice: Invoice): string {
  const { language, currency, dueOn } = invoice;
  const words = INVOICE_WORDS[language];
  const due = dueCents(invoice);
  if (due === 0) return words.settled;
  if (due < 0) return words.back(moneyIn(language, -due, currency));
  return words.dueOn(moneyIn(language, due, currency), dayText(dueOn, LOCALES[language]));
}

/** An invoice on paper: a tagged PDF with its language, title, headings and table. */
export async function invoicePdf(invoice: Invoice, style: PaperStyle, cancelled: Cancelled | null): Promise<Buffer> {
  const { language, number, issuedOn, suppliedOn, quote, machine, shop, exempt } = invoice;
  const words = INVOICE_WORDS[language];
  const locale = LOCALES[language];
  const sheet = new PdfSheet({
    title: words.invoice(number),
    author: shop.name,
    language: locale,
    paper: style.paper,
    madeOn: issuedOn,
    foot: `${shop.name} · ${words.invoice(number)}`,
  });
  drawHead(sheet, invoice, style);
  sheet.text(sheet.root, 'H1', words.invoice(number), { weight: 'bold', size: 18 });
  if (cancelled !== null) {
    const day = dayText(cancelled.on, locale);
    sheet.text(sheet.root, 'P', words.cancelled(day, cancelled.why), { weight: 'bold', size: 12 });
  }
  sheet.y += 2;
  const days = [words.issued(dayText(issuedOn, locale)), words.supplied(dayText(suppliedOn, locale))];
  sheet.text(sheet.root, 'P', days.join(' · '));
  const on = dayText(quote.acceptedOn, locale);
  const what = words.for({ quote: quote.number, place: quote.place, on, machine: isolated(machine) });
  sheet.text(sheet.root, 'P', what, { colour: SOFT });
  sheet.y += 10;
  drawTable(sheet, invoice);
  sheet.y += 12;
  if (exempt !== undefined) sheet.text(sheet.root, 'P', PAPER_WORDS[language].noTax(exempt));
  sheet.text(sheet.root, 'P', payText(invoice), { weight: 'bold' });
  const numbers = numbersLine(shop, PAPER_WORDS[language].shopNumbers);
  sheet.y += 10;
  if (numbers !== '') sheet.text(sheet.root, 'P', numbers, SMALL);
  if (shop.contact !== '') sheet.text(sheet.root, 'P', shop.contact, SMALL);
  return sheet.end();
}
