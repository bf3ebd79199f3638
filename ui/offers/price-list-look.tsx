'use client';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { COLUMN_ROLES, type ColumnRole } from '@/core/price-list/column-roles';
import { type ComparedList, isAcceptable, type RowFate } from '@/core/price-list/compare-list';
import { moneyText } from '@/core/pricing/money-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';
import { DOUBT_TEXTS, GROUP_TEXTS, type Group, groupOf, movedText, ROLE_TEXTS, SUSPICION_TEXTS } from './list-words';
import { RowFixer } from './row-fixer';

type Columns = Partial<Record<ColumnRole, number>>;

interface PriceListLookProps {
  list: {
    id: number;
    name: string;
    seller: string;
    state: 'looked-at' | 'applied' | 'undone';
    madeBy: string | null;
    headings: number | null;
  };
  currency: string;
  columns: Columns;
  doubtfulColumns: readonly ColumnRole[];
  sample: readonly string[][];
  compared: ComparedList;
}

/** The first rows with what each column is taken for, to put right. */
function Sample({
  list,
  columns,
  doubtfulColumns,
  sample,
}: Pick<PriceListLookProps, 'list' | 'columns' | 'doubtfulColumns' | 'sample'>) {
  const { busy, sentence, save } = useSave();
  const width = Math.max(0, ...sample.map((row) => row.length));
  const roleOf = (column: number) => COLUMN_ROLES.find((role) => columns[role] === column);
  const put = (column: number, role: string) => {
    const others = Object.entries(columns).filter(([name, at]) => at !== column && name !== role);
    const next = Object.fromEntries([...others, ...(role === '' ? [] : [[role, column]])]);
    return save('PUT', `/api/lists/${list.id}`, { headings: list.headings, columns: next });
  };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard
    <section aria-label="Columns" className="overflow-x-auto bg-sheet border border-line" tabIndex={0}>
      <table className="w-full text-sm border-collapse">
        <thead>
          <tr className="border-b-2 border-edge">
            {Array.from({ length: width }, (_, column) => {
              const role = roleOf(column);
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <td key={column} className="px-1.5 py-1 border-l border-line first:border-0">
                  <select
                    aria-label={`Column ${column + 1} is`}
                    className={`${INPUT_LOOK} min-w-28 ${role === undefined ? 'text-ink-2' : 'font-semibold'}`}
                    value={role ?? ''}
                    disabled={busy || list.state !== 'looked-at'}
                    onChange={(event) => void put(column, event.target.value)}
                  >
                    <option value="">not used</option>
                    {COLUMN_ROLES.map((one) => (
                      <option key={one} value={one}>
                        {ROLE_TEXTS[one]}
                      </option>
                    ))}
                  </select>
                  {role !== undefined && doubtfulColumns.includes(role) && (
                    <span className="block text-mind">△ another fits as well</span>
                  )}
                </td>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {sample.map((row, at) => (
            <tr
              // biome-ignore lint/suspicious/noArrayIndexKey: the rows stand as they are
              key={at}
              className={`border-b border-line last:border-0 ${at === 0 && list.headings !== null ? 'font-semibold' : ''}`}
            >
              {Array.from({ length: width }, (_, column) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <td key={column} className="px-2 py-1 border-l border-line first:border-0 whitespace-nowrap">
                  {row[column]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <Fault sentence={sentence} />
    </section>
  );
}

function priceText(fate: RowFate, currency: string): string {
  const { printedCents } = fate.row;
  const now = printedCents === null ? 'no price' : moneyText(printedCents, fate.row.currency ?? currency);
  return 'fromCents' in fate && printedCents !== null
    ? `${moneyText(fate.fromCents, currency)} → ${now}, ${movedText(fate.fromCents, printedCents)}`
    : now;
}

interface RowsProps {
  group: Group;
  fates: readonly RowFate[];
  currency: string;
  accepted: ReadonlySet<number>;
  onAccept: (line: number, accepted: boolean) => void;
  /** the list whose doubtful rows can be put right */
  listId: number;
}

const MOST_SHOWN = 40;

function Rows({ group, fates, currency, accepted, onAccept, listId }: RowsProps) {
  const [all, setAll] = useState(false);
  if (fates.length === 0) return null;
  const shown = all ? fates : fates.slice(0, group === 'same' ? 0 : MOST_SHOWN);
  return (
    <section aria-label={GROUP_TEXTS[group]}>
      <h2 className="text-base border-b-4 border-edge pb-1 flex items-baseline justify-between gap-3">
        <span>
          {GROUP_TEXTS[group]} <span className="font-normal text-ink-2">{fates.length}</span>
        </span>
        {shown.length < fates.length && (
          <Button weight="quiet" onClick={() => setAll(true)} aria-label={`Show all: ${GROUP_TEXTS[group]}`}>
            Show all
          </Button>
        )}
      </h2>
      <ul className="bg-sheet">
        {shown.map((fate) => (
          <li
            key={fate.row.line}
            className="grid grid-cols-[4.5rem_7rem_minmax(0,1fr)_auto] gap-3 items-baseline px-4 py-1 border-b border-line text-sm"
          >
            <span className="text-ink-2">line {fate.row.line}</span>
            <span className="truncate">{fate.row.sku}</span>
            <span className="min-w-0">
              {fate.row.title}
              {fate.row.doubts.length > 0 && (
                <span className="block text-mind">
                  △ {fate.row.doubts.map((doubt) => DOUBT_TEXTS[doubt]).join(', ')}
                </span>
              )}
              {group === 'doubtful' && <RowFixer listId={listId} row={fate.row} />}
              {fate.suspicion !== null && <span className="block text-mind">△ {SUSPICION_TEXTS[fate.suspicion]}</span>}
            </span>
            <span className="text-right">
              {priceText(fate, currency)}
              {group === 'suspicious' && fate.suspicion !== null && isAcceptable(fate.suspicion) && (
                <Check
                  checked={accepted.has(fate.row.line)}
                  onChange={(checked) => onAccept(fate.row.line, checked)}
                  className="justify-end"
                >
                  it is right
                </Check>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const GROUPS: readonly Group[] = ['suspicious', 'doubtful', 'new', 'up', 'down', 'same'];

/** A price list before it counts: what each column is, what would change, and what wants a look. */
export function PriceListLook({ list, currency, columns, doubtfulColumns, sample, compared }: PriceListLookProps) {
  const { busy, sentence, save } = useSave();
  const [accepted, setAccepted] = useState<ReadonlySet<number>>(new Set());
  const [withdrawGone, setWithdrawGone] = useState(false);
  const [told, setTold] = useState<string | null>(null);
  const groups = useMemo(() => {
    const by = new Map<Group, RowFate[]>();
    for (const fate of compared.fates) by.set(groupOf(fate), [...(by.get(groupOf(fate)) ?? []), fate]);
    return by;
  }, [compared]);
  const accept = (line: number, yes: boolean) =>
    setAccepted((before) => new Set(yes ? [...before, line] : [...before].filter((one) => one !== line)));
  const apply = async () => {
    const body = { accept: [...accepted], withdrawGone };
    const result = await save<{ added: number; priced: number; withdrawn: number; left: number }>(
      'POST',
      `/api/lists/${list.id}/apply`,
      body,
    );
    if (!result.ok) return;
    const { added, priced, withdrawn, left } = result.value;
    setTold(`${added} new, ${priced} re-priced, ${withdrawn} off the market, ${left} left as they were.`);
  };
  const undo = async () => {
    const result = await save<{ changed: number }>('DELETE', `/api/lists/${list.id}/apply`);
    if (result.ok) setTold(`Undone: ${result.value.changed} offers are as they were.`);
  };
  const open = list.state === 'looked-at';
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-xl">
            {list.name} <span className="font-normal text-ink-2 text-base">of {list.seller}</span>
          </h1>
          <p className="text-sm text-ink-2">
            {open
              ? 'Nothing counts yet: look, then apply it whole.'
              : list.state === 'applied'
                ? 'Applied.'
                : 'Undone.'}{' '}
            <Link href="/offers" className="underline underline-offset-2">
              All offers
            </Link>
          </p>
        </div>
        {open && (
          <Button weight="act" disabled={busy} onClick={apply}>
            Apply the list
          </Button>
        )}
        {list.state === 'applied' && (
          <Button disabled={busy} onClick={undo}>
            Undo the list
          </Button>
        )}
      </div>
      <Fault sentence={sentence} />
      {told !== null && (
        <Notice tone="good" live>
          {told}
        </Notice>
      )}
      <Sample list={list} columns={columns} doubtfulColumns={doubtfulColumns} sample={sample} />
      {open && compared.gone.length > 0 && (
        <Check checked={withdrawGone} onChange={setWithdrawGone}>
          {compared.gone.length === 1 ? '1 offer' : `${compared.gone.length} offers`} of {list.seller} are no longer in
          the list: take them off the market
        </Check>
      )}
      {open &&
        GROUPS.map((group) => (
          <Rows
            key={group}
            group={group}
            fates={groups.get(group) ?? []}
            currency={currency}
            accepted={accepted}
            onAccept={accept}
            listId={list.id}
          />
        ))}
    </div>
  );
}
