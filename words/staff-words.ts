import compile from 'icu-minify/compile';
import type { useTranslations } from 'use-intl';
import { createTranslator } from 'use-intl/core';
import formatMessage from 'use-intl/format-message';
import type { StaffLanguage } from './languages';
import { de } from './staff/de';
import { en } from './staff/en';

/** All words of the staff's screens by screen; English has every one of them. */
export type StaffMessages = typeof en;

/** Says one screen's words in one language; those of another screen are not taken for it. */
export type StaffWords<Of extends keyof StaffMessages> = ReturnType<typeof useTranslations<Of>> & { readonly of?: Of };

declare module 'use-intl' {
  interface AppConfig {
    Locale: StaffLanguage;
    Messages: StaffMessages;
  }
}

const SOURCES: Record<StaffLanguage, StaffMessages> = { en, de };

/** A catalogue with its messages (ICU MessageFormat) parsed, so that no browser needs the parser. */
function ready(words: object): object {
  const parsed = Object.entries(words).map(([key, value]) => [
    key,
    // The parser's objects have no prototype; what a page hands to its components has to have one.
    typeof value === 'string' ? JSON.parse(JSON.stringify(compile(value))) : ready(value),
  ]);
  return Object.fromEntries(parsed);
}

const made = new Map<StaffLanguage, StaffMessages>();

/**
 * All words of a language, as the formatter here wants them: the built application's takes parsed messages alone, the one
 * that tests and scripts run with parses them itself.
 */
export function readyMessages(language: StaffLanguage): StaffMessages {
  if ((formatMessage as { raw?: boolean }).raw === true) return SOURCES[language];
  const known = made.get(language);
  if (known !== undefined) return known;
  const messages = ready(SOURCES[language]) as StaffMessages;
  made.set(language, messages);
  return messages;
}

/** Says the words of one screen outside of components. */
export function staffWords<Of extends keyof StaffMessages>(language: StaffLanguage, of: Of): StaffWords<Of> {
  const options = { locale: language, messages: readyMessages(language), namespace: of, timeZone: 'UTC' };
  return createTranslator(options as never) as unknown as StaffWords<Of>;
}
