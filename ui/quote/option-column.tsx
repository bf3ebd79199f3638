'use client';
import { useTranslations } from '#translations';
import type { CustomerQuote } from '@/core/quoting/customer-view';
import type { SeenOption } from '@/core/quoting/staff-view';
import type { Saving } from '../client/use-save';
import { DraftLine } from './draft-line';
import { OptionPaper } from './option-paper';

interface OptionColumnProps {
  option: SeenOption;
  /** what the figures of the whole quote go by */
  quote: Omit<CustomerQuote, 'options'>;
  suggested: boolean;
  saving: Saving;
  /** only for staff: cost and margin */
  children?: React.ReactNode;
}

/** One option of a draft as it will read on paper, its lines to be typed over. */
export function OptionColumn({ option, quote, suggested, saving, children }: OptionColumnProps) {
  const t = useTranslations('quote');
  const { place, shop } = option;
  return (
    <article
      className={`bg-sheet border-t-4 ${suggested ? 'border-act' : 'border-edge'} px-4 pt-2.5 pb-3 flex flex-col gap-2 min-w-0`}
      aria-label={t('option.name', { place })}
    >
      <OptionPaper
        option={option}
        quote={quote}
        suggested={suggested}
        heading="h2"
        lineOf={(line, nr) => {
          const computed = shop.computed?.[nr] ?? { key: '', text: line.text, eachCents: line.eachCents };
          return <DraftLine key={computed.key} line={line} computed={computed} place={place} saving={saving} />;
        }}
      />
      {children}
    </article>
  );
}
