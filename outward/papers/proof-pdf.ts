import { dayText } from '../../core/day-text';
import { LOCALES } from '../../core/language';
import { depthSentence, machineRows, oldModulesOf, type ProofPaper, paperPoints } from '../../core/proving/proof-paper';
import { PROOF_WORDS } from '../../core/proving/proof-words';
import { isolated } from '../../core/quoting/words/in-language';
import { PAPER_WORDS } from '../../core/quoting/words/papers-in';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { INK, PdfSheet, SOFT } from './pdf-sheet';
import type { PaperStyle } from './quote-pdf';

/** What was promised and found, point by point. */
function pointsTable(sheet: PdfSheet, proof: ProofPaper): void {
  const words = PROOF_WORDS[proof.language];
  const table = sheet.part(sheet.root, 'Table');
  const box = { x: sheet.left, width: sheet.width, amountWidth: sheet.width * 0.56 };
  sheet.heads(table, words.point, `${words.promised} / ${words.found}, ${words.result}`, box);
  for (const { what, promised, found, word } of paperPoints(proof)) {
    sheet.rule(sheet.left, sheet.width);
    sheet.y += 2;
    sheet.row(table, what, `${promised} / ${found}, ${word}`, box);
    sheet.y += 2;
  }
  sheet.rule(sheet.left, sheet.width, 1.4, INK);
  sheet.y += 6;
  for (const { note } of paperPoints(proof)) if (note !== '') sheet.text(sheet.root, 'P', note);
}

/** Several machines, a row each. */
function machinesTable(sheet: PdfSheet, proof: ProofPaper): void {
  const words = PROOF_WORDS[proof.language];
  const rows = machineRows(proof);
  sheet.text(sheet.root, 'P', words.ofMachines(rows.length, proof.promised ?? rows.length));
  sheet.y += 4;
  const table = sheet.part(sheet.root, 'Table');
  const box = { x: sheet.left, width: sheet.width, amountWidth: sheet.width * 0.56 };
  sheet.heads(table, words.machineHead, `${words.found}, ${words.result}`, box);
  for (const { name, found, word } of rows) {
    sheet.need(24);
    sheet.rule(sheet.left, sheet.width);
    sheet.y += 2;
    sheet.row(table, name, `${found}, ${word}`, box);
    sheet.y += 2;
  }
  sheet.rule(sheet.left, sheet.width, 1.4, INK);
  sheet.y += 6;
  for (const { name, note } of rows) if (note !== '') sheet.text(sheet.root, 'P', `${name}: ${note}`);
}

/** What became of the modules that came out. */
function oldModules(sheet: PdfSheet, proof: ProofPaper): void {
  const words = PROOF_WORDS[proof.language];
  const lines =
    proof.machines === undefined
      ? proof.oldModules.map(({ what, slot, fate }) => `${words.outOf(what, slot)}: ${words.fates[fate]}`)
      : oldModulesOf(proof).map(({ what, fate, count }) => `${count} × ${what}: ${words.fates[fate]}`);
  if (lines.length === 0) return;
  sheet.y += 6;
  sheet.text(sheet.root, 'H2', words.oldModules, { weight: 'bold', size: 12 });
  for (const line of lines) sheet.text(sheet.root, 'P', line);
}

/** The customer's proof sheet: one page, a tagged PDF with its language, title, headings and table. */
export async function proofPdf(proof: ProofPaper, { paper, logo }: PaperStyle): Promise<Buffer> {
  const words = PROOF_WORDS[proof.language];
  const locale = LOCALES[proof.language];
  const sheet = new PdfSheet({
    title: words.sheet(proof.quote),
    author: proof.shop.name,
    language: locale,
    paper,
    madeOn: proof.signedOn,
    foot: `${proof.shop.name} · ${words.sheet(proof.quote)}`,
  });
  const top = sheet.y;
  let x = sheet.left;
  if (logo !== null) {
    sheet.ornament(() => sheet.doc.image(logo, x, top, { fit: [110, 34] }));
    x += 122;
  }
  sheet.text(sheet.root, 'P', proof.shop.name, { weight: 'bold', size: 12, x });
  sheet.text(sheet.root, 'P', proof.shop.contact, { colour: SOFT, size: 9, x });
  sheet.y = Math.max(sheet.y, logo === null ? 0 : top + 34) + 14;
  sheet.text(sheet.root, 'H1', words.title(isolated(proof.machine)), { weight: 'bold', size: 18 });
  sheet.y += 2;
  sheet.text(
    sheet.root,
    'P',
    `${isolated(proof.customer)} · ${words.sheet(proof.quote)} · ${dayText(proof.signedOn, locale)}`,
    {
      colour: SOFT,
    },
  );
  sheet.y += 8;
  sheet.text(sheet.root, 'H2', words.verdict[proof.verdict], { weight: 'bold', size: 14 });
  if (proof.remark !== '') sheet.text(sheet.root, 'P', proof.remark);
  sheet.y += 8;
  if (proof.machines === undefined) pointsTable(sheet, proof);
  else machinesTable(sheet, proof);
  oldModules(sheet, proof);
  sheet.y += 10;
  sheet.text(sheet.root, 'P', depthSentence(proof));
  sheet.text(sheet.root, 'P', words.signed(proof.signedBy, dayText(proof.signedOn, locale)), { weight: 'bold' });
  const numbers = numbersLine(proof.shop, PAPER_WORDS[proof.language].shopNumbers);
  sheet.y += 8;
  if (numbers !== '') sheet.text(sheet.root, 'P', numbers, { colour: SOFT, size: 8 });
  return sheet.end();
}
