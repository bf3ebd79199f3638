import { GENERATIONS } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { ColumnRole } from '@/core/price-list/column-roles';
import type { ReviewGroup, Suspicion } from '@/core/price-list/compare-list';
import { type RowFix, rowFixSchema } from '@/core/price-list/correct-row';
import { originCell } from '@/core/price-list/origin-cell';
import type { RowDoubt } from '@/core/price-list/read-row';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { StaffWords } from '@/words/staff-words';

export const ROLE_TEXTS = {
  sku: 'lists.roles.number',
  title: 'lists.roles.text',
  price: 'lists.roles.price',
  currency: 'lists.roles.currency',
  stock: 'lists.roles.stock',
  capacity: 'lists.roles.capacity',
  modules: 'lists.roles.modules',
  generation: 'lists.roles.generation',
  form: 'lists.roles.form',
  rate: 'lists.roles.rate',
  latency: 'lists.roles.latency',
  maker: 'lists.roles.maker',
  part: 'lists.roles.part',
  condition: 'lists.roles.condition',
  origin: 'lists.roles.origin',
  fits: 'lists.roles.models',
} as const satisfies Record<ColumnRole, string>;

export const DOUBT_TEXTS = {
  'no-sku': 'lists.doubts.number',
  'no-text': 'lists.doubts.text',
  'unknown-origin': 'lists.doubts.origin',
  'no-price': 'lists.doubts.price',
  'date-price': 'lists.doubts.date',
  'price-not-positive': 'lists.doubts.zero',
  'on-request': 'lists.doubts.request',
  'no-capacity': 'lists.doubts.capacity',
  'no-generation': 'lists.doubts.generation',
  'no-form': 'lists.doubts.form',
  'no-rate': 'lists.doubts.rate',
  contradiction: 'lists.doubts.contradicts',
  'kit-capacity': 'lists.doubts.whose',
  'pack-size': 'lists.doubts.pack',
} as const satisfies Record<RowDoubt, string>;

export const SUSPICION_TEXTS = {
  'decimal-slip': 'lists.suspicions.point',
  'kit-or-single': 'lists.suspicions.one',
  jump: 'lists.suspicions.half',
  currency: 'lists.suspicions.currency',
  twice: 'lists.suspicions.twice',
} as const satisfies Record<Suspicion, string>;

/** How a list stands. */
export type ShownListState = 'arriving' | 'reading' | 'failed' | 'looked-at' | 'applied' | 'undone';

export const STATE_TEXTS = {
  arriving: 'lists.states.arriving',
  reading: 'lists.states.reading',
  failed: 'lists.states.failed',
  'looked-at': 'lists.states.looked',
  applied: 'lists.states.applied',
  undone: 'lists.states.undone',
} as const satisfies Record<ShownListState, string>;

export const GROUP_TEXTS = {
  suspicious: 'lists.groups.suspicious',
  doubtful: 'lists.groups.doubtful',
  new: 'lists.groups.new',
  up: 'lists.groups.dearer',
  down: 'lists.groups.cheaper',
  same: 'lists.groups.same',
} as const satisfies Record<ReviewGroup, string>;

/** What is done with a list for longer, as it goes on. */
export const WORK_TEXTS = {
  reading: 'lists.work.reading',
  comparing: 'lists.work.comparing',
  applying: 'lists.work.applying',
  undoing: 'lists.work.undoing',
} as const;

/** A count as it is read: `1 204 000`. */
export const countText = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, '\u202f');

/** What applying a list did. */
export function listOutcomeText(
  t: StaffWords<'offers'>,
  { added, priced, withdrawn, left }: Record<'added' | 'priced' | 'withdrawn' | 'left', number>,
): string {
  return t('lists.outcome', {
    added: countText(added),
    priced: countText(priced),
    withdrawn: countText(withdrawn),
    left: countText(left),
  });
}

/** By how much a price moved, in percent with its sign: `+12 %`. */
export function movedText(fromCents: number, toCents: number): string {
  const percent = Math.round((toCents / fromCents - 1) * 100);
  return `${percent > 0 ? '+' : percent < 0 ? '−' : '±'}${Math.abs(percent)} %`;
}

/** What a fix is called, and how it looks as it is typed. */
export const FIX_TEXTS = {
  capacityMiB: { label: 'facts.capacity', placeholder: '8 GB' },
  generation: { label: 'facts.generation', placeholder: 'DDR4' },
  form: { label: 'facts.form', placeholder: 'SO-DIMM' },
  rateMTs: { label: 'facts.rate', placeholder: '3200' },
  modules: { label: 'facts.modules', placeholder: '2' },
  printedCents: { label: 'facts.price', placeholder: '24.50' },
  origin: { label: 'facts.origin', placeholder: 'original' },
} as const satisfies Record<keyof RowFix, { label: string; placeholder: string }>;

/** What was typed as a fix; a sentence where it is none. */
export function typedFix(
  t: StaffWords<'offers'>,
  field: keyof RowFix,
  text: string,
  currency: string,
): { ok: true; fix: RowFix } | { ok: false; sentence: string } {
  const plain = text.trim();
  const value = {
    capacityMiB: () => parseCapacity(plain),
    generation: () => GENERATIONS.find((one) => one === plain.toUpperCase().replace(/L$/, '')) ?? null,
    form: () => (/^so/i.test(plain) ? 'SO-DIMM' : /^(u|r)?dimm$/i.test(plain) ? 'DIMM' : null),
    rateMTs: () => (/^\d{3,5}$/.test(plain) ? Number(plain) : null),
    modules: () => (/^[1-8]$/.test(plain) ? Number(plain) : null),
    printedCents: () => parseMoneyIn(plain, currency),
    origin: () => originCell(plain)?.origin ?? null,
  }[field]();
  const parsed = rowFixSchema.safeParse({ [field]: value });
  const { label, placeholder } = FIX_TEXTS[field];
  return parsed.success && value !== null
    ? { ok: true, fix: parsed.data }
    : { ok: false, sentence: t('lists.faults.fix', { label: t(label), placeholder }) };
}
