import type { ReactNode } from 'react';
import { useTranslations } from '#translations';
import { planKey } from '@/core/planning/filters/ladder';
import type { Suggestion } from '@/core/planning/filters/suggest-three';
import { becauseText } from '@/core/planning/filters/suggestion-words';
import { Button } from '../../kit/button';
import { capacityText, moneyText } from '../../words/amounts';
import { usePlanSay } from '../use-plan-say';

interface SuggestedProps {
  suggestions: readonly Suggestion[];
  /** what is asked first */
  question: ReactNode;
  currency: string;
  busy: boolean;
  onLook: (key: string) => void;
  onPutAll: () => void;
}

/** What to offer, with the reason for each, put on the slip by one press or key. */
export function Suggested({ suggestions, question, currency, busy, onLook, onPutAll }: SuggestedProps) {
  const t = useTranslations('options');
  const say = usePlanSay(currency);
  if (suggestions.length === 0) return null;
  return (
    <section aria-label={t('suggested.label')} className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      <span className="font-semibold max-[1100px]:sr-only">{t('suggested.label')}</span>
      {question}
      <ol className="flex flex-wrap gap-x-3">
        {suggestions.map(({ plan, purpose, because }, nr) => (
          <li key={planKey(plan)}>
            <button
              type="button"
              title={becauseText(say, because)}
              onClick={() => onLook(planKey(plan))}
              className="min-h-6 cursor-pointer underline underline-offset-4 decoration-edge hover:decoration-ink"
            >
              <strong>{nr + 1}</strong> {say.t(`purposes.${purpose}`)}: {capacityText(plan.totalMiB)},{' '}
              {moneyText(plan.priceCents, currency)}
              <span className="sr-only">. {becauseText(say, because)}</span>
            </button>
          </li>
        ))}
      </ol>
      <Button onClick={onPutAll} disabled={busy} className="min-h-8 px-2.5">
        {suggestions.length === 1 ? t('suggested.addOne') : t('suggested.add')}
      </Button>
    </section>
  );
}
