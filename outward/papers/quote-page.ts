import { dayText } from '../../core/day-text';
import { INVOICE_WORDS } from '../../core/invoicing/invoice-words';
import { PROOF_WORDS } from '../../core/proving/proof-words';
import type { CustomerOption, CustomerQuote } from '../../core/quoting/customer-view';
import { totalsText } from '../../core/quoting/groups/totals-text';
import { codeText } from '../../core/quoting/paper/content-code';
import { deliveryText } from '../../core/quoting/paper/delivery-text';
import { figureNotes, figureRows, savingSentences } from '../../core/quoting/paper/figure-rows';
import { fittingOf } from '../../core/quoting/paper/statements';
import { todayText } from '../../core/quoting/paper/today-text';
import { paragraphsOf } from '../../core/quoting/paper-text';
import {
  type CustomerAnswer,
  type CustomerQuestion,
  statementsOf,
  type VersionStanding,
} from '../../core/quoting/quote-answer';
import {
  capacityIn,
  isolated,
  languageOfQuote,
  localeOf,
  moneyIn,
  wordsOf,
} from '../../core/quoting/words/in-language';
import type { AcceptWords } from '../../core/shop/accept-words';
import { numbersLine } from '../../core/shop/shop-on-paper';
import { html, type Markup } from './html';

/** What was sent as a form and could not be taken, so that nothing typed is lost. */
export interface Refused {
  sentence: string;
  kind: 'accept' | 'decline' | 'ask';
  place: number | null;
  signed: string;
  ticked: readonly string[];
  words: string;
}

export interface QuotePage {
  quote: CustomerQuote;
  standing: VersionStanding;
  /** what the customer said to it last; null: nothing yet */
  answer: CustomerAnswer | null;
  /** what the customer asked, the earliest first */
  questions: readonly CustomerQuestion[];
  /** what tells this version from any other */
  code: string;
  /** where the page is, such as `/q/TOKEN` */
  path: string;
  hasLogo: boolean;
  /** what the button says by which one accepts, by language; left out or empty: the usual word */
  acceptWords: AcceptWords;
  isProved: boolean;
  /** it was settled that it does not work: the customer's own modules are back in */
  isNotWorking: boolean;
  /** it is invoiced: its page leads to the invoice */
  hasInvoice: boolean;
  /** where the page's style, script and letters are */
  files: { css: string; js: string; font: string };
  refused: Refused | null;
}

type Board = CustomerOption['before'];

/** Shape of a module seen from its side, its key cut out of the lower edge; and its contacts. */
const BODY = 'M1 1h130v16h-35v-4h-7v4h-88z';
const CONTACTS = 'M4 19H87M98 19H128';
const ROW = 26;

function boardRow(quote: CustomerQuote, { capacityMiB, fate }: Board[number], index: number): Markup {
  const { free, isNew } = wordsOf(quote);
  const capacity = capacityMiB === null ? free : capacityIn(languageOfQuote(quote), capacityMiB);
  const look = fate === 'built-in' ? 'soldered' : capacityMiB === null ? 'empty' : fate === 'new' ? 'new' : 'fitted';
  return html`<g class="${look}" transform="translate(0 ${index * ROW + 3})">${
    look === 'soldered' ? html`<rect x="1" y="1" width="130" height="16" rx="1"/>` : html`<path d="${BODY}"/>`
  }${(look === 'new' || look === 'fitted') && html`<path class="contacts" d="${CONTACTS}"/>`}<text x="8" y="13.5">${
    look === 'new' ? isNew(capacity) : capacity
  }</text></g>`;
}

function board(quote: CustomerQuote, title: string, slots: Board): Markup {
  const { free } = wordsOf(quote);
  const words = slots
    .map(
      ({ slot, capacityMiB }) =>
        `${slot} ${capacityMiB === null ? free : capacityIn(languageOfQuote(quote), capacityMiB)}`,
    )
    .join(', ');
  return html`<figure><figcaption>${title}</figcaption><svg viewBox="0 0 132 ${slots.length * ROW + 2}" role="img" aria-label="${title}: ${words}">${slots.map(
    (slot, index) => boardRow(quote, slot, index),
  )}</svg></figure>`;
}

