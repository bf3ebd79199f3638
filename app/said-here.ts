import { localeHere } from '@/ui/words/locale-here';
import { isStaffLanguage } from '@/words/languages';
import { sentenceIn } from '@/words/sentences';

/** A sentence of the core or the service in the language of the person who asked. */
export function saidHere(sentence: string): string {
  const language = localeHere();
  return isStaffLanguage(language) ? sentenceIn(language, sentence) : sentence;
}
