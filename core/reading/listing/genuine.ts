/** What a text says of where a part comes from. */
export interface SaidOrigin {
  /** it is the machine maker's own part */
  isGenuine: boolean;
  /** it is said to be made by somebody else for that machine */
  isCompatible: boolean;
  /** machines that it is said to be for, as written */
  madeFor: string[];
}

/** Words for a maker's own part: English, German, French, Spanish, Dutch, Italian, Portuguese. */
const GENUINE =
  /\b(genuine|originals?|original[- ]?(?:teile?|ersatzteile?)|originele|origineel|originale|originais|genuin[oa]|d[’' ]origine|recambio original|ricambio originale|peça original|factory part|manufacturer[’']?s own|maker[’']?s own)(?![\p{L}\p{N}])/iu;

/** Words after or before which "original" is about something else than the part. */
const NOT_ORIGIN =
  /\b(?:original[- ]?(?:verpackung|verpackt|karton|box|packaging|packung|packed|carton|price|preis|chips?)|(?:kein|nicht|not|non|no)[- ]+(?:an?[- ]+)?originals?|replaces? (?:the )?originals?|ersetzt (?:das )?original|remplace l[’']original|instead of (?:the )?original)/giu;

/** Words for a part that somebody else makes for a machine. */
const COMPATIBLE =
  /\b(compatib(?:le|ilit)\p{L}*|kompatib(?:el|le)\p{L}*|adaptables?|compatibel\p{L}*|compatib[ií]l\p{L}*|compat[ií](?:bel|ble|vel)\p{L}*|equivalent|third[- ]party|aftermarket|fremdhersteller|passend f[üu]e?r|nachbau|alternativ\p{L}*)(?![\p{L}\p{N}])/iu;

/** What stands before the machines that a part is for. */
const FOR = /\b(?:for|f[üu]r|fuer|pour|para|voor|per|fits)\s+(?:the\s+|den\s+|die\s+|le\s+|la\s+)?/giu;

const LONGEST = 80;
const MOST = 20;
/** Texts are read so far. */
const LONGEST_TEXT = 2_000;

/** Words that end a list of machines. */
const END = /[|()[\]–—:]|\s-\s|\.(?:\s|$)|\b(?:with|mit|avec|con|met|com|by|von|new|neu|used|ddr\d?)\b/iu;

/** A model's name has a figure in it, or begins with a capital. */
const looksLikeName = (text: string): boolean => /\d/.test(text) || /^\p{Lu}/u.test(text);

/** Prices stand in titles as well. */
const PRICE = /^[€$£]|\d[.,]\d{2}(?!\d)|\b(?:eur|usd|gbp|chf|nok|sek|dkk)\b/i;

const USES =
  /^(?:\d+\s*(?:[gmt][bo]|mhz|mt|pin)\b|laptops?|notebooks?|desktops?|pcs?|servers?|workstations?|all models|games?|gaming|office)\b/i;

function machinesIn(text: string): string[] {
  const machines: string[] = [];
  FOR.lastIndex = 0;
  for (let found = FOR.exec(text); found !== null; found = FOR.exec(text)) {
    const rest = text.slice(FOR.lastIndex, FOR.lastIndex + 400);
    const end = END.exec(rest);
    const list = end === null ? rest : rest.slice(0, end.index);
    for (const piece of list.split(/\s*[,;/+]\s*|\s+(?:and|und|et|y|en|e|or|oder|ou)\s+/iu)) {
      const name = piece.trim();
      if (name.length >= 2 && name.length <= LONGEST && looksLikeName(name) && !USES.test(name) && !PRICE.test(name))
        machines.push(name);
    }
  }
  return [...new Set(machines)].slice(0, MOST);
}

/** Few texts say it: the others are passed by quickly. */
export const mayBeGenuine = (text: string): boolean => /genuin|origin|own|factory/i.test(text);

/** What a title or a page's words say of where a part comes from; a word for a stranger's part outweighs "original". */
export function saidOrigin(text: string): SaidOrigin {
  const read = text.slice(0, LONGEST_TEXT);
  const isCompatible = COMPATIBLE.test(read);
  const isGenuine = !isCompatible && GENUINE.test(read.replace(NOT_ORIGIN, ' '));
  return { isGenuine, isCompatible, madeFor: isGenuine ? machinesIn(read) : [] };
}
