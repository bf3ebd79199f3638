'use client';
import { useTranslations } from '#translations';
import { capacityText } from '@/core/memory/capacity';
import type { CustomerQuote } from '@/core/quoting/customer-view';
import { figureNotes, figureRows, savingSentence } from '@/core/quoting/paper/figure-rows';
import type { SeenOption } from '@/core/quoting/staff-view';
import type { StaffWords } from '@/words/staff-words';
import type { Saving } from '../client/use-save';
import { LANE_WORDS } from '../options/lane-words';
import { DraftLine } from './draft-line';

interface OptionColumnProps {
  option: SeenOption;
  /** what the figures of the whole quote go by */
  quote: Omit<CustomerQuote, 'options'>;
  suggested: boolean;
  saving: Saving;
  /** only for staff: cost and margin */
  children?: React.ReactNode;
}

/** Days until parts are here, in words. */
export function leadText(t: StaffWords<'quote'>, days: number): string {
  return days === 0 ? t('option.now') : days === 1 ? t('option.day') : t('option.days', { days });
}

/** One option of a quote as it will read on paper, its lines to be typed over. */
export function OptionColumn({ option, quote, suggested, saving, children }: OptionColumnProps) {
  const t = useTranslations('quote');
  const tTrade = useTranslations('trade');
  const saved = savingSentence(quote, option);
  const { statements = [], shop } = option;
  return (
    <article
      className={`bg-sheet border-t-4 ${suggested ? 'border-act' : 'border-edge'} px-4 pt-2.5 pb-3 flex flex-col gap-2 min-w-0`}
      aria-label={t('option.name', { place: option.place })}
    >
      <header>
        <p className="text-sm text-ink-2">
          {t.rich('option.head', {
            place: option.place,
            value: tTrade(LANE_WORDS[option.lane]),
            value2: () => suggested && <strong className="text-act">{t('option.suggested')}</strong>,
          })}
        </p>
        <h2 className="text-xl">{capacityText(option.totalMiB)}</h2>
        <p className="text-sm text-ink-2">
          {t('option.figures', {
            rateMTs: option.rateMTs,
            channelsText: option.channelsText,
            leadDays: leadText(t, option.leadDays),
          })}
        </p>
      </header>
      <table className="w-full text-sm">
        <tbody>
          {option.lines.map((line, nr) => {
            const computed = shop.computed?.[nr] ?? { key: '', text: line.text, eachCents: line.eachCents };
            return (
              <DraftLine key={computed.key} line={line} computed={computed} place={option.place} saving={saving} />
            );
          })}
          {figureRows(quote, option).map(({ words, amount, what }) => (
            <tr key={words} className={what === 'total' ? 'font-bold text-base' : 'text-ink-2'}>
              <td className={what === 'total' ? 'pt-1.5' : ''}>{words}</td>
              <td className={`text-right whitespace-nowrap ${what === 'total' ? 'pt-1.5' : ''}`}>{amount}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {figureNotes(quote, option).map((note) => (
        <p key={note} className="text-sm">
          {note}
        </p>
      ))}
      {saved !== null && <p className="text-sm font-semibold text-good">{saved}</p>}
      <p className="text-sm">{option.oldModules}</p>
      {option.warnings.length > 0 && (
        <ul className="text-sm grid gap-1">
          {option.warnings.map((warning) => (
            <li key={warning} className="flex gap-2">
              <span aria-hidden="true" className="text-mind font-bold">
                △
              </span>
              <span>
                {warning}
                {statements.includes(warning) && <span className="text-ink-2">{t('option.ticked')}</span>}
              </span>
            </li>
          ))}
        </ul>
      )}
      {children}
    </article>
  );
}
