import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { LRUCache } from 'lru-cache';
import { wordsOf } from '../../../core/quoting/words/in-language';
import { NOTHING_HERE, quotePage, type Refused } from '../../../outward/papers/quote-page';
import { ownFile, packageFile } from '../../../runtime/programs';
import { pool } from '../../../store/database';
import { noteOpened } from '../../../store/job/quote-answers';
import type { FaultCode } from '../../result';
import { stampOfLink } from '../options/page-stamps';
import { openQuote } from './quote';
import { type AnswerInput, answerQuote } from './quote-answers';
import { isToken } from './quote-links';

/** A file of the customer's page. */
export interface PageFile {
  type: string;
  bytes: Buffer;
}

const letters = (subset: string) => () => [
  packageFile(`@fontsource-variable/archivo/files/archivo-${subset}-wdth-normal.woff2`),
];
const SOURCES: Record<string, { type: string; from: () => string[] }> = {
  'quote.css': {
    type: 'text/css; charset=utf-8',
    from: () => ['palette', 'quote'].map((name) => ownFile(`outward/page/${name}.css`)),
  },
  'quote.js': { type: 'text/javascript; charset=utf-8', from: () => [ownFile('outward/page/quote.js')] },
  'archivo.woff2': { type: 'font/woff2', from: letters('latin') },
  'archivo-ext.woff2': { type: 'font/woff2', from: letters('latin-ext') },
};

const files = new Map<string, PageFile>();

/** A file that the customer's page loads, of one or several of ours, read once; null: it has none of that name. */
export function pageFile(name: string): PageFile | null {
  const source = Object.hasOwn(SOURCES, name) ? SOURCES[name] : undefined;
  if (source === undefined) return null;
  const known = files.get(name);
  if (known !== undefined) return known;
  const file = { type: source.type, bytes: Buffer.concat(source.from().map((path) => readFileSync(path))) };
  files.set(name, file);
  return file;
}

/** Where a file is: with a mark of its content, so that it can be kept for ever by the person who has it. */
export function pageUrl(name: string): string {
  const mark = createHash('sha256')
    .update(pageFile(name)?.bytes ?? '')
    .digest('hex')
    .slice(0, 8);
  return `/customer/${name}?${mark}`;
}
let urls: { css: string; js: string; font: string } | null = null;

export interface Page {
  status: number;
  text: string;
  /** what tells this page from the one that it was before (RFC 9110, 8.8.3) */
  etag?: string;
}

const NOTHING: Page = { status: 404, text: NOTHING_HERE };
const REFUSED: Partial<Record<FaultCode, number>> = { conflict: 409, 'bad-input': 422, 'not-found': 404 };

/** Pages that were looked at lately, each as it was when it last changed. */
const pages = new LRUCache<string, { stamp: string; page: Page }>({
  maxSize: 32 * 1024 * 1024,
  sizeCalculation: ({ page }) => page.text.length * 2 + 1_000,
});

async function makePage(token: string, refused: Refused | null): Promise<Page> {
  const opened = await openQuote(token);
  if (opened === null) return NOTHING;
  urls ??= { css: pageUrl('quote.css'), js: pageUrl('quote.js'), font: '/customer/archivo.woff2' };
  const text = quotePage({ ...opened, path: `/q/${token}`, files: urls, refused });
  return { status: 200, text, etag: `"${createHash('sha256').update(text).digest('base64url').slice(0, 27)}"` };
}

/**
 * The page behind a customer's link: made once for each state that it is in, and then only asked whether it still is.
 *
 * @param byCustomer it is noted that the customer has seen it
 */
export async function showQuotePage(token: string, byCustomer: boolean, refused: Refused | null = null): Promise<Page> {
  if (!isToken(token)) return NOTHING;
  const found = await stampOfLink(token);
  if (found === null) return NOTHING;
  if (byCustomer && !found.isOpened) await noteOpened(pool(), found.quoteId);
  if (refused !== null) return makePage(token, refused);
  const known = pages.get(token);
  if (known?.stamp === found.stamp) return known.page;
  const page = await makePage(token, null);
  if (page.status === 200) pages.set(token, { stamp: found.stamp, page });
  return page;
}

/** What a browser sends without the page's script, as the same thing said. */
function readForm(form: URLSearchParams): Refused & { input: AnswerInput | null } {
  const kind = form.get('kind');
  const typed = {
    sentence: '',
    place: Number(form.get('place')) || null,
    signed: (form.get('signed') ?? '').slice(0, 120),
    ticked: form.getAll('ticked').slice(0, 20),
    words: (form.get('words') ?? '').slice(0, 2000).trim(),
  };
  const { place, signed, ticked, words } = typed;
  if (kind === 'accept')
    return {
      ...typed,
      kind,
      input: place === null || signed.trim() === '' ? null : { kind, place, signed: signed.trim(), ticked },
    };
  if (kind === 'decline') return { ...typed, kind, input: { kind, words } };
  return { ...typed, kind: 'ask', input: words === '' ? null : { kind: 'ask', words } };
}

/** Takes what a form says: null once it is kept, else the page with why not and everything that was typed. */
export async function takeForm(token: string, form: URLSearchParams): Promise<Page | null> {
  const { input, ...typed } = readForm(form);
  const opened = await openQuote(token);
  if (opened === null) return NOTHING;
  const { faults } = wordsOf(opened.quote);
  if (input === null) {
    const sentence =
      typed.kind === 'ask' ? faults.typeQuestion : typed.place === null ? faults.chooseFirst : faults.typeName;
    return { ...(await showQuotePage(token, true, { ...typed, sentence })), status: 422 };
  }
  const result = await answerQuote(token, input);
  if (result.ok) return null;
  const shown = await showQuotePage(token, true, { ...typed, sentence: result.sentence });
  return { ...shown, status: REFUSED[result.code] ?? 422 };
}
