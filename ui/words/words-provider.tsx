'use client';
import type { ReactNode } from 'react';
import { IntlProvider, type Messages } from 'use-intl';
import type { StaffLanguage } from '@/words/languages';

interface WordsProviderProps {
  language: StaffLanguage;
  /** the words of the screen, as the server made them ready */
  messages: object;
  children: ReactNode;
}

/** Gives the components of a screen their words. */
export function WordsProvider({ language, messages, children }: WordsProviderProps) {
  return (
    <IntlProvider locale={language} messages={messages as Partial<Messages>} timeZone="UTC">
      {children}
    </IntlProvider>
  );
}
