import { EDGE_GENERATIONS, GENERATION_FACTS, GENERATIONS, type Generation, isLowPower } from '../../memory/generation';
import { rateOfLabel } from '../../memory/labels';
import { printedRate } from '../../memory/printed-rate';
import { foldText } from '../specification/fold-text';

const UNIT_MIB: Record<string, number> = { k: 1 / 1024, m: 1, g: 1024, t: 1024 * 1024 };
const SIZE =
  /(?<![\w.,])(?<number>\d{1,3}(?:[.,'\u00a0\u202f ]\d{3})+|\d{1,12}(?:[.,]\d{1,3})?) ?(?<unit>k|m|g|t)(?:i?b|bytes?|o)(?![a-z/])/i;
const BYTES =
  /(?<![\w.,])(?<number>\d{1,3}(?:[.,'\u00a0\u202f ]\d{3}){2,}|\d{7,15}) ?(?:bytes?|b|octets?|byte)?(?![\w.,])/i;
const BYTES_PER_MIB = 1024 * 1024;

/** More gigabytes than this are none. */
const MOST_GB = 4096;

/** A number as any of the languages writes it: groups of three digits, or decimals behind the last mark. */
export function plainNumber(text: string): number {
  const groups = /^\d{1,3}(?:([.,'\u00a0\u202f ])\d{3})+$/.exec(text);
  return Number(groups === null ? text.replace(',', '.') : text.replace(/[.,'\u00a0\u202f ]/g, ''));
}

/** A size with its unit in MiB, not rounded; null where the text has none. */
export function sizeIn(text: string): number | null {
  const found = SIZE.exec(text);
  if (found === null) return null;
  const { number = '', unit = 'g' } = found.groups ?? {};
  const whole = plainNumber(number);
  // "15.879 GB" has three decimals: no machine has that many gigabytes.
  const isDecimal = unit.toLowerCase() === 'g' && whole > MOST_GB;
  const mib = (isDecimal ? Number(number.replace(',', '.')) : whole) * (UNIT_MIB[unit.toLowerCase()] ?? 0);
  return Number.isFinite(mib) && mib > 0 ? mib : null;
}

/** A module's size in MiB: with a unit, or as a count of bytes. */
export function moduleSizeIn(text: string): number | null {
  const mib = sizeIn(text);
  if (mib !== null) return Number.isInteger(mib) ? mib : null;
  const bytes = BYTES.exec(text)?.groups?.number;
  const whole = bytes === undefined ? Number.NaN : plainNumber(bytes) / BYTES_PER_MIB;
  return Number.isInteger(whole) && whole > 0 ? whole : null;
}

const NAMED = /(?<![a-z0-9])(?<low>lp)?-?ddr(?:[ -]?(?<digit>[1-5])(?!\d))?(?<mark>x)?(?:l(?![a-z]))?(?![a-z])/;
/** Labels of DDR modules, which have no digit of a generation (JEDEC 21-C 4.20). */
const DDR_LABEL = /(?<![a-z0-9])pc-?(?<number>1600|2100|2700|3200)(?![0-9])/;
const LABELLED = /(?<![a-z0-9])pc(?<digit>[2-5])l?-?(?<number>\d{3,5})/;

/** The generation that a value names; null where it names none. */
export function generationIn(text: string): Generation | null {
  const folded = foldText(text);
  const found = NAMED.exec(folded);
  if (found === null) {
    const digit = LABELLED.exec(folded)?.groups?.digit;
    if (digit !== undefined) return EDGE_GENERATIONS.find((name) => name === `DDR${digit}`) ?? null;
    return /(?<![a-z0-9])(?:sdram|sdr)(?![a-z0-9])/.test(folded) ? 'SDR' : null;
  }
  const { low = '', digit = '', mark = '' } = found.groups ?? {};
  const name = `${low}ddr${digit === '1' ? '' : digit}`.toUpperCase();
  return (
    GENERATIONS.find((one) => one === `${name}${mark.toUpperCase()}`) ?? GENERATIONS.find((one) => one === name) ?? null
  );
}

const RATE = /(?<![\w.,])(?<rate>\d{2,5})(?:[.,]\d{1,2})? ?(?:mt\/s|mts|mt|mhz|mbps)(?![a-z])/;
const IN_NAME = /ddr[2-5]?l?[ -](?<rate>\d{3,5})(?![0-9])/;

/** A rate in MT/s as a label or a name says it: `DDR4-2666`, `PC4-21300`. Surer than a number of MHz. */
export function labelledRateIn(text: string): number | null {
  const folded = foldText(text);
  const ddr = DDR_LABEL.exec(folded)?.groups?.number;
  if (ddr !== undefined) return rateOfLabel('DDR', Number(ddr));
  const label = LABELLED.exec(folded)?.groups;
  if (label !== undefined) {
    const generation = EDGE_GENERATIONS.find((name) => name === `DDR${label.digit}`);
    return generation === undefined ? null : rateOfLabel(generation, Number(label.number));
  }
  const named = IN_NAME.exec(folded)?.groups?.rate;
  return named === undefined ? null : printedRate(Number(named));
}

/** A rate with its unit, MT/s as printed; null where the text has none. */
export function rateIn(text: string): number | null {
  const found = RATE.exec(foldText(text))?.groups?.rate;
  return found === undefined || Number(found) < 66 ? null : printedRate(Number(found));
}

/**
 * A rate of a module of a known generation. A number below all its standard rates is the clock, half the rate; one that is
 * both a rate and the clock of another is not told, unless the text says transfers.
 */
export function toldRateOf(text: string, generation: Generation | null): number | null {
  const labelled = labelledRateIn(text);
  if (labelled !== null) return labelled;
  const rate = rateIn(text);
  if (rate === null || generation === null || isLowPower(generation) || /mt/i.test(text)) return rate;
  const rates = GENERATION_FACTS[generation].ratesMTs;
  const doubled = printedRate(Math.round(rate * 2));
  const isRate = rates.includes(rate);
  const isClock = generation !== 'SDR' && rates.some((one) => Math.abs(one - rate * 2) <= 2);
  if (isRate) return isClock ? null : rate;
  return isClock ? (rates.find((one) => Math.abs(one - doubled) <= 2) ?? doubled) : rate;
}

const FORMS: readonly { words: RegExp; form: string | null; soldered: boolean }[] = [
  { words: /so-?(?:u|r)?dimm|sodimm/, form: 'SO-DIMM', soldered: false },
  {
    words: /row of chips|chipreihe|rangee de puces|fila de chips|rij chips|solder|verlotet|soude|onboard|on board/,
    form: null,
    soldered: true,
  },
  { words: /camm/, form: 'CAMM2', soldered: false },
  { words: /(?:u|r|lr|fb-?|nv)?dimm/, form: 'DIMM', soldered: false },
];

/** A form in the words of the trade; null where the value names none. */
export function formIn(text: string): { form: string | null; soldered: boolean } | null {
  const folded = foldText(text);
  return FORMS.find(({ words }) => words.test(folded)) ?? null;
}

const EMPTY =
  /^(?:empty|none|not (?:installed|present|populated)|no (?:module|dimm|memory)(?: installed)?|unpopulated|available|free|leer|nicht (?:belegt|vorhanden|bestuckt|installiert)|frei|kein modul|vide|libre|non (?:installee?|occupe|utilise)|vaci[oa]|no instalad[oa]|libre|leeg|niet (?:bezet|geplaatst|geinstalleerd)|vrij|vuoto|non installat[oa]|libero|vazi[oa]|livre|nao instalad[oa]|0 ?[kmg]?i?b|0|-+|n\/a)$/;

/** Does a value say that nothing is there? */
export const saysEmpty = (text: string): boolean => EMPTY.test(foldText(text.trim().replace(/[.[\]()]/g, '')));

const NO_ECC =
  /(?<![a-z])(?:disabled|deaktiviert|aus|off|none|no|not|non|nein|keine?|nicht|desactivee?|aucune?|pas|desactivad[oa]|ninguna?|no|uitgeschakeld|geen|disabilitat[oa]|disattivat[oa]|nessuna?|desativad[oa]|nenhuma?|nao|non-?ecc)(?![a-z])/;
const ECC =
  /(?<![a-z])(?:enabled|aktiviert|ein|on|yes|ja|oui|si|sim|activee?|activad[oa]|ingeschakeld|abilitat[oa]|attivat[oa]|ativad[oa]|ecc|single-?bit|multi-?bit|sec-?ded)(?![a-z])/;

/** Error correction as a value says it: none, some, or nothing sure. */
export function eccIn(text: string): boolean | null {
  const folded = foldText(text);
  if (NO_ECC.test(folded)) return false;
  return ECC.test(folded) ? true : null;
}
