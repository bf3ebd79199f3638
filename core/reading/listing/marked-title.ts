import type { ReadFact } from '../reading';

/** A piece of a title: text that was understood, with what it says, or text that was not. */
export interface TitlePiece {
  text: string;
  start: number;
  says: string[];
}

/** Words for the fields of a listing's facts; a field without words only helps to understand another. */
const FIELD_WORDS: Record<string, string> = {
  capacityMiB: 'capacity',
  printedMiB: 'capacity',
  modules: 'modules',
  kitOf: 'modules',
  pieces: 'modules',
  kit: 'kit',
  generation: 'generation',
  lowVoltage: 'low voltage',
  rateMTs: 'rate',
  casLatency: 'CL',
  timings: 'timings',
  form: 'form',
  use: 'form',
  pins: 'pins',
  buffering: 'buffering',
  ecc: 'ECC',
  eccByKind: 'ECC',
  ranks: 'ranks',
  deviceWidth: 'chip width',
  voltageMv: 'voltage',
  heightMm: 'height',
  lowProfile: 'low profile',
  condition: 'condition',
  priceCents: 'price',
  currency: 'currency',
  part: 'part',
};

/** A title cut into pieces, in order and without loss: what was understood, and as what; and what was not. */
export function markedTitle(title: string, facts: readonly ReadFact[]): TitlePiece[] {
  const pieces: TitlePiece[] = [];
  const plain = (start: number, end: number): void => {
    if (end > start) pieces.push({ text: title.slice(start, end), start, says: [] });
  };
  let at = 0;
  for (const { field, start, end } of [...facts].sort((a, b) => a.start - b.start || b.end - a.end)) {
    const word = FIELD_WORDS[field];
    const last = pieces.at(-1);
    if (word === undefined || end <= start) continue;
    if (last !== undefined && last.says.length > 0 && start < at) {
      // Facts of one place are one piece: `PC4-2666V` says generation, rate and CL.
      if (!last.says.includes(word)) last.says.push(word);
      continue;
    }
    plain(at, start);
    pieces.push({ text: title.slice(start, end), start, says: [word] });
    at = end;
  }
  plain(at, title.length);
  return pieces;
}
