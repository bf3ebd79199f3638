import { localeHere } from '@/ui/words/locale-here';
import { isStaffLanguage } from '@/words/languages';
import { factsIn, sentenceIn } from '@/words/sentences';

/** What is said, in the language of the person who asked. */
const here =
  (say: typeof sentenceIn) =>
  (text: string): string => {
    const language = localeHere();
    return isStaffLanguage(language) ? say(language, text) : text;
  };

/** A sentence of the core or the service in the language of the person who asked. */
export const saidHere = here(sentenceIn);
/** Facts in a row in the language of the person who asked. */
export const factsHere = here(factsIn);
