import { dayText } from '../../core/day-text';
import { LOCALES } from '../../core/language';
import { depthSentence, type ProofPaper, paperPoints } from '../../core/proving/proof-paper';
import { PROOF_WORDS } from '../../core/proving/proof-words';
import { isolated } from '../../core/quoting/words/in-language';
import { PAPER_WORDS } from '../../core/quoting/words/papers-in';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { INK, PdfSheet, SOFT } from './pdf-sheet';
import type { PaperStyle } from './quote-pdf';

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
  const table = sheet.part(sheet.root, 'Table');
  const box = { x: sheet.left, width: sheet.width, amountWidth: sheet.width * 0.56 };
  sheet.heads(table, words.point, `${words.promised} / ${words.found}, ${words.result}`, box);
  for (const { what, promised, found, word } of paperPoints(proof)) {
    sheet.rule(sheet.left, sheet.width);
    sheet.y += 2;
    const amount = `${promised} / ${found}, ${word}`;
    sheet.row(table, what, amount, box);
    sheet.y += 2;
  }
  sheet.rule(sheet.left, sheet.width, 1.4, INK);
  sheet.y += 6;
  for (const { note } of paperPoints(proof)) if (note !== '') sheet.text(sheet.root, 'P', note);
  if (proof.oldModules.length > 0) {
    sheet.y += 6;
    sheet.text(sheet.root, 'H2', words.oldModules, { weight: 'bold', size: 12 });
    for (const { what, slot, fate } of proof.oldModules) {
      sheet.text(sheet.root, 'P', `${words.outOf(what, slot)}: ${words.fates[fate]}`);
    }
  }
  sheet.y += 10;
  sheet.text(sheet.root, 'P', depthSentence(proof));
  sheet.text(sheet.root, 'P', words.signed(proof.signedBy, dayText(proof.signedOn, locale)), { weight: 'bold' });
  const numbers = numbersLine(proof.shop, PAPER_WORDS[proof.language].shopNumbers);
  sheet.y += 8;
  if (numbers !== '') sheet.text(sheet.root, 'P', numbers, { colour: SOFT, size: 8 });
  return sheet.end();
}
