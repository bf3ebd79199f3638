import { foldText } from '../../reading/specification/fold-text';

const wordsIn = (text: string): string[] => foldText(text).match(/[a-z\d]+/g) ?? [];

/** Does a text hold all words of a name, one after the other? */
export function namedIn(name: string, text: string): boolean {
  const words = wordsIn(name);
  return words.length > 0 && ` ${wordsIn(text).join(' ')} `.includes(` ${words.join(' ')} `);
}
