'use client';
import { useTranslations } from '#translations';
import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import { GENERATIONS } from '@/core/memory/generation';
import type { EditedOffer, ListedSeller } from '@/service/market/view';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { KIND_TEXTS, knownOfWhole, NO_OFFER, type OfferTyped, offerModuleTyped, readOffer } from './offer-typed';
import { OriginFields } from './origin-fields';
import { ratingTyped } from './sellers/terms-words';
import { useUnderstood } from './use-understood';

interface OfferFormProps {
  /** the offer that is edited or copied; null: a new one */
  from: { offer: EditedOffer; copy: boolean } | null;
  sellers: readonly ListedSeller[];
  currency: string;
  onClose: () => void;
  /** turns what is edited into a copy of it */
  onCopy: () => void;
  /** @param gone the offer that was withdrawn */
  onSaved: (sentence: string, gone?: number) => void;
}

const FORMS = ['DIMM', 'SO-DIMM'];

function typedFrom({ offer, copy }: NonNullable<OfferFormProps['from']>): OfferTyped {
  const { title, sellerId, sellerPart, modules, module, origin, originalOf, everyModel, models, unbound } = offer;
  return {
    ...NO_OFFER,
    ...offerModuleTyped(knownOfWhole(module)),
    title,
    sellerId: sellerId === null ? '' : String(sellerId),
    // Of one number a seller has one offer.
    sellerPart: copy ? '' : (sellerPart ?? ''),
    modules: String(modules),
    origin,
    originalOf: originalOf ?? '',
    everyModel,
    models,
    unbound,
    stock: offer.stock === null ? '' : String(offer.stock),
    leadDays: offer.leadDays === null ? '' : String(offer.leadDays),
    rating: ratingTyped(offer.rating, offer.ratingCount),
    guarantee: offer.guaranteeMonths === null ? '' : String(offer.guaranteeMonths),
    page: offer.page ?? '',
    note: offer.note,
  };
}

/** An offer by hand: a title with its price is understood as it is typed, and every fact can be put right. */
export function OfferForm({ from, sellers, currency, onClose, onCopy, onSaved }: OfferFormProps) {
  const t = useTranslations('offers');
  const { save } = useSave();
  const editing = from !== null && !from.copy;
  const sellerOf = (id: string) => sellers.find((one) => String(one.id) === id) ?? null;
  const printedBy = (id: string): string => sellerOf(id)?.terms?.currency ?? currency;
  const typing = useTyped({
    from: from === null ? NO_OFFER : typedFrom(from),
    read: (typed) =>
      readOffer(t, typed, { base: understanding.base, currency: printedBy(typed.sellerId), needsPrice: !editing }),
    send: async ({ offer, priceCents }, { title, sellerId }) => {
      const price = sellerOf(sellerId)?.terms == null ? { costCents: priceCents } : { printedCents: priceCents };
      const result = await (editing
        ? save('PUT', `/api/offers/${from.offer.id}`, offer)
        : save('POST', '/api/offers', { offer, price }));
      if (result.ok) onSaved(editing ? t('saved') : t('form.added', { trim: title.trim() }));
      return result;
    },
  });
  const start = from === null ? NOTHING_KNOWN : knownOfWhole(from.offer.module);
  const understanding = useUnderstood(typing.form, currency, start);
  const { understood } = understanding;
  const [sellerId, form] = typing.form.watch(['sellerId', 'form']);
  const seller = sellerOf(sellerId);
  const isOtherMoney = understood?.currency != null && seller !== null && understood.currency !== printedBy(sellerId);
  const withdraw = (offer: EditedOffer) =>
    typing.act(async () => {
      const result = await save('PUT', `/api/offers/${offer.id}/withdrawn`, { withdrawn: true });
      if (result.ok) onSaved(t('form.withdrawn', { title: offer.title }), offer.id);
      return result;
    });
  return (
    <Sheet open wide title={editing ? t('form.edit') : from === null ? t('add') : t('form.copy')} onClose={onClose}>
      <Form
        typing={typing}
        action={editing ? t('save') : t('addAction')}
        onLeave={onClose}
        beside={
          editing && (
            <>
              <Button weight="quiet" disabled={typing.busy} onClick={() => void withdraw(from.offer)}>
                {t('form.withdraw')}
              </Button>
              <Button weight="quiet" disabled={typing.busy} onClick={onCopy}>
                {t('form.copyAction')}
              </Button>
            </>
          )
        }
      >
        {from === null && <TitleLine {...understanding} />}
        {understood !== null && understood.sellerId === null && understood.seller !== null && sellerId === '' && (
          <p className="text-sm text-mind">{t('form.noSeller', { seller: understood.seller })}</p>
        )}
        <div className="grid grid-cols-12 gap-x-3 gap-y-2 items-start">
          <WhoSellsIt sellers={sellers} editing={editing} />
          {!editing && (
            <TextField
              name="price"
              label={t('facts.price')}
              unit={printedBy(sellerId)}
              inputMode="decimal"
              className="col-span-3"
              hint={isOtherMoney ? t('form.titleCurrency', { currency: understood?.currency ?? '' }) : undefined}
            />
          )}
          <WhatModule editing={editing} form={form} />
          <HowItComes leadDays={seller?.leadDays ?? null} />
        </div>
        <OriginFields />
        <Fault sentence={understanding.fault} />
      </Form>
    </Sheet>
  );
}

