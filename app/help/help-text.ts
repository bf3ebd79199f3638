import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { GUIDES, type Guide, HELP_SECTIONS, type HelpSection } from '@/ui/frame/help-sections';
import type { StaffLanguage } from '@/words/languages';

/** The guides are read as they lie there, so that the help and the guides are one text. */
const DOCS = 'docs';
const fileOf = (guide: Guide, language: StaffLanguage): string =>
  join(DOCS, language === 'en' ? `${guide}.md` : `${guide}.${language}.md`);

export interface HelpText {
  guide: Guide;
  title: string;
  sections: { id: HelpSection; title: string; markdown: string }[];
}

/**
 * Parts a guide at its headings of the second level.
 *
 * @throws Error where it has not as many sections as the help has places
 */
export function partGuide(guide: Guide, markdown: string): HelpText {
  const ids = HELP_SECTIONS[guide];
  const [head = '', ...parts] = markdown.split(/^## /m);
  if (parts.length !== ids.length)
    throw new Error(`The guide has ${parts.length} sections, the help ${ids.length} places.`);
  return {
    guide,
    title: /^# (.+)$/m.exec(head)?.[1] ?? '',
    sections: ids.map((id, place) => {
      const part = parts[place] ?? '';
      const end = part.indexOf('\n');
      return { id, title: part.slice(0, end).trim(), markdown: part.slice(end).trim() };
    }),
  };
}

const read = new Map<StaffLanguage, HelpText[]>();

/** The guides in a language of the staff: for technicians, then for owners. */
export function helpText(language: StaffLanguage): HelpText[] {
  const texts =
    read.get(language) ?? GUIDES.map((guide) => partGuide(guide, readFileSync(fileOf(guide, language), 'utf8')));
  read.set(language, texts);
  return texts;
}

/** Further documents that the guides point to. They are in English. */
const FURTHER = ['explained', 'formats', 'http', 'operating', 'prices', 'readings'] as const;

/** A further document as Markdown; null: there is none of this name. */
export function furtherText(name: string): string | null {
  const known = FURTHER.find((one) => one === name);
  return known === undefined ? null : readFileSync(join(DOCS, `${known}.md`), 'utf8');
}

/** Where a document's link leads inside the application; null: to nothing that is served. */
export function helpLink(href: string): string | null {
  const [file = '', section = ''] = href.split('#');
  const anchor = section === '' ? '' : `#${section}`;
  if (file === '') return anchor;
  if (/^https:/.test(href)) return href;
  const name = /^([a-z-]+)\.md$/.exec(file)?.[1] ?? '';
  if (GUIDES.some((guide) => guide === name)) return `/help${anchor}`;
  return FURTHER.some((one) => one === name) ? `/help/${name}` : null;
}

/** A picture of the guides; null: there is none of this name. */
export function guidePicture(name: string): Buffer | null {
  const path = join(DOCS, 'screenshots', name);
  return /^[a-z-]+\.png$/.test(name) && existsSync(path) ? readFileSync(path) : null;
}
