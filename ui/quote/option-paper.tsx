'use client';
import type { ReactNode } from 'react';
import { useTranslations } from '#translations';
import type { CustomerOption, CustomerQuote } from '@/core/quoting/customer-view';
import { totalsOf } from '@/core/quoting/groups/option-of-group';
import { figureNotes, figureRows, savingSentences } from '@/core/quoting/paper/figure-rows';
import type { QuoteLine } from '@/core/quoting/snapshot';
import type { StaffWords } from '@/words/staff-words';
import { LANE_WORDS } from '../options/said/lane-words';
import { capacityText } from '../words/amounts';

interface OptionPaperProps {
  option: CustomerOption;
  /** what the figures of the whole quote go by */
  quote: Omit<CustomerQuote, 'options'>;
  suggested: boolean;
  heading: 'h2' | 'h3';
  /** draws a line of the table, by its place */
  lineOf: (line: QuoteLine, nr: number) => ReactNode;
}

/** Days until parts are here, in words. */
function leadText(t: StaffWords<'quote'>, days: number): string {
  return days === 0 ? t('option.now') : days === 1 ? t('option.day') : t('option.days', { days });
}

/** Rate, channels and delivery in one line. */
const figures = (
  t: StaffWords<'quote'>,
  { rateMTs, channelsText }: Pick<CustomerOption, 'rateMTs' | 'channelsText'>,
  leadDays: number,
): string => t('option.figures', { rateMTs, channelsText, leadDays: leadText(t, leadDays) });

/** One option of a quote as it reads on paper. */
export function OptionPaper({ option, quote, suggested, heading: Heading, lineOf }: OptionPaperProps) {
  const t = useTranslations('quote');
  const tTrade = useTranslations('trade');
  const { statements = [] } = option;
  return (
    <>
      <header>
        <p className="text-sm text-ink-2">
          {t.rich('option.head', {
            place: option.place,
            value: tTrade(LANE_WORDS[option.lane]),
            value2: () => suggested && <strong className="text-act">{t('option.suggested')}</strong>,
          })}
        </p>
        <Heading className="text-xl">{totalsOf(option).map(capacityText).join(' / ')}</Heading>
        {option.partsOnly && <p className="text-sm font-semibold">{t('option.partsOnly')}</p>}
        {option.groups === undefined ? (
          <p className="text-sm text-ink-2">{figures(t, option, option.leadDays)}</p>
        ) : (
          <ul className="text-sm">
            {option.groups.map((group) => (
              <li key={group.name}>
                <span className="font-medium">
                  {t('option.group', {
                    name: group.name,
                    machines: group.machines,
                    total: capacityText(group.totalMiB),
                  })}
                </span>{' '}
                <span className="text-ink-2">{figures(t, group, option.leadDays)}</span>
              </li>
            ))}
          </ul>
        )}
      </header>
      <table className="w-full text-sm">
        <tbody>
          {option.lines.map(lineOf)}
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
      {savingSentences(quote, option).map((saved) => (
        <p key={saved} className="text-sm font-semibold text-good">
          {saved}
        </p>
      ))}
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
    </>
  );
}
