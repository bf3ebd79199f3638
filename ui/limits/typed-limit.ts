import type { Kind } from '@/core/memory/module';
import { worded } from '@/ui/words/worded';
import type { StaffWords } from '@/words/staff-words';
import { type LimitRow, limitText, valueWord } from './limit-words';
import { type ParsedLimit, parseLimit } from './parse-limit';

const unbuffered: Kind = { buffering: 'unbuffered', ecc: false };
const unbufferedEcc: Kind = { buffering: 'unbuffered', ecc: true };
const registered: Kind = { buffering: 'registered', ecc: true };
const loadReduced: Kind = { buffering: 'load-reduced', ecc: true };
const fullyBuffered: Kind = { buffering: 'fully-buffered', ecc: true };

const KIND_CHOICES = [
  { value: 'u', text: 'kinds.plain', kinds: [unbuffered] },
  { value: 'ue', text: 'kinds.unbuffered', kinds: [unbuffered, unbufferedEcc] },
  { value: 'e', text: 'kinds.unbufferedEcc', kinds: [unbufferedEcc] },
  { value: 'r', text: 'kinds.registered', kinds: [registered] },
  { value: 'er', text: 'kinds.ecc', kinds: [unbufferedEcc, registered] },
  { value: 'lr', text: 'kinds.registeredOrLr', kinds: [registered, loadReduced] },
  { value: 'l', text: 'kinds.lr', kinds: [loadReduced] },
  { value: 'f', text: 'kinds.fb', kinds: [fullyBuffered] },
] as const satisfies readonly { value: string; text: string; kinds: Kind[] }[];

const YES_OR_NO = [
  { value: 'yes', text: 'values.yes' },
  { value: 'no', text: 'values.no' },
] as const;

/** The few values that a limit may have, to choose from; null: it is typed. */
export function choicesOf(t: StaffWords<'limits'>, row: LimitRow): readonly { value: string; text: string }[] | null {
  if (row.sort === 'kinds') return worded(t, KIND_CHOICES);
  if (row.sort === 'yes') return worded(t, YES_OR_NO);
  return row.words?.map((one) => ({ value: one, text: valueWord(t, one) })) ?? null;
}

/** A limit's value as it stands in the field before anybody types. */
export function typedText(t: StaffWords<'limits'>, row: LimitRow, value: unknown): string {
  if (value === undefined) return row.words?.[0] ?? (row.sort === 'kinds' ? 'u' : row.sort === 'yes' ? 'yes' : '');
  if (row.sort === 'kinds') {
    return KIND_CHOICES.find(({ kinds }) => JSON.stringify(kinds) === JSON.stringify(value))?.value ?? 'u';
  }
  return limitText(t, row.sort, value);
}

/** What was typed or chosen as the limit's value. */
export function typedValue(t: StaffWords<'limits'>, row: LimitRow, text: string): ParsedLimit {
  if (row.sort !== 'kinds') return parseLimit(t, row.sort, text, row.list === true);
  return { ok: true, value: KIND_CHOICES.find(({ value }) => value === text)?.kinds };
}
