'use client';
import { useTranslations } from '#translations';
import type { ListedSeller } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import { SellerEnds } from './seller-ends';
import { readSeller, typedSeller } from './seller-typed';

export const TRUST_WORDS = {
  'own-stock': 'seller.own',
  marketplace: 'seller.marketplace',
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
  const t = useTranslations('offers');
  const { save } = useSave();
  const isNew = seller.id === 0;
  const told = (sentence: string) => {
    onSaved(sentence);
    onClose();
  };
  const typing = useTyped({
    from: typedSeller(t, seller, currency),
    read: (typed) => readSeller(t, typed),
    send: async (body, { name }) => {
      const result = await (isNew
        ? save<{ changed?: number }>('POST', '/api/sellers', body)
        : save<{ changed?: number }>('PUT', `/api/sellers/${seller.id}`, body));
      if (!result.ok) return result;
      const { changed = 0 } = result.value;
      told(
        isNew
          ? t('seller.added', { trim: name.trim() })
          : t('seller.recounted', {
              trim: name.trim(),
              value: t('seller.prices', { changed }),
            }),
      );
      return result;
    },
  });
  return (
    <Sheet open wide title={isNew ? t('sellers.add') : seller.name} description={t('seller.what')} onClose={onClose}>
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action={isNew ? t('addAction') : t('save')}
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
  const t = useTranslations('offers');
  return (
    <>
      <TextField name="name" label={t('seller.name')} className="col-span-3" maxLength={80} autoFocus={isNew} />
      <TextField
        name="partsOf"
        label={t('seller.partsOf')}
        className="col-span-3"
        placeholder={t('seller.machineMaker')}
        hint={t('seller.partsHint')}
        maxLength={80}
      />
      <TextField name="currency" label={t('seller.currency')} className="col-span-2" maxLength={3} autoFocus={!isNew} />
      <TextField name="taxPercent" label={t('seller.tax')} unit="%" inputMode="decimal" className="col-span-2" />
      <TextField
        name="leadDays"
        label={t('form.delivery')}
        unit={t('days')}
        inputMode="numeric"
        className="col-span-2"
      />
      <CheckField name="withTax" className="col-span-3 min-h-9">
        {t('seller.includes')}
      </CheckField>
      <CheckField name="taxBack" className="col-span-3 min-h-9">
        {t('seller.refunded')}
      </CheckField>
      <TextField name="shipping" label={t('seller.shipping')} className="col-span-6" hint={t('seller.shippingHint')} />
      <TextField
        name="promotion"
        label={t('seller.promotion')}
        className="col-span-3"
        hint={t('seller.promotionHint')}
      />
    </>
  );
}

function HowItSells() {
  const t = useTranslations('offers');
  return (
    <>
      <TextField name="rating" label={t('seller.rating')} className="col-span-3" hint={t('seller.ratingHint')} />
      <ChoiceField
        name="trust"
        label={t('seller.kind')}
        className="col-span-3"
        options={Object.entries(TRUST_WORDS).map(([value, text]) => ({ value, text: t(text) }))}
      />
      <TextField
        name="returns"
        label={t('seller.returns')}
        className="col-span-3"
        placeholder={t('seller.returnsExample')}
        maxLength={200}
      />
      <TextField
        name="orderMail"
        label={t('seller.mail')}
        className="col-span-4"
        placeholder="orders@seller.example"
        maxLength={200}
      />
      <TextField name="leastOrder" label={t('seller.minimum')} className="col-span-2" placeholder={t('seller.any')} />
      <TextField
        name="orderContact"
        label={t('seller.contact')}
        className="col-span-6"
        placeholder={t('seller.contactHint')}
        maxLength={200}
      />
    </>
  );
}
