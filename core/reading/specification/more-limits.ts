import type { SpecUnit } from './units';

/** A limit that a pattern finds: pairing, ranks, density, widths of chips and height. */
export type SaidMore =
  | { limit: 'pairing'; value: 'none' | 'advised' | 'required' }
  | { limit: 'maxRanksPerChannel'; value: number }
  | { limit: 'maxDeviceGbit'; value: number }
  | { limit: 'deviceWidths'; value: number[] }
  | { limit: 'clearanceMm'; value: number };
type Found = SaidMore & { start: number; end: number };

const PAIRS =
  /(?<![a-z])(?:in (?:matched |equal |identical |gleichen |abgestimmten |gelijke )?(?:pairs|paaren|paren|coppia|coppie)|paarweise|(?:par|en|em|aos) (?:paires?|pares|pares iguales)|per paar|a coppie|(?:matched|identical) pairs?)(?![a-z])/;
const MUST =
  /(?<![a-z])(?:must|required?|requires|only|mussen|muss|nur|erforderlich|doivent|doit|uniquement|deben|debe|solo|moeten|moet|alleen|devono|deve|devem|obligatoi?r\p{L}*)(?![a-z])/u;
const ADVISED =
  /(?<![a-z])(?:recommend\w*|best|optimal|advised?|should|performance|dual[- ]channel|empf\w*|sollte\w*|zweikanal|recommand\w*|meilleure?s?|recom[ei]end\w*|aanbevolen|beste|prestaties|consigliat\w*|prestazioni|rendimiento|desempenho|leistung)(?![a-z])/;
const NOT_PAIRED =
  /(?<![a-z])(?:need not|not (?:have to|required|necessary)|no need|nicht notig|nicht erforderlich|pas necessaire|no es necesario|niet nodig|non e necessario|nao e necessario|individually|einzeln|individuellement|individualmente|afzonderlijk|singolarmente)(?![a-z])/;

function pairingOf(text: string): Found | null {
  const pairs = PAIRS.exec(text);
  const single = NOT_PAIRED.exec(text);
  const place = pairs ?? single;
  if (place === null) return null;
  const span = { start: place.index, end: place.index + place[0].length };
  if (single !== null) return { limit: 'pairing', value: 'none', ...span };
  if (ADVISED.test(text) && !/(?<![a-z])(?:must|required|mussen|doivent|deben|moeten|devono|devem)(?![a-z])/.test(text))
    return { limit: 'pairing', value: 'advised', ...span };
  return {
    limit: 'pairing',
    value: MUST.test(text) || /install|einbau|bestuck|instal|einsetz|mont/.test(text) ? 'required' : 'advised',
    ...span,
  };
}

const RANKS = /(?<![\d.])(\d{1,2}) ranks? (?:per|pro|je|par|por) (?:memory )?(?:channel|kanal|canal|canale|kanaal)/;
const DENSITY = /(?<![\d.,])(\d{1,2}) ?-?(?:gbit|gb?ib)(?![a-z/])/;
const WIDTH = /(?<![a-z0-9])x(4|8|16)(?![0-9])/g;
const HEIGHT = /(?<![\d.,])(\d{2}(?:[.,]\d{1,2})?) ?mm(?![a-z])/;

/** What a unit on memory says beside sizes, rates and kinds. */
export function moreLimits(unit: SpecUnit): Found[] {
  const { text } = unit;
  const found: Found[] = [];
  const pairing = pairingOf(text);
  if (pairing !== null) found.push(pairing);
  const ranks = RANKS.exec(text);
  if (ranks !== null) found.push({ limit: 'maxRanksPerChannel', value: Number(ranks[1]), ...spanOf(ranks) });
  const density = DENSITY.exec(text);
  if (density !== null && /chip|dram|density|dichte|densite|densidad|dichtheid|densita|densidade|device/.test(text))
    found.push({ limit: 'maxDeviceGbit', value: Number(density[1]), ...spanOf(density) });
  const widths = [...text.matchAll(WIDTH)];
  const [first, last] = [widths[0], widths.at(-1)];
  if (
    first !== undefined &&
    last !== undefined &&
    /chip|device|organi[sz]|dram|baustein/.test(text) &&
    !/(?:not|no|nicht|kein)/.test(text)
  )
    found.push({
      limit: 'deviceWidths',
      value: [...new Set(widths.map(([, width]) => Number(width)))].sort((a, b) => a - b),
      start: first.index,
      end: last.index + last[0].length,
    });
  const height = HEIGHT.exec(text);
  if (
    height !== null &&
    /height|hohe|hauteur|altura|hoogte|altezza|clearance/.test(text) &&
    /modul|dimm|memory|speicher|memoir|memoria|geheugen|barrette/.test(text)
  )
    found.push({ limit: 'clearanceMm', value: Number((height[1] ?? '').replace(',', '.')), ...spanOf(height) });
  return found;
}

const spanOf = (match: RegExpExecArray): { start: number; end: number } => ({
  start: match.index,
  end: match.index + match[0].length,
});
