import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { percentText } from '@/core/pricing/percent-text';
import type { MarkUpStep } from '@/core/pricing/sell-price';
import type { StaffWords } from '@/words/staff-words';

export interface MarkUps {
  markUpBp: number;
  markUpSteps: readonly MarkUpStep[];
}

/** Mark-ups as they are typed: `18 %, from 50.00 12 %, from 200.00 8 %`. */
export function markUpsText(t: StaffWords<'settings'>, { markUpBp, markUpSteps }: MarkUps, currency: string): string {
  const steps = [...markUpSteps].sort((a, b) => a.fromCents - b.fromCents);
  return [
    percentText(markUpBp),
    ...steps.map((step) =>
      t('prices.step', { fromCents: plainMoney(step.fromCents, currency), markUpBp: percentText(step.markUpBp) }),
    ),
  ].join(', ');
}

/** A mark-up may be more than the whole: up to 999.99 %. */
const MOST_MARK_UP_BP = 99_999;

/** Mark-ups that were typed; null where they make no sense. */
export function parseMarkUps(text: string, currency: string): MarkUps | null {
  const [first = '', ...rest] = text.split(/[,;]\s*/);
  const markUpBp = parsePercent(first, MOST_MARK_UP_BP);
  if (markUpBp === null) return null;
  const steps: MarkUpStep[] = [];
  for (const part of rest) {
    const found = /^from\s+(\S+)\s+(.+)$/i.exec(part.trim());
    const fromCents = found === null ? null : parseMoneyIn(found[1] ?? '', currency);
    const bp = found === null ? null : parsePercent(found[2] ?? '', MOST_MARK_UP_BP);
    if (fromCents === null || fromCents <= 0 || bp === null) return null;
    steps.push({ fromCents, markUpBp: bp });
  }
  return { markUpBp, markUpSteps: steps };
}

/** Endings as they are typed: `.00 .50 .90`; empty: any. */
export const endingsText = (endings: readonly number[]): string =>
  endings.map((ending) => `.${String(ending).padStart(2, '0')}`).join(' ');

/** Endings that were typed; null where they make no sense. */
export function parseEndings(text: string): number[] | null {
  const parts = text.split(/[\s,]+/).filter((part) => part !== '');
  if (!parts.every((part) => /^\.?\d{2}$/.test(part))) return null;
  return [...new Set(parts.map((part) => Number(part.replace('.', ''))))].sort((a, b) => a - b);
}
