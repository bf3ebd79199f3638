'use client';
import { useTranslations } from '#translations';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { StaffWords } from '@/words/staff-words';
import { moduleOfLabel } from '../../board/module-of-label';
import { useSave } from '../../client/use-save';
import { TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { isTyped, type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import { type OriginTyped, originFaults } from '../offer-typed';
import { OriginFields } from '../origin-fields';

interface NewStock extends OriginTyped {
  label: string;
  quantity: string;
  cost: string;
  place: string;
  least: string;
}

const NOTHING: NewStock = {
  label: '',
  quantity: '',
  cost: '',
  place: '',
  least: '',
  origin: 'third-party',
  originalOf: '',
  everyModel: true,
  models: [],
  unbound: [],
};

function readStock(t: StaffWords<'offers'>, typed: NewStock, currency: string): Read<NewStock, object> {
  const { label, quantity, cost, place, least, origin, originalOf, everyModel, models } = typed;
  const costCents = parseMoneyIn(cost, currency);
  const looked = {
    label: moduleOfLabel(label) === null && t('stock.faults.what'),
    quantity: wholeTyped(quantity) === null && t('stock.faults.howMany2'),
    cost: (costCents === null || costCents <= 0) && t('stock.faults.cost'),
    least: isTyped(least) && wholeTyped(least) === null && t('stock.faults.minimum'),
    origin: origin === 'used' && t('stock.faults.used'),
    ...originFaults(t, typed),
  };
  return readTyped<NewStock, object>(looked, () => ({
    label: label.trim(),
    quantity: wholeTyped(quantity),
    costCents,
    place: place.trim(),
    leastStock: wholeTyped(least),
    origin,
    originalOf: originalOf.trim(),
    everyModel: origin === 'original' && everyModel,
    modelIds: models.map(({ id }) => id),
  }));
}

interface NewStockSheetProps {
  currency: string;
  onClose: () => void;
  onSaid: (said: string) => void;
}

/** Modules that were bought, put into stock. */
export function NewStockSheet({ currency, onClose, onSaid }: NewStockSheetProps) {
  const t = useTranslations('offers');
  const { save } = useSave();
  const typing = useTyped({
    from: NOTHING,
    read: (typed) => readStock(t, typed, currency),
    send: async (body, { label, quantity }) => {
      const result = await save('POST', '/api/stock', body);
      if (result.ok) {
        onSaid(t('stock.added', { trim: quantity.trim(), trim2: label.trim() }));
        onClose();
      }
      return result;
    },
  });
  const label = typing.form.watch('label');
  const hint = isTyped(label) ? (moduleOfLabel(label)?.line ?? t('stock.faults.notAModule')) : undefined;
  return (
    <Sheet open wide title={t('stock.add')} description={t('stock.what')} onClose={onClose}>
      <Form typing={typing} action={t('addAction')} onLeave={onClose}>
        <div className="grid grid-cols-6 gap-x-3 gap-y-2 items-start">
          <TextField
            name="label"
            label={t('stock.label')}
            className="col-span-6"
            placeholder="Corrick 8GB DDR4-2666 CL19 SO-DIMM"
            autoFocus
            hint={hint}
          />
          <TextField name="quantity" label={t('stock.quantity')} inputMode="numeric" />
          <TextField
            name="cost"
            label={t('stock.costNet')}
            unit={currency}
            inputMode="decimal"
            className="col-span-2"
          />
          <TextField
            name="place"
            label={t('stock.place')}
            className="col-span-2"
            maxLength={80}
            placeholder={t('stock.placeExample')}
          />
          <TextField name="least" label={t('stock.minimum')} inputMode="numeric" placeholder={t('stock.none')} />
        </div>
        <OriginFields />
      </Form>
    </Sheet>
  );
}
