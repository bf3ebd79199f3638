import { dayText } from '../../core/day-text';
import { LOCALES } from '../../core/language';
import { depthSentence, machineRows, oldModulesOf, type ProofPaper, paperPoints } from '../../core/proving/proof-paper';
import { PROOF_WORDS } from '../../core/proving/proof-words';
import { isolated } from '../../core/quoting/words/in-language';
import { PAPER_WORDS } from '../../core/quoting/words/papers-in';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { html } from './html';

const SIGNS = { kept: '✓', remark: '△', broken: '✕', untold: '–' } as const;

/** What was promised and found, point by point; of several machines a row each. */
function findings(proof: ProofPaper) {
  const words = PROOF_WORDS[proof.language];
  if (proof.machines !== undefined) {
    return html`<p>${words.ofMachines(proof.machines.length, proof.promised ?? proof.machines.length)}</p>
<table class="proof"><thead><tr><th scope="col">${words.machineHead}</th><th scope="col">${words.found}</th><th scope="col">${words.result}</th></tr></thead>
<tbody>${machineRows(proof).map(
      ({ name, found, verdict, word, note }) =>
        html`<tr><th scope="row">${name}</th><td>${found}${note !== '' && html`<br><span class="small soft">${note}</span>`}</td><td>${SIGNS[verdict]} ${word}</td></tr>`,
    )}</tbody></table>`;
  }
  return html`<table class="proof"><thead><tr><th scope="col">${words.point}</th><th scope="col">${words.promised}</th><th scope="col">${words.found}</th><th scope="col">${words.result}</th></tr></thead>
<tbody>${paperPoints(proof).map(
    ({ what, promised, found, verdict, word, note }) =>
      html`<tr><th scope="row">${what}</th><td>${promised}</td><td>${found}${note !== '' && html`<br><span class="small soft">${note}</span>`}</td><td>${SIGNS[verdict]} ${word}</td></tr>`,
  )}</tbody></table>`;
}

/** What became of the modules that came out. */
function oldModules(proof: ProofPaper) {
  const words = PROOF_WORDS[proof.language];
  const lines =
    proof.machines === undefined
      ? proof.oldModules.map(({ what, slot, fate }) => `${words.outOf(what, slot)}: ${words.fates[fate]}`)
      : oldModulesOf(proof).map(({ what, fate, count }) => `${count} × ${what}: ${words.fates[fate]}`);
  return (
    lines.length > 0 &&
    html`<div><h2>${words.oldModules}</h2><ul>${lines.map((line) => html`<li>${line}</li>`)}</ul></div>`
  );
}

/** The proof sheet as its customer reads it, a whole HTML page without a script. */
export function proofPage(proof: ProofPaper, { path, css }: { path: string; css: string }): string {
  const words = PROOF_WORDS[proof.language];
  const day = (text: string) => dayText(text, LOCALES[proof.language]);
  const numbers = numbersLine(proof.shop, PAPER_WORDS[proof.language].shopNumbers);
  return html`<!doctype html>
<html lang="${proof.language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow"><link rel="icon" href="/icon.svg"><title>${words.sheet(proof.quote)}, ${proof.shop.name}</title>
<link rel="stylesheet" href="${css}"></head><body><main>
<header class="head"><div class="shop"><div><p class="name">${proof.shop.name}</p><p class="small soft">${proof.shop.contact}</p></div></div>
<div class="number"><p><strong>${words.sheet(proof.quote)}</strong></p><p class="small soft">${day(proof.signedOn)}</p></div></header>
<div><h1>${words.title(isolated(proof.machine))}</h1><p>${isolated(proof.customer)}</p></div>
<p class="word"><strong>${words.verdict[proof.verdict]}</strong> ${proof.remark}</p>
${findings(proof)}
${oldModules(proof)}
<p>${depthSentence(proof)} <strong>${words.signed(proof.signedBy, day(proof.signedOn))}</strong></p>
<p class="no-print"><a class="button" href="${path}/proof-pdf">${words.asPdf}</a></p>
${numbers !== '' && html`<footer class="small soft">${numbers}</footer>`}
</main></body></html>`.text;
}
