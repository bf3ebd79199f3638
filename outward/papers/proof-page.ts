import { dayText } from '../../core/day-text';
import { LOCALES } from '../../core/language';
import { depthSentence, type ProofPaper, paperPoints } from '../../core/proving/proof-paper';
import { PROOF_WORDS } from '../../core/proving/proof-words';
import { isolated } from '../../core/quoting/words/in-language';
import { PAPER_WORDS } from '../../core/quoting/words/papers-in';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { html } from './html';

const SIGNS = { kept: '✓', remark: '△', broken: '✕', untold: '–' } as const;

/** The proof sheet as its customer reads it, a whole HTML page without a script. */
export function proofPage(proof: ProofPaper, { path, css }: { path: string; css: string }): string {
  const words = PROOF_WORDS[proof.language];
  const day = (text: string) => dayText(text, LOCALES[proof.language]);
  const points = paperPoints(proof);
  const numbers = numbersLine(proof.shop, PAPER_WORDS[proof.language].shopNumbers);
  return html`<!doctype html>
<html lang="${proof.language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow"><link rel="icon" href="/icon.svg"><title>${words.sheet(proof.quote)}, ${proof.shop.name}</title>
<link rel="stylesheet" href="${css}"></head><body><main>
<header class="head"><div class="shop"><div><p class="name">${proof.shop.name}</p><p class="small soft">${proof.shop.contact}</p></div></div>
<div class="number"><p><strong>${words.sheet(proof.quote)}</strong></p><p class="small soft">${day(proof.signedOn)}</p></div></header>
<div><h1>${words.title(isolated(proof.machine))}</h1><p>${isolated(proof.customer)}</p></div>
<p class="word"><strong>${words.verdict[proof.verdict]}</strong> ${proof.remark}</p>
<table class="proof"><thead><tr><th scope="col">${words.point}</th><th scope="col">${words.promised}</th><th scope="col">${words.found}</th><th scope="col">${words.result}</th></tr></thead>
<tbody>${points.map(
    ({ what, promised, found, verdict, word, note }) =>
      html`<tr><th scope="row">${what}</th><td>${promised}</td><td>${found}${note !== '' && html`<br><span class="small soft">${note}</span>`}</td><td>${SIGNS[verdict]} ${word}</td></tr>`,
  )}</tbody></table>
${
  proof.oldModules.length > 0 &&
  html`<div><h2>${words.oldModules}</h2><ul>${proof.oldModules.map(
    ({ what, slot, fate }) => html`<li>${words.outOf(what, slot)}: ${words.fates[fate]}</li>`,
  )}</ul></div>`
}
<p>${depthSentence(proof)} <strong>${words.signed(proof.signedBy, day(proof.signedOn))}</strong></p>
<p class="no-print"><a class="button" href="${path}/proof-pdf">${words.asPdf}</a></p>
${numbers !== '' && html`<footer class="small soft">${numbers}</footer>`}
</main></body></html>`.text;
}
