import type { ReactNode } from 'react';
import type { StaffLanguage } from '@/words/languages';
import { readyMessages } from '@/words/staff-words';
import { WordsProvider } from '../words-provider';

/** What components stand in on a page: all words, in English where nothing else is said. */
export const WithWords = ({ language = 'en', children }: { language?: StaffLanguage; children?: ReactNode }) => (
  <WordsProvider language={language} messages={JSON.stringify(readyMessages(language))}>
    {children}
  </WordsProvider>
);
