import { readFileSync } from 'node:fs';
import * as fontkit from 'fontkit';
import { packageFile } from '../../runtime/programs';
import { unpackedFont } from './unpacked-font';

export type Weight = 'regular' | 'bold';
const NUMBER: Record<Weight, number> = { regular: 400, bold: 700 };

/** Faces in the order they are asked: our own, then those for letters that it has not. */
const FACES = [
  ['archivo', 'latin'],
  ['archivo', 'latin-ext'],
  ['archivo', 'vietnamese'],
  ['noto-sans', 'latin-ext'],
  ['noto-sans', 'cyrillic'],
  ['noto-sans', 'cyrillic-ext'],
  ['noto-sans', 'greek'],
  ['noto-sans', 'greek-ext'],
  ['noto-sans-hebrew', 'hebrew'],
  ['noto-sans-arabic', 'arabic'],
  ['noto-sans', 'devanagari'],
  ['noto-sans-thai', 'thai'],
  ['noto-emoji', 'emoji'],
] as const;

/** A face by its place among all. */
export type Face = number;

interface Loaded {
  bytes: Buffer;
  letters: ReadonlySet<number>;
}

/** Letters that were looked for already; a paper's letters are few, and nobody fills this from outside. */
const found = new Map<string, Face | null>();
const MOST_FOUND = 20_000;

const loaded = new Map<string, Loaded>();

function load(face: Face, weight: Weight): Loaded {
  const [family, subset] = FACES[face] ?? FACES[0];
  const key = `${family} ${subset} ${weight}`;
  const known = loaded.get(key);
  if (known !== undefined) return known;
  const name = `${family}-${subset}-${NUMBER[weight]}-normal.woff`;
  const bytes = unpackedFont(readFileSync(packageFile(`@fontsource/${family}/files/${name}`)));
  const font = fontkit.create(bytes);
  const made = { bytes, letters: new Set('characterSet' in font ? font.characterSet : []) };
  loaded.set(key, made);
  return made;
}

/** The bytes of a face (OpenType), read once. */
export const faceBytes = (face: Face, weight: Weight): Buffer => load(face, weight).bytes;

/** Letters that are drawn by what they stand beside, and by no face themselves: joiners and variation selectors. */
const UNDRAWN = /\u200c|\u200d|\ufe0e|\ufe0f/;

/** The first face that has all letters of what is read as one; null: none has. */
export function faceOf(cluster: string, weight: Weight): Face | null {
  const key = `${weight} ${cluster}`;
  const known = found.get(key);
  if (known !== undefined) return known;
  const face = findFace(cluster, weight);
  if (found.size < MOST_FOUND) found.set(key, face);
  return face;
}

function findFace(cluster: string, weight: Weight): Face | null {
  const letters = [...cluster].filter((letter) => !UNDRAWN.test(letter));
  const has = (face: Face) => letters.every((letter) => load(face, weight).letters.has(letter.codePointAt(0) ?? 0));
  const face = FACES.findIndex((_, at) => has(at));
  return face < 0 ? null : face;
}
