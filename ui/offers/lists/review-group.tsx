'use client';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { isAcceptable, type ReviewGroup, type Suspicion } from '@/core/price-list/compare-list';
import type { ListRow } from '@/service/market/view';
import type { StaffWords } from '@/words/staff-words';
import { callOnce } from '../../client/session-guard';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Fault } from '../../kit/fault';
import { moneyText } from '../../words/amounts';
import { countText, DOUBT_TEXTS, GROUP_TEXTS, movedText, SUSPICION_TEXTS } from './list-words';
import { RowFixer } from './row-fixer';

/** What the seller prints in, and what the shop pays in. */
export interface ListCurrencies {
  printed: string;
  own: string;
}

function priceText(t: StaffWords<'offers'>, row: ListRow, { printed, own }: ListCurrencies): string {
  const { byCost, fromCents } = row;
  const [cents, currency] = byCost ? [row.costCents, own] : [row.printedCents, row.currency ?? printed];
  if (cents === null) return t('lists.noPrice');
  const now = moneyText(cents, currency);
  if (fromCents === null || fromCents === cents || (row.fate !== 'up' && row.fate !== 'down')) return now;
  const moved = `${moneyText(fromCents, byCost ? own : printed)} → ${now}, ${movedText(fromCents, cents)}`;
  return byCost ? t('lists.wePay', { moved }) : moved;
}

interface Accepting {
  lines: ReadonlySet<number>;
  onLine: (line: number, accepted: boolean) => void;
  all: ReadonlySet<Suspicion>;
  onAll: (suspicion: Suspicion, accepted: boolean) => void;
}

interface ReviewGroupProps extends Accepting {
  listId: number;
  group: ReviewGroup;
  /** how many there are, and the first of them */
  rows: number;
  first: readonly ListRow[];
  currencies: ListCurrencies;
}

const MORE = 200;

/** Rows of one kind, the first of them and more on demand; those that can be put right or accepted with the means to. */
export function ReviewGroupView(props: ReviewGroupProps) {
  const t = useTranslations('offers');
  const { listId, group, rows, first, currencies } = props;
  const [more, setMore] = useState<readonly ListRow[]>([]);
  const [sentence, setSentence] = useState<string | null>(null);
  // The page was drawn again: a row that was put right is no longer here.
  useEffect(() => setMore((held) => held.filter(({ line }) => line > (first.at(-1)?.line ?? 0))), [first]);
  if (rows === 0) return null;
  const shown = [...first, ...more];
  const left = shown.length === 0 ? t('lists.show') : t('lists.showMore', { left: rows - shown.length });
  const show = async () => {
    const body = { group, after: shown.at(-1)?.line ?? 0, most: MORE };
    const answer = await callOnce<ListRow[]>('POST', `/api/lists/${listId}/rows`, body);
    setSentence(answer.ok ? null : answer.sentence);
    if (answer.ok) setMore((held) => [...held, ...answer.value]);
  };
  return (
    <section aria-label={t(GROUP_TEXTS[group])}>
      <h2 className="text-base border-b-4 border-edge pb-1">
        {t(GROUP_TEXTS[group])} <span className="font-normal text-ink-2">{countText(rows)}</span>
      </h2>
      {group === 'suspicious' && <AcceptAll {...props} shown={shown} />}
      <ul className="bg-sheet">
        {shown.map((row) => (
          <GroupRow key={row.line} {...props} row={row} currencies={currencies} />
        ))}
      </ul>
      {shown.length < rows && (
        <Button
          weight="quiet"
          className="mt-1"
          onClick={() => void show()}
          aria-label={`${left}: ${t(GROUP_TEXTS[group])}`}
        >
          {left}
        </Button>
      )}
      <Fault sentence={sentence} />
    </section>
  );
}

/** Of very many that are suspicious for one reason, all are accepted at once: a seller may have put up every price. */
function AcceptAll({ shown, rows, all, onAll }: ReviewGroupProps & { shown: readonly ListRow[] }) {
  const t = useTranslations('offers');
  const kinds = [...new Set(shown.flatMap(({ suspicion }) => suspicion ?? []))].filter(isAcceptable);
  if (rows < 5 || kinds.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-x-5 px-4 py-1 bg-sunk">
      {kinds.map((kind) => (
        <Check key={kind} checked={all.has(kind)} onChange={(checked) => onAll(kind, checked)}>
          {t('lists.allRight', { value: t(SUSPICION_TEXTS[kind]) })}
        </Check>
      ))}
    </div>
  );
}

function GroupRow({ listId, group, row, currencies, lines, onLine, all }: ReviewGroupProps & { row: ListRow }) {
  const t = useTranslations('offers');
  const { suspicion } = row;
  return (
    <li className="grid grid-cols-[5.5rem_7rem_minmax(0,1fr)_auto] gap-3 items-baseline px-4 py-1 border-b border-line text-sm">
      <span className="text-ink-2">{t('lists.lineNr', { line: row.line })}</span>
      <span className="truncate">{row.sku}</span>
      <span className="min-w-0">
        {row.title}
        {row.doubts.length > 0 && (
          <span className="block text-mind">△ {row.doubts.map((doubt) => t(DOUBT_TEXTS[doubt])).join(', ')}</span>
        )}
        {group === 'doubtful' && <RowFixer listId={listId} row={row} currency={currencies.printed} />}
        {suspicion !== null && <span className="block text-mind">△ {t(SUSPICION_TEXTS[suspicion])}</span>}
      </span>
      <span className="text-right">
        {priceText(t, row, currencies)}
        {suspicion !== null && isAcceptable(suspicion) && (
          <Check
            checked={all.has(suspicion) || lines.has(row.line)}
            onChange={(checked) => onLine(row.line, checked)}
            className="justify-end"
          >
            {t('lists.right')}
          </Check>
        )}
      </span>
    </li>
  );
}
