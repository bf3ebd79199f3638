import { NOTHING_TOLD, type ReadMachine, type ReadModule, type ReadSlot } from '../reading';
import { foldText } from '../specification/fold-text';
import { formIn, generationIn, sizeIn, toldRateOf } from './values';

/** What a performance panel shows of memory. Sizes MiB, rates MT/s. */
export interface Panel {
  installedMiB: number | null;
  used: number;
  slots: number;
  module: ReadModule;
}

/** Filled slots of all slots, in any of the languages: `2 of 4`, `2 von 4`, `2/4`. */
const OF = /(?<![\d.,])(?<used>\d{1,2}) ?(?:of|von|sur|de|van|di|da|\/|out of) ?(?<slots>\d{1,2})(?![\d.,:%/])/g;
const ALONE = /^(?<used>\d{1,2}) (?:[a-wyz]{1,4}|\/) (?<slots>\d{1,2})$/;
const SLOT_WORD = /slots?|steckpl|emplacement|ranura|sleu|zoccol|alloggiament|socket|banc|dimms?(?![a-z])/;
const SPEED_WORD = /speed|geschwindigkeit|takt|vitesse|velocidad|snelheid|velocita|velocidade|frequen|frecuen/;
const FORM_WORD = /form|facteur|fattore|fator|factor/;

/** A panel is short: what is longer is something else. */
const MOST_LINES = 60;
const MOST_SLOTS = 64;

/** Pieces of a panel's text: its lines, and what dots or bars part on them. */
const piecesOf = (text: string): string[] =>
  text
    .split(/\r?\n| [·•|] |[·•|]/)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '');

/** A label on a line of its own goes with the value below it. */
function labelled(pieces: readonly string[]): { label: string; value: string }[] {
  return pieces.map((piece, index) => {
    const [label = '', ...rest] = piece.split(/[:\t]/);
    const value = rest.join(':').trim();
    const next = pieces[index + 1] ?? '';
    return value === ''
      ? { label: foldText(label), value: /^\d|dimm/i.test(next) ? next : piece }
      : { label: foldText(label), value };
  });
}

function usedIn(rows: readonly { label: string; value: string }[]): { used: number; slots: number } | null {
  const rated = rows.some(({ value }) => /\d ?(?:mhz|mt\/s)/i.test(value));
  for (const { label, value } of rows) {
    const folded = foldText(value);
    const alone = ALONE.exec(folded)?.groups;
    // Where the words are unknown, the shape of the value and a rate in the panel tell it.
    if (alone !== undefined && rated && Number(alone.used) <= Number(alone.slots) && Number(alone.slots) <= MOST_SLOTS)
      return { used: Number(alone.used), slots: Number(alone.slots) };
    for (const { groups } of folded.matchAll(OF)) {
      const [used, slots] = [Number(groups?.used), Number(groups?.slots)];
      if (slots >= used && slots > 0 && slots <= MOST_SLOTS && SLOT_WORD.test(`${label} ${folded}`))
        return { used, slots };
    }
  }
  return null;
}

/** Reads a panel's copied text; null: it counts no slots, or is none. */
export function readPanel(text: string): Panel | null {
  const pieces = piecesOf(text);
  if (pieces.length > MOST_LINES || pieces.length < 2) return null;
  const rows = labelled(pieces);
  const counted = usedIn(rows);
  if (counted === null) return null;
  const generation = pieces.map(generationIn).find((name) => name !== null) ?? null;
  const head =
    pieces.find((piece) => sizeIn(piece) !== null && generationIn(piece) !== null) ??
    pieces.find(
      (piece) => /^(?:[\p{L} ]{0,24}[:\t ]? ?)?\d[\d.,]* ?[GT][Bo](?: |$)/u.test(piece) && !/[/]/.test(piece),
    );
  const speed =
    rows.find(({ label, value }) => SPEED_WORD.test(label) && /\d{3}/.test(value))?.value ??
    pieces.find((piece) => /\d ?(?:mhz|mt\/s)/i.test(piece));
  const formed =
    rows.find(({ label, value }) => FORM_WORD.test(label) && formIn(value) !== null)?.value ??
    pieces.find((piece) => formIn(piece)?.form != null && !/\d/.test(piece));
  const form = formed === undefined ? null : formIn(formed);
  if (speed === undefined && form === null && generation === null && head === undefined) return null;
  const total = head === undefined ? null : sizeIn(head);
  const installedMiB = total !== null && Number.isInteger(total) ? total : null;
  return {
    ...counted,
    installedMiB,
    module: {
      ...NOTHING_TOLD,
      // One module holds all of it; how several share it is not told.
      capacityMiB: counted.used === 1 ? installedMiB : null,
      generation,
      form: form?.form ?? null,
      configuredRateMTs: speed === undefined ? null : toldRateOf(speed, generation),
      soldered: form === null ? null : form.soldered,
    },
  };
}

/** A panel's slots: as many as it counts, the filled ones first. */
export function slotsOfPanel({ used, slots, module }: Panel): ReadSlot[] {
  return Array.from({ length: slots }, (_, index) => ({
    locator: null,
    bank: null,
    installed: index < used ? module : null,
  }));
}

/** A panel's memory within a machine. */
export function withPanel(machine: ReadMachine, panel: Panel): ReadMachine {
  const { installedMiB } = panel;
  return {
    ...machine,
    memory: {
      ...machine.memory,
      slotCount: panel.slots,
      ...(installedMiB === null ? {} : { installedMiB }),
      slots: slotsOfPanel(panel),
    },
  };
}
