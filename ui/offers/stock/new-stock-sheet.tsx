'use client';
import { parseMoneyIn } from '@/core/pricing/parse-money';
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

function readStock(typed: NewStock, currency: string): Read<NewStock, object> {
  const { label, quantity, cost, place, least, origin, originalOf, everyModel, models } = typed;
  const costCents = parseMoneyIn(cost, currency);
  const looked = {
    label: moduleOfLabel(label) === null && 'Enter what it is, such as Corrick 8GB DDR4-2666 SO-DIMM.',
    quantity: wholeTyped(quantity) === null && 'Enter how many there are.',
    cost: (costCents === null || costCents <= 0) && 'Enter what one cost, such as 19.50.',
    least: isTyped(least) && wholeTyped(least) === null && 'Enter the minimum as a number, or nothing.',
    origin: origin === 'used' && 'Used modules are added one by one below.',
    ...originFaults(typed),
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
  const { save } = useSave();
  const typing = useTyped({
    from: NOTHING,
    read: (typed) => readStock(typed, currency),
    send: async (body, { label, quantity }) => {
      const result = await save('POST', '/api/stock', body);
      if (result.ok) {
        onSaid(`${quantity.trim()} in stock: ${label.trim()}.`);
        onClose();
      }
      return result;
    },
  });
  const label = typing.form.watch('label');
  const hint = isTyped(label) ? (moduleOfLabel(label)?.line ?? 'Not understood as a module yet.') : undefined;
  return (
    <Sheet
      open
      wide
      title="Add new modules"
      description="Modules that you have bought. They are offered first at an equal price and counted down as they are fitted."
      onClose={onClose}
    >
      <Form typing={typing} action="Add" onLeave={onClose}>
        <div className="grid grid-cols-6 gap-x-3 gap-y-2 items-start">
          <TextField
            name="label"
            label="What it is"
            className="col-span-6"
            placeholder="Corrick 8GB DDR4-2666 CL19 SO-DIMM"
            autoFocus
            hint={hint}
          />
          <TextField name="quantity" label="Quantity" inputMode="numeric" />
          <TextField
            name="cost"
            label="Purchase price of one, without tax"
            unit={currency}
            inputMode="decimal"
            className="col-span-2"
          />
          <TextField name="place" label="Place" className="col-span-2" maxLength={80} placeholder="drawer 3" />
          <TextField name="least" label="Minimum" inputMode="numeric" placeholder="none" />
        </div>
        <OriginFields />
      </Form>
    </Sheet>
  );
}
