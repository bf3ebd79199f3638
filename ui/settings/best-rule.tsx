'use client';
import { useTranslations } from '#translations';
import { parsePercent } from '@/core/pricing/parse-percent';
import { useSave } from '../client/use-save';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';
import { faultOfPercent } from './fault-of-percent';

interface TypedRule {
  tolerance: string;
}

/** Which plan of a rung is written out as its best, and the one number of that rule. */
export function BestRule({ toleranceBp }: { toleranceBp: number }) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const typing = useTyped<TypedRule, object>({
    from: { tolerance: String(toleranceBp / 100) },
    read: ({ tolerance }) =>
      readTyped<TypedRule, object>({ tolerance: faultOfPercent(t, tolerance) }, () => ({
        toleranceBp: parsePercent(tolerance),
      })),
    send: (body) => save('PUT', '/api/best-rule', body),
    isLive: true,
  });
  return (
    <section id="best" aria-label={t('best.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('best.title')}</h2>
      <p className="text-sm">{t('best.what')}</p>
      <Form typing={typing} className="flex gap-2 items-end has-[[aria-invalid]]:items-start">
        <TextField name="tolerance" label={t('best.within')} unit="%" inputMode="decimal" className="w-44" />
        <Send weight="plain">{t('save')}</Send>
      </Form>
      <Saved typing={typing}>{t('best.saved')}</Saved>
    </section>
  );
}
