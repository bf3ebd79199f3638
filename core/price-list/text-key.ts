const SIGN = '~';
const SHOWN = 60;

/** Two passes of FNV-1a over a text, 64 bits in hexadecimal: enough to tell the rows of one list apart. */
function hashOf(text: string): string {
  const pass = (seed: number): string => {
    let hash = seed;
    for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
    return (hash >>> 0).toString(16).padStart(8, '0');
  };
  return pass(0x811c9dc5) + pass(0x01234567);
}

/**
 * What stands for the number of a row that has none: its text and everything else that it says beside price and stock, so
 * that the next list finds it again and its like are told apart.
 */
export function textKey(title: string, said: readonly string[]): string {
  const plain = (text: string) => text.toLowerCase().replace(/\s+/g, ' ').trim();
  return `${SIGN}${plain(title).slice(0, SHOWN)} ${hashOf(said.map(plain).join('\t'))}`;
}

/** Is this a text in place of a number? A seller would not know it. */
export const isTextKey = (sku: string | null): boolean => sku?.startsWith(SIGN) === true;
