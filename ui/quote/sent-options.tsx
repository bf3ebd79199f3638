'use client';
import { useTranslations } from '#translations';
import type { QuoteLine } from '@/core/quoting/snapshot';
import { moneyIn } from '@/core/quoting/words/in-language';
import type { SentVersion } from '@/service/job/quote/view';
import { LineText } from './line-text';
import { OptionPaper } from './option-paper';

function SentLine({ line, version: { paper } }: { line: QuoteLine; version: SentVersion }) {
  return (
    <tr className="border-b border-line align-top">
      <td className="py-1 pr-2 break-words">
        <LineText line={line} />
      </td>
      <td className="py-1 text-right whitespace-nowrap">
        {moneyIn(paper.language ?? 'en', line.totalCents, paper.currency)}
      </td>
    </tr>
  );
}

/** The options of a version as the customer reads them; the one that was said yes to stands out. */
export function SentOptions({ version }: { version: SentVersion }) {
  const t = useTranslations('quote');
  const { options, paper, answer } = version;
  const chosen = answer?.kind === 'accepted' ? answer.place : null;
  const columns = options.length > 2 ? 'md:grid-cols-2 xl:grid-cols-3' : options.length > 1 ? 'md:grid-cols-2' : '';
  return (
    <ul
      className={`grid gap-3 items-stretch ${columns}`}
      aria-label={t('versions.options', { number: version.number })}
    >
      {options.map((option) => (
        <li
          key={option.place}
          className={`border-t-4 ${option.place === chosen ? 'border-good' : 'border-line'} ${chosen !== null && option.place !== chosen ? 'bg-sunk' : 'bg-ground'} px-4 pt-2.5 pb-3 flex flex-col gap-2 min-w-0`}
        >
          {option.place === chosen && <p className="text-sm font-semibold text-good">{t('versions.accepted')}</p>}
          <OptionPaper
            option={option}
            quote={paper}
            suggested={paper.suggested === option.place}
            heading="h3"
            lineOf={(line, nr) => <SentLine key={`${nr} ${line.text}`} line={line} version={version} />}
          />
        </li>
      ))}
    </ul>
  );
}
