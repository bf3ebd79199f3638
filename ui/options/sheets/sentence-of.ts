/** Words as a sentence: `saves €4.00` becomes `Saves €4.00.` */
export const sentenceOf = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
