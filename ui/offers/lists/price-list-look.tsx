'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { ColumnRole } from '@/core/price-list/column-roles';
import { REVIEW_GROUPS, type ReviewGroup, type Suspicion } from '@/core/price-list/compare-list';
import type { ListColumns } from '@/core/price-list/read-row';
import type { ListRow } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Fault } from '../../kit/fault';
import { Notice } from '../../kit/notice';
import { ColumnsOfList } from './list-columns';
import { ListProgress, type ListWorkProgress } from './list-progress';
import { listOutcomeText, type ShownListState } from './list-words';
import { type ListCurrencies, ReviewGroupView } from './review-group';

/** A list as it is looked at. */
export interface LookedAtList extends ListColumns {
  id: number;
  name: string;
  seller: string;
  state: ShownListState;
  sentence: string | null;
  sample: string[][];
  passedOver: { count: number; first: { line: number; text: string }[] } | null;
  gone: number;
  outcome: { added: number; priced: number; withdrawn: number; left: number } | null;
}

interface PriceListLookProps {
  list: LookedAtList;
  currencies: ListCurrencies;
  doubtfulColumns: readonly ColumnRole[];
  /** why each column is taken for what it is, in words */
  whyColumns: Partial<Record<ColumnRole, string>>;
  groups: Record<ReviewGroup, { rows: number; first: ListRow[] }>;
  work: ListWorkProgress | null;
}

const STANDS = {
  arriving: 'lists.says.arriving',
  reading: 'lists.says.reading',
  failed: 'lists.says.failed',
  'looked-at': 'lists.says.looked',
  applied: 'lists.says.applied',
  undone: 'lists.says.undone',
} as const satisfies Record<ShownListState, string>;

function PassedOver({ passedOver }: Pick<LookedAtList, 'passedOver'>) {
  const t = useTranslations('offers');
  if (passedOver === null || passedOver.count === 0) return null;
  return (
    <details className="text-sm text-ink-2">
      <summary className="cursor-pointer">
        {t('lists.passed', {
          value: t('lists.passedRows', { count: passedOver.count }),
        })}
      </summary>
      <ul className="px-4 py-1">
        {passedOver.first.map(({ line, text }) => (
          <li key={line}>{t('lists.line', { line, text })}</li>
        ))}
      </ul>
    </details>
  );
}

/** Adds to a set, or takes away. */
const withOrWithout = <T,>(set: ReadonlySet<T>, one: T, yes: boolean): ReadonlySet<T> =>
  new Set(yes ? [...set, one] : [...set].filter((held) => held !== one));

/** A price list before it counts: what each column is, what would change, and what wants a look. */
export function PriceListLook({ list, currencies, doubtfulColumns, whyColumns, groups, work }: PriceListLookProps) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const [lines, setLines] = useState<ReadonlySet<number>>(new Set());
  const [all, setAll] = useState<ReadonlySet<Suspicion>>(new Set());
  const [withdrawGone, setWithdrawGone] = useState(false);
  const working = work !== null || list.state === 'reading';
  const open = list.state === 'looked-at' && !working;
  const apply = () =>
    save('POST', `/api/lists/${list.id}/apply`, { accept: [...lines], acceptAll: [...all], withdrawGone });
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-xl">
            {list.name}{' '}
            <span className="font-normal text-ink-2 text-base">{t('lists.of', { seller: list.seller })}</span>
          </h1>
          <p className="text-sm text-ink-2">
            <span role="status">
              {work !== null && list.state !== 'reading' ? t('lists.atOnce') : t(STANDS[list.state])}
              {list.state === 'applied' && `: ${list.outcome === null ? '' : listOutcomeText(t, list.outcome)}`}
            </span>{' '}
            <Link href="/offers" className="underline underline-offset-2">
              {t('allOffers')}
            </Link>
          </p>
        </div>
        {open && (
          <Button weight="act" disabled={busy} onClick={() => void apply()}>
            {busy ? t('lists.applying') : t('lists.apply')}
          </Button>
        )}
        {list.state === 'applied' && !working && (
          <Button disabled={busy} onClick={() => void save('DELETE', `/api/lists/${list.id}/apply`)}>
            {busy ? t('lists.undoing') : t('lists.undo')}
          </Button>
        )}
      </div>
      <Fault sentence={sentence} />
      {list.sentence !== null && <Notice tone="mind">{list.sentence}</Notice>}
      {working && <ListProgress listId={list.id} state={list.state} work={work} />}
      {list.sample.length > 0 && (
        <ColumnsOfList
          listId={list.id}
          read={{ headings: list.headings, columns: list.columns, capacityIs: list.capacityIs ?? null }}
          doubtful={doubtfulColumns}
          why={whyColumns}
          sample={list.sample}
          open={open}
        />
      )}
      {open && (
        <>
          <PassedOver passedOver={list.passedOver} />
          {list.gone > 0 && (
            <Check checked={withdrawGone} onChange={setWithdrawGone}>
              {t('lists.gone', {
                value: t('lists.goneOffers', { gone: list.gone }),
                seller: list.seller,
              })}
            </Check>
          )}
          {REVIEW_GROUPS.map((group) => (
            <ReviewGroupView
              key={group}
              listId={list.id}
              group={group}
              rows={groups[group].rows}
              first={groups[group].first}
              currencies={currencies}
              lines={lines}
              onLine={(line, yes) => setLines((held) => withOrWithout(held, line, yes))}
              all={all}
              onAll={(kind, yes) => setAll((held) => withOrWithout(held, kind, yes))}
            />
          ))}
        </>
      )}
    </div>
  );
}
