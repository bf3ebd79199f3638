import { GENERATIONS } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { ColumnRole } from '@/core/price-list/column-roles';
import type { ReviewGroup, Suspicion } from '@/core/price-list/compare-list';
import { type RowFix, rowFixSchema } from '@/core/price-list/correct-row';
import { originCell } from '@/core/price-list/origin-cell';
import type { RowDoubt } from '@/core/price-list/read-row';
import { parseMoneyIn } from '@/core/pricing/parse-money';

export const ROLE_TEXTS: Record<ColumnRole, string> = {
  sku: 'seller’s number',
  title: 'text',
  price: 'price',
  currency: 'currency',
  stock: 'stock',
  capacity: 'capacity',
  modules: 'modules in a pack',
  generation: 'generation',
  form: 'form',
  rate: 'rate',
  latency: 'CL',
  maker: 'maker',
  part: 'maker’s number',
  condition: 'condition',
  origin: 'origin',
  fits: 'for models',
};

export const DOUBT_TEXTS: Record<RowDoubt, string> = {
  'no-sku': 'it has no number',
  'no-text': 'it has no text',
  'unknown-origin': 'its origin is neither original, third-party nor used',
  'no-price': 'it has no price',
  'date-price': 'its price is a date',
  'price-not-positive': 'its price is not above 0',
  'on-request': 'its price is on request',
  'no-capacity': 'its capacity is not told',
  'no-generation': 'its generation is not told',
  'no-form': 'its form is not told',
  'no-rate': 'its rate is not told',
  contradiction: 'it contradicts itself',
  'kit-capacity': 'its capacity may be a module’s or the kit’s',
  'pack-size': 'a pack has 1 to 8 modules',
};

export const SUSPICION_TEXTS: Record<Suspicion, string> = {
  'decimal-slip': 'a point may have slipped',
  'kit-or-single': 'it may be the price of one module, or of the kit',
  jump: 'it moved by more than half',
  currency: 'it is in another currency',
  twice: 'its number stands twice in the list',
};

/** How a list stands. */
export type ListState = 'arriving' | 'reading' | 'failed' | 'looked-at' | 'applied' | 'undone';

export const STATE_TEXTS: Record<ListState, string> = {
  arriving: 'coming in',
  reading: 'being read',
  failed: 'could not be read',
  'looked-at': 'not applied yet',
  applied: 'applied',
  undone: 'undone',
};

export const GROUP_TEXTS: Record<ReviewGroup, string> = {
  suspicious: 'Look at these: left as they are unless you accept them',
  doubtful: 'Doubtful: not taken until they are told',
  new: 'New',
  up: 'Dearer',
  down: 'Cheaper',
  same: 'The same',
};

/** What is done with a list for longer, as it goes on. */
export const WORK_TEXTS = {
  reading: 'Being read',
  comparing: 'Being compared',
  applying: 'Being applied',
  undoing: 'Being undone',
} as const;

/** A count as it is read: `1 204 000`. */
export const countText = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, '\u202f');

/** What applying a list did. */
export function outcomeText({
  added,
  priced,
  withdrawn,
  left,
}: Record<'added' | 'priced' | 'withdrawn' | 'left', number>): string {
  return `${countText(added)} new, ${countText(priced)} re-priced, ${countText(withdrawn)} off the market, ${countText(left)} left as they were.`;
}

/** By how much a price moved, in percent with its sign: `+12 %`. */
export function movedText(fromCents: number, toCents: number): string {
  const percent = Math.round((toCents / fromCents - 1) * 100);
  return `${percent > 0 ? '+' : percent < 0 ? '−' : '±'}${Math.abs(percent)} %`;
}

/** What a fix is called, and how it looks as it is typed. */
export const FIX_TEXTS: Record<keyof RowFix, { label: string; placeholder: string }> = {
  capacityMiB: { label: 'Capacity', placeholder: '8 GB' },
  generation: { label: 'Generation', placeholder: 'DDR4' },
  form: { label: 'Form', placeholder: 'SO-DIMM' },
  rateMTs: { label: 'Rate', placeholder: '3200' },
  modules: { label: 'Modules', placeholder: '2' },
  printedCents: { label: 'Price', placeholder: '24.50' },
  origin: { label: 'Origin', placeholder: 'original' },
};

/** What was typed as a fix; a sentence where it is none. */
export function typedFix(
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
    : { ok: false, sentence: `${label}: type it such as ${placeholder}.` };
}
