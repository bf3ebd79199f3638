import { cookies, headers } from 'next/headers';
import { cache, use } from 'react';
import { isStaffLanguage, languageAsked, type StaffLanguage } from '@/words/languages';
import { type StaffMessages, type StaffWords, staffWords } from '@/words/staff-words';
import { LANGUAGE_COOKIE } from './language-cookie';
import { noteLocale } from './locale-here';

/* What `#translations` is in components of the server: they have no provider, so the words follow from the request. */

/** The language of the person who asks: chosen once, else as the browser asks. */
export const screenLanguage = cache(async (): Promise<StaffLanguage> => {
  const chosen = (await cookies()).get(LANGUAGE_COOKIE)?.value;
  const language = isStaffLanguage(chosen) ? chosen : languageAsked((await headers()).get('accept-language'));
  noteLocale(language);
  return language;
});

/** The words of a screen in an async component. */
export async function getTranslations<Of extends keyof StaffMessages>(of: Of): Promise<StaffWords<Of>> {
  return staffWords(await screenLanguage(), of);
}

/** The words of a screen in any other component of the server. */
export function useTranslations<Of extends keyof StaffMessages>(of: Of): StaffWords<Of> {
  return staffWords(use(screenLanguage()), of);
}
