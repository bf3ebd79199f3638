/** Where `runtime/request-context.ts` keeps what belongs to a request; the framework's copies of a module share it. */
const PLACE = Symbol.for('fenbrik.work-context');

interface Kept {
  locale?: string;
}

const kept = (): Kept | undefined =>
  (globalThis as { [PLACE]?: { getStore: () => Kept | undefined } })[PLACE]?.getStore();

/** Notes in which language the page of this request is written, for the components that are drawn for it afterwards. */
export function noteLocale(locale: string): void {
  const request = kept();
  if (request !== undefined) request.locale = locale;
}

/** The language of the page that is being drawn or shown (BCP 47): the document's own, on the server the request's. */
export const localeHere = (): string =>
  typeof document === 'undefined' ? (kept()?.locale ?? 'en') : document.documentElement.lang || 'en';
