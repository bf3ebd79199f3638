'use client';
import { type KeyboardEvent, type RefObject, useEffect, useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { planKey } from '@/core/planning/filters/ladder';
import { type LadderBounds, missedBy } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import { copyText } from '../client/copy-text';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { PlanShape } from './ladder/plan-shape';
import { COLUMNS, plansCsv, sortedPlans, type TableOrder } from './table-columns';

interface PlanTableProps {
  plans: readonly Plan[];
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
  steering: LadderBounds;
  looked: string | null;
  places: ReadonlyMap<string, number>;
  onLook: (key: string) => void;
  onPut: (place: number) => void;
}

/** Rows shown before somebody asks for all. */
const FIRST = 200;

/** The keys of the ladder, on rows: the arrows go from row to row, 1 2 3 put the plan that is looked at on the slip. */
function useRowKeys(
  box: RefObject<HTMLElement | null>,
  keys: readonly string[],
  { looked, onLook, onPut }: Pick<PlanTableProps, 'looked' | 'onLook' | 'onPut'>,
) {
  const byKey = useRef(false);
  const reachable = looked !== null && keys.includes(looked) ? looked : keys[0];
  useEffect(() => {
    if (looked === null || !byKey.current) return;
    byKey.current = false;
    box.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(looked)}"]`)?.focus();
  }, [looked, box]);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (/^[123]$/.test(event.key) && looked !== null) onPut(Number(event.key));
    const at = keys.indexOf(reachable ?? '');
    const next = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: keys.length - 1 }[event.key];
    const key = next === undefined ? undefined : keys[next];
    if (key === undefined) return;
    event.preventDefault();
    byKey.current = true;
    onLook(key);
  };
  return { reachable, onKeyDown };
}

/** The plans that are wanted as a table, for those who read rather than look; the same selection and keys as on the ladder. */
export function PlanTable(props: PlanTableProps) {
  const t = useTranslations('options');
  const { plans, planCase, supplies, steering, looked, places, onLook } = props;
  const [order, setOrder] = useState<TableOrder>({ column: 'price', down: false });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    new Set(COLUMNS.filter(({ usual }) => usual).map(({ id }) => id)),
  );
  const [all, setAll] = useState(false);
  const box = useRef<HTMLElement>(null);
  const tTrade = useTranslations('trade');
  const tPlans = useTranslations('plans');
  const shownOf = { tTrade, tPlans, planCase, supplies };
  const columns = COLUMNS.filter(({ id }) => chosen.has(id));
  const wanted = plans.filter((plan) => missedBy(steering, plan) === null);
  const sorted = sortedPlans(wanted, order, shownOf);
  const shown = all ? sorted : sorted.slice(0, FIRST);
  const { reachable, onKeyDown } = useRowKeys(box, shown.map(planKey), props);
  return (
    <section aria-label={t('table.label')} className="flex flex-col min-h-0 flex-1 gap-1">
      <TableTools
        chosen={chosen}
        onChoose={setChosen}
        count={sorted.length}
        csv={() => plansCsv(t, sorted, columns, shownOf)}
      />
      <section
        ref={box}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: lets the box be scrolled by keys
        tabIndex={0}
        aria-label={t('table.short')}
        className="overflow-auto flex-1 min-h-48 bg-sheet border border-line"
      >
        <table className="w-full text-sm border-collapse">
          <Headings columns={columns} order={order} onOrder={setOrder} />
          <tbody onKeyDown={onKeyDown}>
            {shown.map((plan) => {
              const key = planKey(plan);
              return (
                <tr
                  key={key}
                  data-row={key}
                  tabIndex={key === reachable ? 0 : -1}
                  aria-selected={looked === key}
                  onClick={() => onLook(key)}
                  className={`border-t border-line cursor-pointer ${looked === key ? 'bg-act-soft font-medium' : 'hover:bg-sunk'}`}
                >
                  <td className="px-1">
                    <span className="flex items-center">
                      <PlanShape lane={plan.lane} care={plan.care} reuse={plan.reuse} />
                      {places.has(key) && <span className="font-bold text-act">{places.get(key)}</span>}
                    </span>
                  </td>
                  {columns.map((column) => (
                    <td
                      key={column.id}
                      className={`px-2 py-1 align-baseline ${column.isLong ? 'narrow' : 'whitespace-nowrap'} ${column.isFigure ? 'text-right' : ''}`}
                    >
                      {column.text(plan, shownOf)}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>
      {sorted.length > shown.length && (
        <Button weight="quiet" onClick={() => setAll(true)}>
          {t('table.all', { sorted: sorted.length })}
        </Button>
      )}
    </section>
  );
}

interface TableToolsProps {
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
  count: number;
  csv: () => string;
}

/** Which columns are shown, and the rows to take along. */
function TableTools({ chosen, onChoose, count, csv }: TableToolsProps) {
  const t = useTranslations('options');
  const [said, setSaid] = useState('');
  const flip = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    if (next.size > 0) onChoose(next);
  };
  const copy = async () => {
    const copied = await copyText(csv());
    setSaid(copied ? t('table.copied', { count }) : t('table.noCopy'));
  };
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 items-center text-sm">
      <details className="relative">
        <summary className="cursor-pointer min-h-6 underline underline-offset-4 decoration-edge">
          {t('table.columns')}
        </summary>
        <div className="absolute z-30 bg-sheet border border-edge rounded-notch p-3 grid gap-1 shadow-xl">
          {COLUMNS.map(({ id, name }) => (
            <Check key={id} checked={chosen.has(id)} onChange={() => flip(id)}>
              {t(name)}
            </Check>
          ))}
        </div>
      </details>
      <Button weight="quiet" onClick={() => void copy()}>
        {t('table.copy')}
      </Button>
      <span role="status" className="text-ink-2">
        {said}
      </span>
    </div>
  );
}

interface HeadingsProps {
  columns: typeof COLUMNS;
  order: TableOrder;
  onOrder: (order: TableOrder) => void;
}

/** The columns' names: each sorts by its column, pressed again the other way round. */
function Headings({ columns, order, onOrder }: HeadingsProps) {
  const t = useTranslations('options');
  return (
    <thead className="sticky top-0 bg-ground z-10">
      <tr>
        <th scope="col" className="w-8">
          <span className="sr-only">{t('table.shape')}</span>
        </th>
        {columns.map(({ id, name, isFigure }) => (
          <th
            key={id}
            scope="col"
            aria-sort={order.column !== id ? 'none' : order.down ? 'descending' : 'ascending'}
            className={`px-2 py-1 whitespace-nowrap font-semibold ${isFigure ? 'text-right' : 'text-left'}`}
          >
            <button
              type="button"
              className="cursor-pointer min-h-6"
              onClick={() => onOrder({ column: id, down: order.column === id && !order.down })}
            >
              {t(name)}
              <span aria-hidden="true">{order.column !== id ? '' : order.down ? ' ▾' : ' ▴'}</span>
            </button>
          </th>
        ))}
      </tr>
    </thead>
  );
}
