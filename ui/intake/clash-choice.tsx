'use client';
import { useTranslations } from '#translations';
import type { StaffWords } from '@/words/staff-words';
import { Button } from '../kit/button';
import type { Putting } from './use-put';

interface ClashChoiceProps {
  putting: Pick<Putting, 'clash' | 'settle' | 'busy'>;
  /** how a value reads */
  text?: (value: unknown) => string;
}

function plainText(t: StaffWords<'intake'>, value: unknown): string {
  if (value === null || value === '') return t('nothing');
  if (typeof value === 'boolean') return value ? t('yes') : t('no');
  return Array.isArray(value) ? (value.length === 0 ? t('nothing') : value.join(', ')) : String(value);
}

/** Two people wrote the same: both values, and which of them stays. */
export function ClashChoice({ putting: { clash, settle, busy }, text }: ClashChoiceProps) {
  const t = useTranslations('intake');
  if (clash === null) return null;
  const fields = Object.keys(clash.theirs);
  const said = (values: Record<string, unknown>) =>
    fields.map((field) => text?.(values[field] ?? null) ?? plainText(t, values[field] ?? null)).join(', ');
  return (
    <div role="alert" className="border-l-4 border-mind bg-sunk px-2.5 py-1.5 text-sm mt-1">
      <p>
        {t.rich('clash.text', {
          e0: () => <strong>{said(clash.theirs)}</strong>,
          e1: () => <strong>{said(clash.mine)}</strong>,
        })}
      </p>
      <div className="flex flex-wrap gap-2 mt-1">
        <Button disabled={busy} onClick={() => void settle('mine')}>
          {t('clash.mine')}
        </Button>
        <Button disabled={busy} onClick={() => void settle('theirs')}>
          {t('clash.theirs')}
        </Button>
      </div>
    </div>
  );
}
