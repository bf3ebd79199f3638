'use client';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { useSave } from '../../client/use-save';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { isTyped, type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import type { StockRow } from './stock-row';

const CHANGES = [
  { value: 'add', text: 'more came' },
  { value: 'take', text: 'take some away' },
  { value: 'rule', text: 'place and minimum' },
] as const;

interface StockChange {
  what: (typeof CHANGES)[number]['value'];
  quantity: string;
  cost: string;
  why: string;
  place: string;
  least: string;
}

function readChange(typed: StockChange, currency: string): Read<StockChange, object> {
  const { what, cost, why, place, least } = typed;
  const quantity = wholeTyped(typed.quantity);
  const costCents = isTyped(cost) ? parseMoneyIn(cost, currency) : null;
  const looked = {
    quantity: what !== 'rule' && quantity === null && 'Enter how many.',
    cost: what === 'add' && isTyped(cost) && costCents === null && 'Enter what one cost, such as 19.50.',
    least:
      what === 'rule' && isTyped(least) && wholeTyped(least) === null && 'Enter the minimum as a number, or nothing.',
  };
  const bodies = {
    add: { what, quantity, costCents },
    take: { what, quantity, why: why.trim() },
    rule: { what, place: place.trim(), leastStock: wholeTyped(least) },
  };
  return readTyped<StockChange, object>(looked, () => bodies[what]);
}

interface ChangeStockSheetProps {
  row: StockRow;
  currency: string;
  onClose: () => void;
}

/** More came, some went, or they lie elsewhere. */
export function ChangeStockSheet({ row, currency, onClose }: ChangeStockSheetProps) {
  const { save } = useSave();
  const from: StockChange = {
    what: 'add',
    quantity: '',
    cost: row.costCents === null ? '' : plainMoney(row.costCents, currency),
    why: '',
    place: row.place,
    least: row.leastStock === null ? '' : String(row.leastStock),
  };
  const typing = useTyped({
    from,
    read: (typed) => readChange(typed, currency),
    send: async (body) => {
      const result = await save('PUT', `/api/stock/${row.offerId}`, body);
      if (result.ok) onClose();
      return result;
    },
  });
  const what = typing.form.watch('what');
  return (
    <Sheet open title="Change stock" description={row.title} onClose={onClose}>
      <Form typing={typing} className="grid grid-cols-2 gap-3 items-start" action="Save" onLeave={onClose}>
        <ChoiceField name="what" label="What changed" className="col-span-2" options={CHANGES} />
        {what === 'rule' && (
          <>
            <TextField name="place" label="Place" maxLength={80} />
            <TextField name="least" label="Minimum" inputMode="numeric" placeholder="none" />
          </>
        )}
        {what !== 'rule' && <TextField name="quantity" label="Quantity" inputMode="numeric" autoFocus />}
        {what === 'add' && <TextField name="cost" label="Purchase price of one" unit={currency} inputMode="decimal" />}
        {what === 'take' && <TextField name="why" label="Reason" maxLength={200} placeholder="lost, broken, own use" />}
      </Form>
    </Sheet>
  );
}
