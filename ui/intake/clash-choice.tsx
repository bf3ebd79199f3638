'use client';
import { useTranslations } from '#translations';
import { Button } from '../kit/button';
import type { Putting } from './use-put';

interface ClashChoiceProps {
  putting: Pick<Putting, 'clash' | 'settle' | 'busy'>;
  /** how a value reads */
  text?: (value: unknown) => string;
}

const plainText = (value: unknown): string => {
  if (value === null || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return Array.isArray(value) ? (value.length === 0 ? 'nothing' : value.join(', ')) : String(value);
};

/** Two people wrote the same: both values, and which of them stays. */
export function ClashChoice({ putting: { clash, settle, busy }, text = plainText }: ClashChoiceProps) {
  const t = useTranslations('intake');
  if (clash === null) return null;
  const fields = Object.keys(clash.theirs);
  const said = (values: Record<string, unknown>) => fields.map((field) => text(values[field] ?? null)).join(', ');
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
