import type { ReactNode } from 'react';
import { readyMessages, type StaffMessages } from '@/words/staff-words';
import { screenLanguage } from './on-the-server';
import { WordsProvider } from './words-provider';

interface ScreenWordsProps {
  /** the catalogues that the components inside read, and no others: they travel with the page */
  of: readonly (keyof StaffMessages)[];
  children: ReactNode;
}

/** The words of a screen in the language of the person who asks. */
export async function ScreenWords({ of, children }: ScreenWordsProps) {
  const language = await screenLanguage();
  const all = readyMessages(language);
  const messages = Object.fromEntries(of.map((name) => [name, all[name]]));
  return (
    <WordsProvider language={language} messages={messages}>
      {children}
    </WordsProvider>
  );
}
