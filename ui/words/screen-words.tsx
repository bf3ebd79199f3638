import type { ReactNode } from 'react';
import type { StaffLanguage } from '@/words/languages';
import { readyMessages, type StaffMessages } from '@/words/staff-words';
import { screenLanguage } from './on-the-server';
import { WordsProvider } from './words-provider';

interface ScreenWordsProps {
  /** the catalogues that the components inside read, and no others: they travel with the page */
  of: readonly (keyof StaffMessages)[];
  children: ReactNode;
}

/** What was handed on before: a language and a list of catalogues, of which there are as many as there are screens. */
const made = new Map<string, string>();

function wordsText(language: StaffLanguage, of: readonly (keyof StaffMessages)[]): string {
  const key = `${language} ${of.join(' ')}`;
  const known = made.get(key);
  if (known !== undefined) return known;
  const all = readyMessages(language);
  const text = JSON.stringify(Object.fromEntries(of.map((name) => [name, all[name]])));
  made.set(key, text);
  return text;
}

/** The words of a screen in the language of the person who asks. */
export async function ScreenWords({ of, children }: ScreenWordsProps) {
  const language = await screenLanguage();
  return (
    <WordsProvider language={language} messages={wordsText(language, of)}>
      {children}
    </WordsProvider>
  );
}
