import type { Origin } from '../planning/model/lanes';

/** What a list's cell says of an origin; `original` may name whose. */
export interface CellOrigin {
  origin: Origin;
  /** the maker that the cell names; empty: none */
  maker: string;
}

const ORIGINAL =
  /^(?:originals?|original[- ]?(?:teile?|ersatzteile?|parts?)?|genuin[eoa]?(?: parts?)?|oem|origine|d[’' ]origine|originale|origineel|originele|factory|maker|manufacturer|hersteller(?:teil)?|fabricant|fabricante|produttore|fabrikant|o)\b[\s:,/-]*(?:of|von|de|di|van|part|teil|pièce)?\s*/iu;
const THIRD =
  /^(?:third[- ]?party|3rd[- ]?party|compatib\p{L}*|kompatib\p{L}*|compat[ií]v?e?b?l?e?|aftermarket|alternativ\p{L}*|fremd\p{L}*|nachbau|generic|generisch|neutral|drittanbieter|tiers|adaptable|terceros|tercero|merkloos|huismerk|t|n|no|nein|non|nee)\.?$/iu;
const USED =
  /^(?:used|refurb\p{L}*|pre[- ]?owned|second[- ]?hand|gebraucht\p{L}*|generalüberholt|occasion|reconditionn\p{L}*|usado|usato|gebruikt|tweedehands|recondicionad\p{L}*|ricondizionat\p{L}*|grade [a-d]|[a-d]-?ware)$/iu;
const YES = /^(?:y|yes|ja|j|oui|s[ií]|sim|x|✓|1|true)$/iu;

/** What a cell of a column of origins says; null: nothing that is known. An empty cell says nothing either. */
export function originCell(cell: string): CellOrigin | null {
  const text = cell.trim();
  if (text === '') return null;
  if (USED.test(text)) return { origin: 'used', maker: '' };
  if (THIRD.test(text)) return { origin: 'third-party', maker: '' };
  if (YES.test(text)) return { origin: 'original', maker: '' };
  const found = ORIGINAL.exec(text);
  if (found === null) return null;
  return { origin: 'original', maker: text.slice(found[0].length).trim().slice(0, 80) };
}

const MOST_MODELS = 40;
const LONGEST = 80;

/** Models that a cell lists, parted as lists part them. */
export function modelsCell(cell: string): string[] {
  const names = cell
    .split(/\s*[,;|\n]\s*|\s+\/\s+|\s+(?:and|und|et)\s+/iu)
    .map((name) => name.trim())
    .filter((name) => name.length > 1 && name.length <= LONGEST);
  return [...new Set(names)].slice(0, MOST_MODELS);
}