/** Before and after; of machines that differ, of each group. */
function boards(quote: CustomerQuote, option: CustomerOption): Markup {
  const words = wordsOf(quote);
  const pair = ({ before, after }: Pick<CustomerOption, 'before' | 'after'>) =>
    html`<div class="boards">${board(quote, words.now, before)}${board(quote, words.after, after)}</div>`;
  if (option.groups === undefined) return pair(option);
  return html`${option.groups.map((group) => {
    const total = capacityIn(languageOfQuote(quote), group.totalMiB);
    return html`<div><h3>${words.groupOf(group.name, group.machines, total)}</h3>${pair(group)}</div>`;
  })}`;
}

function optionArticle(quote: CustomerQuote, option: CustomerOption): Markup {
  const { suggested, options, currency } = quote;
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const isSuggested = suggested === option.place && options.length > 1;
  return html`<article class="option${isSuggested ? ' suggested' : ''}">
<header><p class="place">${options.length > 1 ? words.option(option.place) : words.ourOffer}${
    isSuggested && html`<strong> · ${words.suggested}</strong>`
  }</p>
<h2>${words.ofMemory(totalsText(option, language))}</h2>
${
  option.groups === undefined &&
  html`<p class="soft">${option.addedMiB > 0 ? words.moreThanToday(capacityIn(language, option.addedMiB)) : words.asToday}</p>`
}</header>
${boards(quote, option)}
<p>${option.oldModules}</p>
<table><caption class="hidden">${words.costsOf(option.place)}</caption><tbody>${option.lines.map(
    (line) =>
      html`<tr><th scope="row">${line.quantity > 1 && `${line.quantity} × `}${line.text}${
        line.origin !== null && words.origin[line.origin]
      }${line.about !== undefined && html`<span class="about small soft">${line.about}</span>`}</th><td>${moneyIn(language, line.totalCents, currency)}</td></tr>`,
  )}</tbody><tfoot>${figureRows(quote, option).map(
    ({ words: name, amount, what }) => html`<tr class="${what}"><th scope="row">${name}</th><td>${amount}</td></tr>`,
  )}</tfoot></table>
${figureNotes(quote, option).map((note) => html`<p class="small">${note}</p>`)}${savingSentences(quote, option).map(
  (saving) => html`<p class="saving">${saving}</p>`,
)}${
  option.warnings.length > 0 &&
  html`<div><h3>${words.mind}</h3><ul>${option.warnings.map((warning) => html`<li>${warning}</li>`)}</ul></div>`
}
<p class="small soft">${deliveryText(quote, option)}</p>
</article>`;
}

function standingNote({ quote, standing, answer, isNotWorking }: QuotePage): Markup | null {
  const language = languageOfQuote(quote);
  const { page, option: optionWords } = wordsOf(quote);
  const day = (text: string) => dayText(text, localeOf(quote));
  const note = (look: string, words: string) => html`<p role="status" class="note ${look}">${words}</p>`;
  if (standing === 'replaced' && answer?.kind !== 'accepted') return note('mind', page.replaced);
  if (isNotWorking) return note('mind', page.notWorking);
  if (answer?.kind === 'accepted') {
    const option = quote.options.find(({ place }) => place === answer.place);
    const what =
      option === undefined
        ? optionWords(answer.place)
        : page.acceptedWhat(
            answer.place,
            totalsText(option, language),
            moneyIn(language, option.totalCents, quote.currency),
          );
    const yes = note('good', `✓ ${page.accepted(what, answer.signed, day(answer.on))}`);
    return standing === 'replaced' ? html`${yes}${note('mind', page.acceptedThenReplaced)}` : yes;
  }
  if (standing === 'lapsed') return note('mind', page.heldUntil(day(quote.validUntil)));
  if (answer?.kind === 'declined') return note('', page.declined(day(answer.on), day(quote.validUntil)));
  return null;
}

/** What could not be taken, where it was typed. */
const faultOf = ({ refused }: QuotePage, kind: Refused['kind']): Markup =>
  html`<p class="fault" role="alert">${refused?.kind === kind && refused.sentence}</p>`;

/** Statements of an option, shown while that option is chosen. */
function statementsFor(page: QuotePage, option: CustomerOption): Markup | null {
  const statements = statementsOf(option);
  if (statements.length === 0) return null;
  const { page: words } = wordsOf(page.quote);
  return html`<fieldset data-of="${option.place}"><legend>${words.readAndTick}</legend>${statements.map(
    (statement) =>
      html`<label class="check"><input type="checkbox" name="ticked" value="${statement}"${
        page.refused?.ticked.includes(statement) === true && html` checked`
      }><span>${statement}</span></label>`,
  )}</fieldset>`;
}

