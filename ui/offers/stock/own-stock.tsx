'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { Button } from '../../kit/button';
import { moneyText } from '../../words/amounts';
import { ChangeStockSheet } from './change-stock-sheet';
import { NewStockSheet } from './new-stock-sheet';
import type { StockRow } from './stock-row';

/** New modules of our own, how many are free, and which should be ordered again. */
export function OwnStockSection({
  rows,
  currency,
  mayWrite,
}: {
  rows: readonly StockRow[];
  currency: string;
  mayWrite: boolean;
}) {
  const t = useTranslations('offers');
  const [adding, setAdding] = useState(false);
  const [changing, setChanging] = useState<StockRow | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  return (
    <section id="stock" aria-label={t('stock.title')}>
      <div className="flex items-end justify-between gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">
          {t.rich('stock.head', { e0: () => <span className="font-normal text-ink-2">{rows.length}</span> })}
        </h2>
        {mayWrite && (
          <Button weight="quiet" onClick={() => setAdding(true)}>
            {t('stock.add')}
          </Button>
        )}
      </div>
      {rows.length === 0 && <p className="bg-sheet px-4 py-4 text-sm">{t('stock.empty')}</p>}
      <ul className="bg-sheet">
        {rows.map((row) => (
          <StockLine key={row.offerId} row={row} currency={currency} onChange={mayWrite ? setChanging : null} />
        ))}
      </ul>
      <p role="status" className="text-sm mt-1">
        {said}
      </p>
      {adding && <NewStockSheet currency={currency} onClose={() => setAdding(false)} onSaid={setSaid} />}
      {changing !== null && <ChangeStockSheet row={changing} currency={currency} onClose={() => setChanging(null)} />}
    </section>
  );
}

interface StockLineProps {
  row: StockRow;
  currency: string;
  /** null: the person who looks may not change it */
  onChange: ((row: StockRow) => void) | null;
}

function StockLine({ row, currency, onChange }: StockLineProps) {
  const t = useTranslations('offers');
  const isLow = row.leastStock !== null && row.free < row.leastStock;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_9rem_8rem_6rem_auto] gap-3 items-baseline px-4 py-1.5 border-b border-line text-sm max-[860px]:grid-cols-[minmax(0,1fr)_auto]">
      <span>
        <span className="font-medium">{row.title}</span>
        {row.originalOf !== null && (
          <span className="text-ink-2">{t('stock.original', { originalOf: row.originalOf })}</span>
        )}
      </span>
      <span className={isLow ? 'text-mind font-semibold' : ''}>
        {t('stock.free', {
          value: isLow ? '△ ' : '',
          free: row.free,
          value2: row.promised > 0 ? t('stock.promised', { promised: row.promised }) : '',
          value3: isLow ? t('stock.minimumIs', { leastStock: row.leastStock ?? 0 }) : '',
        })}
      </span>
      <span className="text-ink-2 truncate max-[860px]:hidden">{row.place}</span>
      <span className="text-right text-ink-2 max-[860px]:hidden">
        {row.costCents !== null && moneyText(row.costCents, currency)}
      </span>
      {onChange !== null && (
        <Button weight="quiet" onClick={() => onChange(row)} aria-label={t('stock.changeOne', { title: row.title })}>
          {t('stock.changeAction')}
        </Button>
      )}
    </li>
  );
}
