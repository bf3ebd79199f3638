import { LISTING_LIMIT } from '../../core/reading/listing/listing';
import { type PhotoLines, type PhotoWord, photoText, type WeighedPhoto } from '../../core/reading/photo/photo-words';
import { read, readAs } from '../../core/reading/read';
import type { Reading } from '../../core/reading/reading';
import type { MadePhoto } from './made-photos';

/** How one photograph was read. */
export interface PhotoScore {
  name: string;
  fields: number;
  /** read right as the words stood, nobody asked */
  right: number;
  /** read right once every question was answered from what the label truly says */
  rightAsked: number;
  /** wrong although nothing of it was asked: field, read, true */
  silent: string[];
  /** not read even then */
  missed: string[];
  questions: number;
}

function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, at) => at);
  for (const [i, letter] of [...a].entries()) {
    const next = [i + 1];
    for (const [j, other] of [...b].entries()) {
      next.push(Math.min((row[j] ?? 0) + (letter === other ? 0 : 1), (row[j + 1] ?? 0) + 1, (next[j] ?? 0) + 1));
    }
    row = next;
  }
  return row[b.length] ?? 0;
}

/** What a person at the label would answer: the word that is there; what is nothing on the label, nothing. */
function answers(lines: PhotoLines, truth: readonly string[]): Map<PhotoWord, string> {
  const words = truth.flatMap((line) => line.split(/\s+/));
  return new Map(
    lines
      .flat()
      .filter(({ sure }) => !sure)
      .map((word) => {
        const [near] = [...words].sort((a, b) => distance(word.text, a) - distance(word.text, b));
        const isNear = near !== undefined && distance(word.text, near) <= Math.max(2, near.length * 0.5);
        return [word, isNear ? near : ''];
      }),
  );
}

/** A reading's values by the names that the list of photographs has for them. */
function valuesOf(reading: Reading | null): Record<string, unknown> {
  if (reading === null) return {};
  if (reading.claims !== undefined) {
    const claims = Object.fromEntries(reading.claims.map(({ limit, value }) => [limit, String(value)]));
    return { ...claims, slotCount: reading.slotCount };
  }
  if (reading.module !== undefined) return { ...reading.module };
  const memory = reading.machine?.memory;
  const filled = memory?.slots.filter(({ installed }) => installed !== null).length;
  return { ...memory, filled: filled === 0 ? null : filled };
}

function readingOf(text: string, kind: MadePhoto['kind']): Reading | null {
  const input = new TextEncoder().encode(text.slice(0, LISTING_LIMIT));
  const result =
    kind === 'module' ? readAs(input, 'listing') : kind === 'lid' ? readAs(input, 'specification') : read(input);
  return result.ok ? result.reading : null;
}

const isSame = (value: unknown, truth: unknown): boolean => String(value) === String(truth);

/** Scores what was read off a made photograph against what it truly says. */
export function scorePhoto(photo: MadePhoto, { lines, added }: WeighedPhoto): PhotoScore {
  const whole = (said?: ReadonlyMap<PhotoWord, string>): string => [photoText(lines, said), ...added].join('\n');
  const answered = answers(lines, photo.drawing.lines);
  const plain = valuesOf(readingOf(whole(), photo.kind));
  const asked = valuesOf(readingOf(whole(answered), photo.kind));
  const truths = Object.entries(photo.fields);
  const wrong = truths.filter(([field, truth]) => !isSame(asked[field], truth));
  return {
    name: photo.name,
    fields: truths.length,
    right: truths.filter(([field, truth]) => isSame(plain[field], truth)).length,
    rightAsked: truths.length - wrong.length,
    silent: wrong
      .filter(([field]) => asked[field] !== null && asked[field] !== undefined)
      .map(([field, truth]) => `${field}: ${asked[field]} for ${truth}`),
    missed: wrong.filter(([field]) => asked[field] === null || asked[field] === undefined).map(([field]) => field),
    questions: answered.size,
  };
}