/** What the quote stands under: the guarantee, and the shop's texts, of which the longer ones are folded. */
function says(quote: CustomerQuote): Markup | null {
  const { guarantee, texts = [] } = quote;
  const words = wordsOf(quote);
  if (guarantee === undefined && texts.length === 0) return null;
  const whole = (text: string) => html`${paragraphsOf(text).map((one) => html`<p class="lines">${one}</p>`)}`;
  return html`<section class="says">${guarantee !== undefined && html`<p><strong>${words.guarantee(guarantee.partsMonths, guarantee.workMonths)}</strong></p>`}${texts.map(
    ({ kind, words: text }) =>
      kind === 'bring'
        ? html`<h2>${words.texts.bring}</h2>${whole(text)}`
        : html`<details class="text"><summary>${words.texts[kind]}</summary>${whole(text)}</details>`,
  )}</section>`;
}

function acceptForm(page: QuotePage): Markup {
  const { quote, path, refused, acceptWords } = page;
  const { options, suggested, currency } = quote;
  const language = languageOfQuote(quote);
  const { page: words, option: optionWords } = wordsOf(quote);
  const chosen = refused?.place ?? (options.length === 1 ? (options[0]?.place ?? null) : suggested);
  const name = ({ totalMiB, totalCents }: CustomerOption) =>
    words.forPrice(capacityIn(language, totalMiB), moneyIn(language, totalCents, currency));
  return html`<form class="yes" method="post" action="${path}/answer" aria-labelledby="say-yes" data-kind="accept" data-busy="${words.sending}">
<h2 id="say-yes">${words.sayYes}</h2><input type="hidden" name="kind" value="accept">${
    options.length > 1
      ? html`<fieldset><legend>${words.which}</legend>${options.map(
          (option) =>
            html`<label class="check"><input type="radio" name="place" value="${option.place}"${
              option.place === chosen && html` checked`
            }><span>${optionWords(option.place)}: <strong>${name(option)}</strong>${
              option.place === suggested && `, ${words.whichWeSuggest}`
            }</span></label>`,
        )}</fieldset>`
      : options.map(({ place }) => html`<input type="hidden" name="place" value="${place}">`)
  }${options.map((option) => statementsFor(page, option))}
<label class="field">${words.signature}<input name="signed" autocomplete="name" maxlength="120" value="${refused?.signed ?? ''}"></label>
${faultOf(page, 'accept')}
${(quote.texts ?? []).some(({ kind }) => kind === 'terms') && html`<p class="small">${wordsOf(quote).agreeTerms}</p>`}
<p class="row"><button class="act">${acceptWords[language] || words.yes}</button><span class="small soft">${words.orderThen(fittingOf(options))}</span></p>
</form>`;
}

interface WordsForm {
  kind: 'ask' | 'decline';
  title: string;
  label: string;
  press: string;
  thanks: string;
}

function wordsForm(page: QuotePage, { kind, title, label, press, thanks }: WordsForm): Markup {
  const { quote, path, refused } = page;
  const { page: words } = wordsOf(quote);
  const isRefused = refused?.kind === kind;
  return html`<details${isRefused && html` open`}><summary>${title}</summary>
<form method="post" action="${path}/answer" data-kind="${kind}" data-busy="${words.sending}" data-thanks="${thanks}"><input type="hidden" name="kind" value="${kind}">
<label class="field">${label}<textarea name="words" rows="3" maxlength="2000">${isRefused && refused.words}</textarea></label>
${faultOf(page, kind)}
<p class="row"><button>${press}</button><span class="thanks" role="status"></span></p></form></details>`;
}

function asked({ quote, questions }: QuotePage): Markup | null {
  if (questions.length === 0) return null;
  const { page } = wordsOf(quote);
  const day = (text: string) => dayText(text, localeOf(quote));
  return html`<section aria-label="${page.question}">${questions.map(
    ({ words, on, reply }) =>
      html`<div class="asked"><p><span class="small soft">${page.youAsked(day(on))}</span> ${words}</p>${
        reply !== null && html`<p><span class="small soft">${page.weAnswered(day(reply.on))}</span> ${reply.words}</p>`
      }</div>`,
  )}</section>`;
}

