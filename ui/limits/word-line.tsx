import type { ReactNode } from 'react';
import { useTranslations } from '#translations';
import type { RankedClaim } from '@/core/machine/limits/resolve-claims';
import { dayText } from '../words/amounts';
import { type LimitRow, limitText, SOURCE_WORDS } from './limit-words';

/** A source's word on a limit with its day, who entered it and its note; what can be done with it stands at its end. */
export function WordLine({ row, word, children }: { row: LimitRow; word: RankedClaim; children: ReactNode }) {
  const t = useTranslations('limits');
  const { value, source } = word;
  return (
    <li className="flex items-baseline gap-3 py-1.5">
      <span className="font-semibold w-36 shrink-0">{limitText(t, row.sort, value)}</span>
      <span className="text-sm text-ink-2 flex-1 min-w-0">
        <span className="text-ink">{source.name}</span> · {t(SOURCE_WORDS[source.kind])}
        {source.on ? ` · ${dayText(source.on)}` : ''}
        {source.by != null && t('enteredBy', { by: source.by })}
        {source.note ? <span className="block">“{source.note}”</span> : null}
      </span>
      {children}
    </li>
  );
}
