'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { SlipOption } from '@/service/job/quote/view';
import type { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { moneyText } from '../words/amounts';

interface OnConditionProps {
  entry: Extract<SlipOption, { ok: true }>;
  saving: ReturnType<typeof useSave>;
}

/** Of an option off the books: what is paid if it does not work, and the old modules go back in. */
export function OnCondition({ entry, saving }: OnConditionProps) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const [typed, setTyped] = useState<string | null>(null);
  const { place, option } = entry;
  if (option.care !== 'off-book' || option.partsOnly || option.groups !== undefined) return null;
  const { ifNot } = option;
  const put = async (cents: number | null) => {
    const kept = await saving.save('PUT', `/api/jobs/${job.id}/options/${place}/condition`, { cents });
    if (kept.ok) setTyped(null);
  };
  if (typed !== null) {
    const cents = parseMoneyIn(typed, job.currency) ?? 0;
    return (
      <form
        className="flex flex-wrap items-end gap-2 text-sm"
        onSubmit={(event) => {
          event.preventDefault();
          void put(cents);
        }}
      >
        <Field
          label={t('condition.pays')}
          className="w-44"
          inputMode="decimal"
          unit={job.currency}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" disabled={saving.busy || cents < 1}>
          {t('condition.agree')}
        </Button>
        <Button weight="quiet" onClick={() => setTyped(null)}>
          {t('condition.cancel')}
        </Button>
      </form>
    );
  }
  const begin = () => setTyped(ifNot === undefined ? '' : plainMoney(ifNot.eachCents, job.currency));
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      {ifNot !== undefined && (
        <p className="font-medium">{t('condition.is', { amount: moneyText(ifNot.totalCents, job.currency) })}</p>
      )}
      <Button weight="quiet" disabled={saving.busy} onClick={begin}>
        {ifNot === undefined ? t('condition.begin') : t('condition.change')}
      </Button>
      {ifNot !== undefined && (
        <Button weight="quiet" disabled={saving.busy} onClick={() => void put(null)}>
          {t('condition.end')}
        </Button>
      )}
    </div>
  );
}
