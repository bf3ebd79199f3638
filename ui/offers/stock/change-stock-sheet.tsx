'use client';
import { useTranslations } from '#translations';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { worded } from '@/ui/words/worded';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../../client/use-save';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { isTyped, type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import type { StockRow } from './stock-row';

const CHANGES = [
  { value: 'add', text: 'stock.more' },
  { value: 'take', text: 'stock.less' },
  { value: 'rule', text: 'stock.placeAndMinimum' },
] as const;

interface StockChange {
  what: (typeof CHANGES)[number]['value'];
  quantity: string;
  cost: string;
  why: string;
  place: string;
  least: string;
}

function readChange(t: StaffWords<'offers'>, typed: StockChange, currency: string): Read<StockChange, object> {
  const { what, cost, why, place, least } = typed;
  const quantity = wholeTyped(typed.quantity);
  const costCents = isTyped(cost) ? parseMoneyIn(cost, currency) : null;
  const looked = {
    quantity: what !== 'rule' && quantity === null && t('stock.faults.howMany'),
    cost: what === 'add' && isTyped(cost) && costCents === null && t('stock.faults.cost'),
    least: what === 'rule' && isTyped(least) && wholeTyped(least) === null && t('stock.faults.minimum'),
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
  const t = useTranslations('offers');
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
    read: (typed) => readChange(t, typed, currency),
    send: async (body) => {
      const result = await save('PUT', `/api/stock/${row.offerId}`, body);
      if (result.ok) onClose();
      return result;
    },
  });
  const what = typing.form.watch('what');
  return (
    <Sheet open title={t('stock.change')} description={row.title} onClose={onClose}>
      <Form typing={typing} className="grid grid-cols-2 gap-3 items-start" action={t('save')} onLeave={onClose}>
        <ChoiceField name="what" label={t('stock.changed')} className="col-span-2" options={worded(t, CHANGES)} />
        {what === 'rule' && (
          <>
            <TextField name="place" label={t('stock.place')} maxLength={80} />
            <TextField name="least" label={t('stock.minimum')} inputMode="numeric" placeholder={t('stock.none')} />
          </>
        )}
        {what !== 'rule' && <TextField name="quantity" label={t('stock.quantity')} inputMode="numeric" autoFocus />}
        {what === 'add' && <TextField name="cost" label={t('stock.cost')} unit={currency} inputMode="decimal" />}
        {what === 'take' && (
          <TextField name="why" label={t('stock.reason')} maxLength={200} placeholder={t('stock.reasonHint')} />
        )}
      </Form>
    </Sheet>
  );
}
