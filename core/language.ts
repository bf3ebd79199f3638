/** Languages of what a customer reads (ISO 639-1). The shop itself works in English. */
export const LANGUAGES = ['en', 'de', 'fr'] as const;
export type Language = (typeof LANGUAGES)[number];

/** What each calls itself. */
export const LANGUAGE_NAMES: Record<Language, string> = { en: 'English', de: 'Deutsch', fr: 'Français' };

/** Where its numbers, amounts and days are written so (BCP 47). */
export const LOCALES: Record<Language, string> = { en: 'en-GB', de: 'de-DE', fr: 'fr-FR' };
