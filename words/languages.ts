/** Languages of the staff's screens (ISO 639-1). */
export const STAFF_LANGUAGES = ['en', 'de'] as const;
export type StaffLanguage = (typeof STAFF_LANGUAGES)[number];

/** What each calls itself. */
export const STAFF_LANGUAGE_NAMES: Record<StaffLanguage, string> = { en: 'English', de: 'Deutsch' };

/** How its numbers and days are written (BCP 47). */
export const STAFF_LOCALES: Record<StaffLanguage, string> = { en: 'en-GB', de: 'de-DE' };

export const isStaffLanguage = (text: string | null | undefined): text is StaffLanguage =>
  (STAFF_LANGUAGES as readonly unknown[]).includes(text);

/** The first of our languages that a browser asks for (RFC 9110, 12.5.4); English where it asks for none of them. */
export function languageAsked(accept: string | null): StaffLanguage {
  const asked = (accept ?? '').split(',', 20).map((one, place) => {
    const [tag = '', ...rest] = one.trim().toLowerCase().split(';');
    const weight = Number(/^\s*q=([\d.]{1,5})\s*$/.exec(rest.join(';'))?.[1] ?? 1);
    return { language: tag.split('-')[0], weight: Number.isFinite(weight) ? weight : 0, place };
  });
  asked.sort((a, b) => b.weight - a.weight || a.place - b.place);
  const found = asked.find(({ language, weight }) => weight > 0 && isStaffLanguage(language))?.language;
  return isStaffLanguage(found) ? found : 'en';
}
