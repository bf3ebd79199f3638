import type { ReactNode } from 'react';
import { readyMessages } from '@/words/staff-words';
import { WordsProvider } from '../words-provider';

/** What components stand in on a page: all words, in English. */
export const WithWords = ({ children }: { children?: ReactNode }) => (
  <WordsProvider language="en" messages={readyMessages('en')}>
    {children}
  </WordsProvider>
);
