'use client';
import type { ListedSeller } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import { SellerEnds } from './seller-ends';
import { readSeller, typedSeller } from './seller-typed';

export const TRUST_WORDS = {
  'own-stock': 'sells its own stock',
  marketplace: 'a marketplace: others sell there',
} as const;

interface SellerSheetProps {
  seller: ListedSeller;
  /** whom it may be merged with */
  others: readonly ListedSeller[];
  currency: string;
  onClose: () => void;
  onSaved: (sentence: string) => void;
}

/** A seller's terms, to be changed: what its numbers mean, how it sells, what others say of it. */
export function SellerSheet({ seller, others, currency, onClose, onSaved }: SellerSheetProps) {
  const { save } = useSave();
  const isNew = seller.id === 0;
  const told = (sentence: string) => {
    onSaved(sentence);
    onClose();
  };
  const typing = useTyped({
    from: typedSeller(seller, currency),
    read: readSeller,
    send: async (body, { name }) => {
      const result = await (isNew
        ? save<{ changed?: number }>('POST', '/api/sellers', body)
        : save<{ changed?: number }>('PUT', `/api/sellers/${seller.id}`, body));
      if (!result.ok) return result;
      const { changed = 0 } = result.value;
      told(
        isNew
          ? `${name.trim()} is added. Import its price list, or add its offers.`
          : `${name.trim()}: ${changed === 1 ? '1 price' : `${changed} prices`} counted anew.`,
      );
      return result;
    },
  });
  return (
    <Sheet
      open
      wide
      title={isNew ? 'Add a seller' : seller.name}
      description="What its prices mean. Costs are counted by these terms."
      onClose={onClose}
    >
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action={isNew ? 'Add' : 'Save'}
        onLeave={onClose}
        beside={!isNew && <SellerEnds seller={seller} others={others} onDone={told} />}
      >
        <WhatItsPricesMean isNew={isNew} />
        <HowItSells />
      </Form>
    </Sheet>
  );
}

function WhatItsPricesMean({ isNew }: { isNew: boolean }) {
  return (
    <>
      <TextField name="name" label="Name" className="col-span-3" maxLength={80} autoFocus={isNew} />
      <TextField
        name="partsOf"
        label="Sells original parts of"
        className="col-span-3"
        placeholder="a machine maker"
        hint="leave blank unless it is a maker’s own parts shop"
        maxLength={80}
      />
      <TextField name="currency" label="Currency" className="col-span-2" maxLength={3} autoFocus={!isNew} />
      <TextField name="taxPercent" label="Tax" unit="%" inputMode="decimal" className="col-span-2" />
      <TextField name="leadDays" label="Delivery time" unit="days" inputMode="numeric" className="col-span-2" />
      <CheckField name="withTax" className="col-span-3 min-h-9">
        prices include tax
      </CheckField>
      <CheckField name="taxBack" className="col-span-3 min-h-9">
        tax is refunded to us
      </CheckField>
      <TextField
        name="shipping"
        label="Shipping of an order"
        className="col-span-6"
        hint="none · 4.90 · 4.90, free from 50.00 · 500 g 4.90; 2000 g 8.90"
      />
      <TextField
        name="promotion"
        label="Promotion"
        className="col-span-3"
        hint="off everything: 5 % until 2026-11-30"
      />
    </>
  );
}

function HowItSells() {
  return (
    <>
      <TextField name="rating" label="Rating" className="col-span-3" hint="stars, and how many gave them: 4.6 of 120" />
      <ChoiceField
        name="trust"
        label="Kind of seller"
        className="col-span-3"
        options={Object.entries(TRUST_WORDS).map(([value, text]) => ({ value, text }))}
      />
      <TextField
        name="returns"
        label="Returns"
        className="col-span-3"
        placeholder="30 days, unopened"
        maxLength={200}
      />
      <TextField
        name="orderMail"
        label="Mail for orders"
        className="col-span-4"
        placeholder="orders@seller.example"
        maxLength={200}
      />
      <TextField name="leastOrder" label="Minimum order" className="col-span-2" placeholder="any" />
      <TextField
        name="orderContact"
        label="Other contact"
        className="col-span-6"
        placeholder="a telephone number, an account"
        maxLength={200}
      />
    </>
  );
}
