import { readFileSync } from 'node:fs';
import { HELP_SECTIONS, type HelpSection } from '@/ui/frame/help-sections';
import type { StaffLanguage } from '@/words/languages';

/** The guide is read as it lies in `docs/`, so that the help and the guide are one text. */
const GUIDES: Record<StaffLanguage, string> = { en: 'docs/technicians.md', de: 'docs/technicians.de.md' };

export interface HelpText {
  title: string;
  sections: { id: HelpSection; title: string; markdown: string }[];
}

/**
 * Parts a guide at its headings of the second level.
 *
 * @throws Error where it has not as many sections as the help has places
 */
export function partGuide(markdown: string): HelpText {
  const [head = '', ...parts] = markdown.split(/^## /m);
  if (parts.length !== HELP_SECTIONS.length)
    throw new Error(`The guide has ${parts.length} sections, the help ${HELP_SECTIONS.length} places.`);
  return {
    title: /^# (.+)$/m.exec(head)?.[1] ?? '',
    sections: HELP_SECTIONS.map((id, place) => {
      const part = parts[place] ?? '';
      const end = part.indexOf('\n');
      return { id, title: part.slice(0, end).trim(), markdown: part.slice(end).trim() };
    }),
  };
}

const read = new Map<StaffLanguage, HelpText>();

/** The technicians' guide in a language of the staff. */
export function helpText(language: StaffLanguage): HelpText {
  const text = read.get(language) ?? partGuide(readFileSync(GUIDES[language], 'utf8'));
  read.set(language, text);
  return text;
}
