'use client';
import { useEffect, useState } from 'react';
import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import type { KnownModule } from '@/core/machine/slots/job-slot';
import { GENERATIONS } from '@/core/memory/generation';
import { callOnce } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { faultOfFiles, textFile } from '../intake/readings/reading-inputs';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { Sheet } from '../kit/sheet';
import type { EditedOffer } from './listed-offer';
import {
  KIND_TEXTS,
  knownOfWhole,
  moduleTyped,
  NO_OFFER,
  type OfferErrors,
  type OfferTyped,
  offerOf,
  type UnderstoodOffer,
  understoodTyped,
} from './offer-typed';
import { OriginFields } from './origin-fields';
import type { ListedSeller } from './sellers/listed-seller';

/** Typing goes on: understood when it rests for so long, milliseconds. */
const REST_MS = 300;

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
    ...moduleTyped(knownOfWhole(module)),
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
    note: offer.note,
  };
}

/** An offer by hand: a title with its price is understood as it is typed, and every fact can be put right. */
export function OfferForm({ from, sellers, currency, onClose, onCopy, onSaved }: OfferFormProps) {
  const { busy, sentence, save } = useSave();
  const editing = from !== null && !from.copy;
  const [typed, setTyped] = useState<OfferTyped>(() => (from === null ? NO_OFFER : typedFrom(from)));
  const [base, setBase] = useState<KnownModule>(() =>
    from === null ? NOTHING_KNOWN : knownOfWhole(from.offer.module),
  );
  const [line, setLine] = useState('');
  const [understood, setUnderstood] = useState<UnderstoodOffer | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [errors, setErrors] = useState<OfferErrors>({});
  // What somebody typed is theirs: what is understood later leaves it alone.
  const [touched, setTouched] = useState<ReadonlySet<string>>(new Set());
  const change = (next: Partial<OfferTyped>) => {
    setTouched(new Set([...touched, ...Object.keys(next)]));
    setTyped({ ...typed, ...next });
  };
  const set = (key: keyof OfferTyped) => (event: { target: { value: string } }) =>
    change({ [key]: event.target.value });

  const take = (told: UnderstoodOffer) => {
    setUnderstood(told);
    setBase(told.module);
    setTyped((before) => {
      const fills = Object.entries(understoodTyped(told, currency)).filter(([key]) => !touched.has(key));
      return { ...before, ...Object.fromEntries(fills) };
    });
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: only what is typed into the line is understood anew
  useEffect(() => {
    if (line.trim() === '') return;
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await callOnce<UnderstoodOffer>('POST', '/api/offers/understand', textFile('typed line', line));
      if (stale) return;
      setFault(result.ok ? null : result.sentence);
      if (result.ok) take(result.value);
    }, REST_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [line]);

  const takePage = async (files: readonly File[]) => {
    const [file] = files;
    if (file === undefined) return;
    const wrong = faultOfFiles(files);
    const result = wrong === null ? await callOnce<UnderstoodOffer>('POST', '/api/offers/understand', file) : null;
    setFault(wrong ?? (result?.ok === false ? result.sentence : null));
    if (result?.ok) take(result.value);
  };

  const seller = sellers.find(({ id }) => String(id) === typed.sellerId) ?? null;
  const printed = seller?.terms?.currency ?? currency;
  const isOtherMoney = understood?.currency != null && seller !== null && understood.currency !== printed;

  const keep = async () => {
    const made = offerOf(typed, { base, currency: printed });
    const noPrice = !editing && typed.price.trim() === '';
    if (!made.ok || noPrice) {
      setErrors({ ...(made.ok ? {} : made.errors), ...(noPrice && { price: 'Enter its price.' }) });
      return;
    }
    setErrors({});
    if (editing) {
      const result = await save('PUT', `/api/offers/${from.offer.id}`, made.offer);
      if (result.ok) onSaved('Saved.');
      return;
    }
    const cents = made.priceCents ?? 0;
    const price = seller?.terms == null ? { costCents: cents } : { printedCents: cents };
    const result = await save('POST', '/api/offers', { offer: made.offer, price });
    if (result.ok) onSaved(`Added: ${typed.title.trim()}.`);
  };

  const withdraw = async () => {
    if (from === null) return;
    const result = await save('PUT', `/api/offers/${from.offer.id}/withdrawn`, { withdrawn: true });
    if (result.ok) onSaved(`Withdrawn: ${from.offer.title}. Quotes that are out keep it.`, from.offer.id);
  };

  const error = (key: keyof OfferTyped): string | null => errors[key] ?? null;
  return (
    <Sheet open wide title={editing ? 'Edit offer' : from === null ? 'Add an offer' : 'Copy offer'} onClose={onClose}>
      <form
        className="grid gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        {from === null && (
          <div className="flex gap-2 items-end">
            <Field
              label="Title with price"
              className="flex-1"
              placeholder="Genuine Tarnholt 8GB DDR4-2666 SO-DIMM for TC4-1900, 34.90 EUR"
              spellCheck={false}
              autoFocus
              value={line}
              onChange={(event) => setLine(event.target.value)}
            />
            <FileButton fileLabel="A seller’s saved page" onFiles={(files) => void takePage(files)}>
              Page…
            </FileButton>
          </div>
        )}
        {understood !== null && understood.sellerId === null && understood.seller !== null && typed.sellerId === '' && (
          <p className="text-sm text-mind">
            △ “{understood.seller}” is none of your sellers: choose one, or add it first.
          </p>
        )}
        <div className="grid grid-cols-12 gap-x-3 gap-y-2 items-start">
          <Field
            label="Title"
            className="col-span-12"
            maxLength={300}
            value={typed.title}
            error={error('title')}
            onChange={set('title')}
          />
          <div className="col-span-5">
            <Choice
              label="Seller"
              value={typed.sellerId}
              disabled={editing}
              onChange={set('sellerId')}
              options={[
                { value: '', text: sellers.length === 0 ? 'add a seller first' : 'Choose a seller' },
                ...sellers.map(({ id, name }) => ({ value: String(id), text: name })),
              ]}
            />
            {error('sellerId') !== null && (
              <p role="alert" className="text-sm mt-0.5 text-stop font-medium">
                {error('sellerId')}
              </p>
            )}
          </div>
          <Field
            label="Seller’s number"
            className="col-span-4"
            maxLength={80}
            value={typed.sellerPart}
            error={error('sellerPart')}
            onChange={set('sellerPart')}
          />
          {!editing && (
            <Field
              label="Price"
              unit={printed}
              inputMode="decimal"
              className="col-span-3"
              value={typed.price}
              error={error('price') ?? (isOtherMoney ? `The title is in ${understood?.currency}.` : null)}
              onChange={set('price')}
            />
          )}
          <Field
            label="Modules in a pack"
            inputMode="numeric"
            className="col-span-3"
            disabled={editing}
            value={typed.modules}
            error={error('modules')}
            onChange={set('modules')}
          />
          <Field
            label="Capacity of one"
            className="col-span-3"
            placeholder="8 GB"
            disabled={editing}
            value={typed.capacity}
            error={error('capacity')}
            onChange={set('capacity')}
          />
          <div className="col-span-3">
            <Choice
              label="Generation"
              value={typed.generation}
              onChange={set('generation')}
              options={[{ value: '', text: '–' }, ...GENERATIONS.map((one) => ({ value: one, text: one }))]}
            />
            {error('generation') !== null && (
              <p role="alert" className="text-sm mt-0.5 text-stop font-medium">
                {error('generation')}
              </p>
            )}
          </div>
          <div className="col-span-3">
            <Choice
              label="Form factor"
              value={typed.form}
              onChange={set('form')}
              options={[
                { value: '', text: '–' },
                ...[...new Set([...FORMS, typed.form])]
                  .filter((one) => one !== '')
                  .map((one) => ({ value: one, text: one })),
              ]}
            />
            {error('form') !== null && (
              <p role="alert" className="text-sm mt-0.5 text-stop font-medium">
                {error('form')}
              </p>
            )}
          </div>
          <Field
            label="Rate"
            unit="MT/s"
            inputMode="numeric"
            className="col-span-3"
            value={typed.rate}
            error={error('rate')}
            onChange={set('rate')}
          />
          <Field
            label="CL"
            inputMode="decimal"
            className="col-span-2"
            value={typed.cl}
            error={error('cl')}
            onChange={set('cl')}
          />
          <Choice
            label="Module type"
            className="col-span-3"
            value={typed.kind}
            onChange={set('kind')}
            options={Object.entries(KIND_TEXTS).map(([value, text]) => ({ value, text }))}
          />
          <Field
            label="Module’s maker"
            className="col-span-4"
            maxLength={200}
            value={typed.maker}
            onChange={set('maker')}
          />
          <Field
            label="Maker’s part number"
            className="col-span-4"
            maxLength={200}
            value={typed.part}
            data-scan="part"
            onChange={set('part')}
          />
          <Field
            label="Stock"
            className="col-span-2"
            inputMode="numeric"
            placeholder="any"
            value={typed.stock}
            error={error('stock')}
            onChange={set('stock')}
          />
          <Field
            label="Delivery time"
            unit="days"
            className="col-span-3"
            inputMode="numeric"
            placeholder={seller === null ? '' : String(seller.leadDays)}
            value={typed.leadDays}
            error={error('leadDays')}
            onChange={set('leadDays')}
          />
          <Field
            label="Note or web address"
            className="col-span-3"
            maxLength={500}
            value={typed.note}
            onChange={set('note')}
          />
        </div>
        <OriginFields typed={typed} errors={errors} onChange={change} />
        <Fault sentence={fault ?? sentence} />
        <div className="flex justify-end gap-2">
          {editing && (
            <span className="mr-auto">
              <Button weight="quiet" disabled={busy} onClick={() => void withdraw()}>
                Withdraw offer
              </Button>{' '}
              <Button weight="quiet" disabled={busy} onClick={onCopy}>
                Copy…
              </Button>
            </span>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            {editing ? 'Save' : 'Add'}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