function codeCheck({ quote, code, path }: QuotePage): Markup {
  const { page, option: optionWords } = wordsOf(quote);
  return html`<details class="small"><summary>${page.isMyPaper}</summary>
<p>${page.everyVersion} <code>${codeText(code)}</code></p>
<label class="field">${page.firstLetters}<input data-code="${code}" autocomplete="off" spellcheck="false"></label>
<p role="status" class="compared" data-same="✓ ${page.isThis}" data-other="✕ ${page.isOther}"></p>
<p><a href="${path}/json">${page.asData}</a>: ${page.madeOfFile}</p>
<p><a href="${path}/csv">CSV</a>${quote.options.map(
    ({ place }) => html` · <a href="${path}/ubl/${place}">UBL 2.3, ${optionWords(place)}</a>`,
  )}</p></details>`;
}

/**
 * The quote as its customer reads it, a whole HTML page: what they have, what they will have, what each option costs and gains,
 * and forms to say yes, no or to ask. It works without its script; with it nothing typed is lost where the network is.
 */
export function quotePage(page: QuotePage): string {
  const { quote, standing, path, files, hasLogo } = page;
  const { shop, machine, customer, options } = quote;
  const language = languageOfQuote(quote);
  const words = wordsOf(quote);
  const day = (text: string) => dayText(text, localeOf(quote));
  const isOpen = standing === 'open' || standing === 'declined';
  const title = `${words.quote(quote.number)}, ${shop.name}`;
  const numbers = numbersLine(shop, words.shopNumbers);
  const { text } = html`<!doctype html>
<html lang="${language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow"><link rel="icon" href="/icon.svg"><title>${title}</title>
<link rel="preload" href="${files.font}" as="font" type="font/woff2" crossorigin><link rel="stylesheet" href="${files.css}">
<script src="${files.js}" defer></script></head><body>
<main lang="${language}" data-away="${words.faults.away}" data-choose="${words.faults.chooseFirst}">
<header class="head"><div class="shop">${hasLogo && html`<img src="${path}/logo" alt="">`}<div><p class="name">${shop.name}</p><p class="small soft">${shop.contact}</p></div></div>
<div class="number"><p><strong>${words.quote(quote.number)}</strong></p><p class="small soft">${day(quote.sentOn)}</p></div></header>
<div data-part="standing">${standingNote(page)}</div>
<div><h1>${words.title(isolated(machine.name))}</h1>
<p>${words.forCustomer(isolated(customer.name))} ${todayText(quote)} <strong>${words.holdsUntil(day(quote.validUntil))}</strong></p>
${quote.changes !== undefined && html`<p class="word"><strong>${words.changesOrder({ ...quote.changes, day: day(quote.changes.on) })}</strong></p>`}${quote.note !== undefined && html`<p class="word">${quote.note}</p>`}</div>
<div class="options of-${options.length}">${options.map((option) => optionArticle(quote, option))}</div>
${says(quote)}
<p class="no-print"><a class="button" href="${path}/pdf">${words.samePdf}</a>${page.isProved && html` <a class="button" href="${path}/proof">${PROOF_WORDS[language].seeSheet}</a>`}${page.hasInvoice && html` <a class="button" href="${path}/invoice">${INVOICE_WORDS[language].see}</a>`}</p>
<div class="no-print" data-part="yes">${isOpen && acceptForm(page)}</div>
<div class="no-print" data-part="asked">${asked(page)}</div>
<div class="no-print words">${
    (isOpen || standing === 'accepted') &&
    wordsForm(page, {
      kind: 'ask',
      title: words.page.ask,
      label: words.page.question,
      press: words.page.sendQuestion,
      thanks: words.page.questionSent,
    })
  }<div data-part="no">${
    standing === 'open' &&
    wordsForm(page, {
      kind: 'decline',
      title: words.page.decline,
      label: words.page.whyNot,
      press: words.page.sayNo,
      thanks: '',
    })
  }</div></div>
<div class="no-print">${codeCheck(page)}</div>
<footer class="small soft">${words.page.footer(shop.contact)} ${words.prices(quote.taxWay === 'added' && quote.exempt === undefined, fittingOf(quote.options))}${numbers !== '' && html`<br>${numbers}`}</footer>
</main></body></html>`;
  return text;
}

/** What a person who follows a link that opens nothing is told: nothing. */
export const NOTHING_HERE = html`<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>There is nothing here</title></head>
<body><main><h1>There is nothing here</h1><p>The address may be incomplete: try it again as it was given to you.</p></main></body></html>`
  .text;
