'use client';
import { type ReactNode, useMemo } from 'react';
import { IntlProvider, type Messages } from 'use-intl';
import type { StaffLanguage } from '@/words/languages';

interface WordsProviderProps {
  language: StaffLanguage;
  /** the words of the screen as the server made them ready, as JSON: one text is read at once, a tree of props is not */
  messages: string;
  children: ReactNode;
}

/** Gives the components of a screen their words. */
export function WordsProvider({ language, messages, children }: WordsProviderProps) {
  const words = useMemo(() => JSON.parse(messages) as Partial<Messages>, [messages]);
  return (
    <IntlProvider locale={language} messages={words} timeZone="UTC">
      {children}
    </IntlProvider>
  );
}
