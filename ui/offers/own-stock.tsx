'use client';
import { type FormEvent, useState } from 'react';
import { plainMoney } from '@/core/pricing/currency';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { moduleOfLabel } from '../board/module-of-label';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { NO_OFFER, type OfferErrors, type OfferTyped } from './offer-typed';
import { OriginFields } from './origin-fields';

/** New modules of one kind in stock. */
export interface StockRow {
  offerId: number;
  title: string;
  origin: string;
  originalOf: string | null;
  free: number;
  promised: number;
  place: string;
  leastStock: number | null;
  /** what one cost; null: whoever looks may not see it */
  costCents: number | null;
}

const wholeOf = (text: string): number | null => (/^\d{1,5}$/.test(text.trim()) ? Number(text) : null);

function NewStockSheet({
  currency,
  onClose,
  onSaid,
}: {
  currency: string;
  onClose: () => void;
  onSaid: (said: string) => void;
}) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState({ label: '', quantity: '', cost: '', place: '', least: '' });
  const [origin, setOrigin] = useState<OfferTyped>({ ...NO_OFFER, everyModel: true });
  const [errors, setErrors] = useState<OfferErrors>({});
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    const costCents = parseMoneyIn(typed.cost, currency);
    const isOriginal = origin.origin === 'original';
    const missing: OfferErrors = {
      ...(isOriginal && origin.originalOf.trim() === '' && { originalOf: 'Enter the machine maker.' }),
      ...(isOriginal && !origin.everyModel && origin.models.length === 0 && { models: 'Choose the models.' }),
    };
    setErrors(missing);
    const fault =
      moduleOfLabel(typed.label) === null
        ? 'Enter what it is, such as Corrick 8GB DDR4-2666 SO-DIMM.'
        : wholeOf(typed.quantity) === null
          ? 'Enter how many there are.'
          : costCents === null || costCents <= 0
            ? 'Enter what one cost, such as 19.50.'
            : typed.least.trim() !== '' && wholeOf(typed.least) === null
              ? 'Enter the minimum as a number, or nothing.'
              : origin.origin === 'used'
                ? 'Used modules are added one by one below.'
                : null;
    setWrong(fault);
    if (fault !== null || Object.keys(missing).length > 0) return;
    const result = await save('POST', '/api/stock', {
      label: typed.label.trim(),
      quantity: wholeOf(typed.quantity),
      costCents,
      place: typed.place.trim(),
      leastStock: wholeOf(typed.least),
      origin: origin.origin,
      originalOf: origin.originalOf.trim(),
      everyModel: isOriginal && origin.everyModel,
      modelIds: origin.models.map(({ id }) => id),
    });
    if (!result.ok) return;
    onSaid(`${typed.quantity.trim()} in stock: ${typed.label.trim()}.`);
    onClose();
  };
  return (
    <Sheet
      open
      wide
      title="Add new modules"
      description="Modules that you have bought. They are offered first at an equal price and counted down as they are fitted."
      onClose={onClose}
    >
      <form className="grid gap-3" onSubmit={keep} noValidate>
        <div className="grid grid-cols-6 gap-x-3 gap-y-2 items-start">
          <Field
            label="What it is"
            className="col-span-6"
            placeholder="Corrick 8GB DDR4-2666 CL19 SO-DIMM"
            value={typed.label}
            onChange={set('label')}
            autoFocus
            {...(typed.label.trim() === ''
              ? {}
              : { hint: moduleOfLabel(typed.label)?.line ?? 'Not understood as a module yet.' })}
          />
          <Field label="Quantity" inputMode="numeric" value={typed.quantity} onChange={set('quantity')} />
          <Field
            label="Purchase price of one, without tax"
            unit={currency}
            inputMode="decimal"
            className="col-span-2"
            value={typed.cost}
            onChange={set('cost')}
          />
          <Field
            label="Place"
            className="col-span-2"
            maxLength={80}
            placeholder="drawer 3"
            value={typed.place}
            onChange={set('place')}
          />
          <Field label="Minimum" inputMode="numeric" placeholder="none" value={typed.least} onChange={set('least')} />
        </div>
        <OriginFields typed={origin} errors={errors} onChange={(change) => setOrigin({ ...origin, ...change })} />
        <Fault sentence={wrong ?? sentence} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Add
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

const CHANGES = [
  { value: 'add', text: 'more came' },
  { value: 'take', text: 'take some away' },
  { value: 'rule', text: 'place and minimum' },
] as const;

function ChangeSheet({ row, currency, onClose }: { row: StockRow; currency: string; onClose: () => void }) {
  const { busy, sentence, save } = useSave();
  const [what, setWhat] = useState<(typeof CHANGES)[number]['value']>('add');
  const [typed, setTyped] = useState({
    quantity: '',
    cost: row.costCents === null ? '' : plainMoney(row.costCents, currency),
    why: '',
    place: row.place,
    least: row.leastStock === null ? '' : String(row.leastStock),
  });
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    const quantity = wholeOf(typed.quantity);
    const costCents = typed.cost.trim() === '' ? null : parseMoneyIn(typed.cost, currency);
    const fault =
      what !== 'rule' && quantity === null
        ? 'Enter how many.'
        : what === 'add' && typed.cost.trim() !== '' && costCents === null
          ? 'Enter what one cost, such as 19.50.'
          : what === 'rule' && typed.least.trim() !== '' && wholeOf(typed.least) === null
            ? 'Enter the minimum as a number, or nothing.'
            : null;
    setWrong(fault);
    if (fault !== null) return;
    const bodies = {
      add: { what, quantity, costCents },
      take: { what, quantity, why: typed.why.trim() },
      rule: { what, place: typed.place.trim(), leastStock: wholeOf(typed.least) },
    };
    if ((await save('PUT', `/api/stock/${row.offerId}`, bodies[what])).ok) onClose();
  };
  return (
    <Sheet open title="Change stock" description={row.title} onClose={onClose}>
      <form className="grid grid-cols-2 gap-3 items-start" onSubmit={keep} noValidate>
        <Choice
          label="What changed"
          className="col-span-2"
          value={what}
          onChange={(event) => setWhat(event.target.value as typeof what)}
          options={[...CHANGES]}
        />
        {what === 'rule' ? (
          <>
            <Field label="Place" maxLength={80} value={typed.place} onChange={set('place')} />
            <Field label="Minimum" inputMode="numeric" placeholder="none" value={typed.least} onChange={set('least')} />
          </>
        ) : (
          <>
            <Field label="Quantity" inputMode="numeric" value={typed.quantity} onChange={set('quantity')} autoFocus />
            {what === 'add' ? (
              <Field
                label="Purchase price of one"
                unit={currency}
                inputMode="decimal"
                value={typed.cost}
                onChange={set('cost')}
              />
            ) : (
              <Field
                label="Reason"
                maxLength={200}
                placeholder="lost, broken, own use"
                value={typed.why}
                onChange={set('why')}
              />
            )}
          </>
        )}
        <div className="col-span-2">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-2 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Save
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** New modules of our own, how many are free, and which should be ordered again. */
export function OwnStock({
  rows,
  currency,
  mayWrite,
}: {
  rows: readonly StockRow[];
  currency: string;
  mayWrite: boolean;
}) {
  const [adding, setAdding] = useState(false);
  const [changing, setChanging] = useState<StockRow | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  return (
    <section id="stock" aria-label="New modules in stock">
      <div className="flex items-end justify-between gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">
          New modules in stock <span className="font-normal text-ink-2">{rows.length}</span>
        </h2>
        {mayWrite && (
          <Button weight="quiet" onClick={() => setAdding(true)}>
            Add new modules
          </Button>
        )}
      </div>
      {rows.length === 0 && <p className="bg-sheet px-4 py-4 text-sm">No new modules in stock.</p>}
      <ul className="bg-sheet">
        {rows.map((row) => {
          const isLow = row.leastStock !== null && row.free < row.leastStock;
          return (
            <li
              key={row.offerId}
              className="grid grid-cols-[minmax(0,1fr)_9rem_8rem_6rem_auto] gap-3 items-baseline px-4 py-1.5 border-b border-line text-sm max-[860px]:grid-cols-[minmax(0,1fr)_auto]"
            >
              <span>
                <span className="font-medium">{row.title}</span>
                {row.originalOf !== null && <span className="text-ink-2"> · original of {row.originalOf}</span>}
              </span>
              <span className={isLow ? 'text-mind font-semibold' : ''}>
                {isLow && '△ '}
                {row.free} free{row.promised > 0 && `, ${row.promised} promised`}
                {isLow && `, minimum ${row.leastStock}`}
              </span>
              <span className="text-ink-2 truncate max-[860px]:hidden">{row.place}</span>
              <span className="text-right text-ink-2 max-[860px]:hidden">
                {row.costCents !== null && moneyText(row.costCents, currency)}
              </span>
              {mayWrite && (
                <Button weight="quiet" onClick={() => setChanging(row)} aria-label={`Change stock of ${row.title}`}>
                  Change
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <p role="status" className="text-sm mt-1">
        {said}
      </p>
      {adding && <NewStockSheet currency={currency} onClose={() => setAdding(false)} onSaid={setSaid} />}
      {changing !== null && <ChangeSheet row={changing} currency={currency} onClose={() => setChanging(null)} />}
    </section>
  );
}
