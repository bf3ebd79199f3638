import { lines } from '../bytes/lines';
import { socketName } from '../placeholder';
import { NOTHING_TOLD, type ReadModule } from '../reading';
import { foldText } from '../specification/fold-text';
import type { ListedSlot } from './module-blocks';
import { isSlotName } from './pairs';
import { eccIn, formIn, generationIn, moduleSizeIn, saysEmpty, toldRateOf } from './values';

/** A line of a slot is short. */
const LONGEST_LINE = 160;
const MOST_SLOTS = 96;
/** Lines looked at: a screen has some dozens. */
const MOST_LINES = 400;
/** One slot alone may be a machine's word on what goes into it. */
const LEAST_SLOTS = 2;

/** The name in front: up to where what is in it is told. */
const NAMED =
  /^(?<name>[\p{L}][\p{L}\d #/_.()-]{0,38}?)(?:\s*[:=]\s*|\s+-\s+|\s{2,}|\s+)(?:(?:size|capacity|gr(?:ö|o)(?:ss|ß)e|taille|tama(?:ñ|n)o|grootte|dimensione|tamanho)\s*[:=]?\s*)?(?<rest>\d[\d.,]*\s?[KMGT]i?[Bo]\b.*|(?:empty|none|not (?:installed|present|populated)|unpopulated|leer|nicht \p{L}+|frei|vide|libre|vac[ií][oa]|no instalad[oa]|leeg|niet \p{L}+|vuot[oa]|liber[oa]|non installat[oa]|vazi[oa]|livre|n\/a)\.?)$/iu;

/** What a slot may take, or what is sold: no word of what is in it. */
const NO_STATE =
  /(?<![a-z])(?:up to|max(?:imum|imal)?|supports?|supported|bis zu|jusqu|hasta|fino a|tot|ate|each|per slot|or|oder|optional)(?![a-z])/;

function moduleOf(name: string, rest: string): ReadModule | null {
  const capacityMiB = moduleSizeIn(rest);
  if (capacityMiB === null) return null;
  const generation = generationIn(rest);
  // A socket for SO-DIMMs is called so; "DIMM" is a word for any.
  const form = formIn(rest) ?? (/so-?dimm/i.test(name) ? formIn(name) : null);
  return {
    ...NOTHING_TOLD,
    capacityMiB,
    generation,
    form: form?.form ?? null,
    ecc: /(?<![a-z])ecc(?![a-z])/i.test(rest) ? eccIn(rest) : null,
    rateMTs: toldRateOf(rest, generation),
    soldered: form === null ? null : form.soldered,
  };
}

/**
 * Slots of a firmware's screen: a line each, its name and what is in it, however the columns were parted. None where fewer
 * than two lines are such, or any of them says what may be put in.
 */
export function slotsOfLines(text: string): ListedSlot[] {
  const slots: ListedSlot[] = [];
  for (const { text: raw, number } of lines(text)) {
    if (number > MOST_LINES || slots.length === MOST_SLOTS) break;
    const line = raw.trim();
    if (line.length > LONGEST_LINE) continue;
    const { name = '', rest = '' } = NAMED.exec(line)?.groups ?? {};
    if (name === '' || !isSlotName(name)) continue;
    if (NO_STATE.test(foldText(rest))) return [];
    const installed = saysEmpty(rest) ? null : moduleOf(name, rest);
    if (installed === null && !saysEmpty(rest)) continue;
    slots.push({ locator: socketName(name.trim()), bank: null, installed, line: number });
  }
  const names = new Set(slots.map(({ locator }) => locator));
  return slots.length >= LEAST_SLOTS && names.size === slots.length ? slots : [];
}

/** What a screen says of all of its memory together goes for each module that says nothing of it itself. */
export function withShared(
  slots: readonly ListedSlot[],
  shared: Pick<ReadModule, 'generation' | 'configuredRateMTs'>,
): ListedSlot[] {
  return slots.map((slot) =>
    slot.installed === null
      ? slot
      : {
          ...slot,
          installed: {
            ...slot.installed,
            generation: slot.installed.generation ?? shared.generation,
            configuredRateMTs: slot.installed.configuredRateMTs ?? shared.configuredRateMTs,
          },
        },
  );
}
