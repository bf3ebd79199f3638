import { standsAt } from './bytes';

/** Kinds of files that are dropped by mistake, by what they begin with. */
export type OtherFile = 'archive' | 'program' | 'picture' | 'document';

const BEGINNINGS: readonly { kind: OtherFile; at: number; text: string }[] = [
  { kind: 'archive', at: 0, text: 'PK\u0003\u0004' },
  { kind: 'archive', at: 0, text: 'PK\u0005\u0006' },
  { kind: 'archive', at: 0, text: '\u001f\u008b' },
  { kind: 'archive', at: 0, text: "7z\u00bc\u00af'\u001c" },
  { kind: 'archive', at: 0, text: 'Rar!\u001a' },
  { kind: 'archive', at: 0, text: '\u00fd7zXZ\u0000' },
  { kind: 'program', at: 0, text: '\u007fELF' },
  { kind: 'program', at: 0, text: '\u00cf\u00fa\u00ed\u00fe' },
  { kind: 'program', at: 0, text: '\u00ca\u00fe\u00ba\u00be' },
  { kind: 'picture', at: 0, text: '\u0089PNG' },
  { kind: 'picture', at: 0, text: '\u00ff\u00d8\u00ff' },
  { kind: 'picture', at: 0, text: 'GIF8' },
  { kind: 'picture', at: 8, text: 'WEBP' },
  { kind: 'picture', at: 4, text: 'ftypheic' },
  { kind: 'document', at: 0, text: '%PDF' },
  { kind: 'document', at: 0, text: '\u00d0\u00cf\u0011\u00e0' },
];

/** Some programs begin with two letters that a text may begin with too: their header has zeros. */
const TWO_LETTERS = 'MZ';
const HEADER_LENGTH = 64;

/** What kind of file this is, where it is one that surely holds no report; null for all others. */
export function otherFile(bytes: Uint8Array): OtherFile | null {
  const found = BEGINNINGS.find(({ at, text }) => standsAt(bytes, at, text));
  if (found !== undefined) return found.kind;
  const header = bytes.subarray(0, HEADER_LENGTH);
  return standsAt(bytes, 0, TWO_LETTERS) && header.length === HEADER_LENGTH && header.includes(0) ? 'program' : null;
}