function TitleLine({ line, setLine, takePage }: ReturnType<typeof useUnderstood>) {
  const t = useTranslations('offers');
  return (
    <div className="flex gap-2 items-end has-[[aria-invalid]]:items-start">
      <Field
        label={t('form.titlePrice')}
        className="flex-1"
        placeholder="Genuine Tarnholt 8GB DDR4-2666 SO-DIMM for TC4-1900, 34.90 EUR"
        spellCheck={false}
        autoFocus
        value={line}
        onChange={(event) => setLine(event.target.value)}
      />
      <FileButton fileLabel={t('form.page')} onFiles={(files) => void takePage(files)}>
        {t('form.pageAction')}
      </FileButton>
    </div>
  );
}

function WhoSellsIt({ sellers, editing }: { sellers: readonly ListedSeller[]; editing: boolean }) {
  const t = useTranslations('offers');
  return (
    <>
      <TextField name="title" label={t('form.title')} className="col-span-12" maxLength={300} />
      <ChoiceField
        name="sellerId"
        label={t('form.seller')}
        className="col-span-5"
        disabled={editing}
        options={[
          { value: '', text: sellers.length === 0 ? t('form.addSeller') : t('form.chooseSeller') },
          ...sellers.map(({ id, name }) => ({ value: String(id), text: name })),
        ]}
      />
      <TextField name="sellerPart" label={t('form.number')} className="col-span-4" maxLength={80} />
    </>
  );
}

const choices = (values: readonly string[]) => [
  { value: '', text: '–' },
  ...values.filter((one) => one !== '').map((one) => ({ value: one, text: one })),
];

function WhatModule({ editing, form }: { editing: boolean; form: string }) {
  const t = useTranslations('offers');
  return (
    <>
      <TextField name="modules" label={t('form.pack')} inputMode="numeric" className="col-span-3" disabled={editing} />
      <TextField
        name="capacity"
        label={t('form.capacity')}
        className="col-span-3"
        placeholder="8 GB"
        disabled={editing}
      />
      <ChoiceField
        name="generation"
        label={t('facts.generation')}
        className="col-span-3"
        options={choices(GENERATIONS)}
      />
      <ChoiceField
        name="form"
        label={t('facts.form')}
        className="col-span-3"
        options={choices([...new Set([...FORMS, form])])}
      />
      <TextField name="rate" label={t('facts.rate')} unit="MT/s" inputMode="numeric" className="col-span-3" />
      <TextField name="cl" label="CL" inputMode="decimal" className="col-span-2" />
      <ChoiceField
        name="kind"
        label={t('form.kind')}
        className="col-span-3"
        options={Object.entries(KIND_TEXTS).map(([value, text]) => ({ value, text: t(text) }))}
      />
      <TextField name="maker" label={t('form.maker')} className="col-span-4" maxLength={200} />
      <TextField name="part" label={t('form.part')} className="col-span-4" maxLength={200} data-scan="part" />
    </>
  );
}

function HowItComes({ leadDays }: { leadDays: number | null }) {
  const t = useTranslations('offers');
  return (
    <>
      <TextField
        name="stock"
        label={t('form.stock')}
        className="col-span-2"
        inputMode="numeric"
        placeholder={t('form.any')}
      />
      <TextField
        name="leadDays"
        label={t('form.delivery')}
        unit={t('days')}
        className="col-span-3"
        inputMode="numeric"
        placeholder={leadDays === null ? '' : String(leadDays)}
      />
      <TextField name="note" label={t('form.note')} className="col-span-3" maxLength={500} />
      <TextField name="rating" label={t('form.rating')} className="col-span-3" placeholder={t('form.ratingExample')} />
      <TextField
        name="guarantee"
        label={t('form.guarantee')}
        unit={t('form.months')}
        className="col-span-3"
        inputMode="numeric"
      />
      <TextField
        name="page"
        label={t('form.ownPage')}
        className="col-span-6"
        type="url"
        inputMode="url"
        placeholder="https://"
        maxLength={500}
      />
    </>
  );
}
