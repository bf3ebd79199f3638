import type { Kind } from '@/core/memory/module';
import { type LimitRow, limitText } from './limit-words';
import { type ParsedLimit, parseLimit } from './parse-limit';

const unbuffered: Kind = { buffering: 'unbuffered', ecc: false };
const unbufferedEcc: Kind = { buffering: 'unbuffered', ecc: true };
const registered: Kind = { buffering: 'registered', ecc: true };
const loadReduced: Kind = { buffering: 'load-reduced', ecc: true };
const fullyBuffered: Kind = { buffering: 'fully-buffered', ecc: true };

const KIND_CHOICES: readonly { value: string; text: string; kinds: Kind[] }[] = [
  { value: 'u', text: 'unbuffered', kinds: [unbuffered] },
  { value: 'ue', text: 'unbuffered, with or without ECC', kinds: [unbuffered, unbufferedEcc] },
  { value: 'e', text: 'unbuffered ECC', kinds: [unbufferedEcc] },
  { value: 'r', text: 'registered ECC', kinds: [registered] },
  { value: 'er', text: 'ECC, unbuffered or registered', kinds: [unbufferedEcc, registered] },
  { value: 'lr', text: 'registered or load-reduced ECC', kinds: [registered, loadReduced] },
  { value: 'l', text: 'load-reduced ECC', kinds: [loadReduced] },
  { value: 'f', text: 'fully buffered ECC', kinds: [fullyBuffered] },
];

/** The few values that a limit may have, to choose from; null: it is typed. */
export function choicesOf(row: LimitRow): readonly { value: string; text: string }[] | null {
  if (row.sort === 'kinds') return KIND_CHOICES;
  if (row.sort === 'yes') return ['yes', 'no'].map((one) => ({ value: one, text: one }));
  return row.words?.map((one) => ({ value: one, text: one })) ?? null;
}

/** A limit's value as it stands in the field before anybody types. */
export function typedText(row: LimitRow, value: unknown): string {
  if (value === undefined) return row.words?.[0] ?? (row.sort === 'kinds' ? 'u' : row.sort === 'yes' ? 'yes' : '');
  if (row.sort === 'kinds') {
    return KIND_CHOICES.find(({ kinds }) => JSON.stringify(kinds) === JSON.stringify(value))?.value ?? 'u';
  }
  return limitText(row.sort, value);
}

/** What was typed or chosen as the limit's value. */
export function typedValue(row: LimitRow, text: string): ParsedLimit {
  if (row.sort !== 'kinds') return parseLimit(row.sort, text, row.list === true);
  return { ok: true, value: KIND_CHOICES.find(({ value }) => value === text)?.kinds };
}
