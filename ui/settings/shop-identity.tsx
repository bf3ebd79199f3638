'use client';
import { useState } from 'react';
import type { ShopIdentity } from '@/core/shop/identity';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { faultsOfIdentity, IdentityFields } from '../shop/identity-fields';

interface ShopIdentityProps {
  identity: ShopIdentity;
  currency: string;
  timeZone: string;
  /** nothing is priced or quoted yet */
  mayChangeCurrency: boolean;
  timeZones: readonly string[];
}

/** Who the shop is, on papers from now on. */
export function ShopIdentitySection({ identity, mayChangeCurrency, timeZones, ...place }: ShopIdentityProps) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(identity);
  const [currency, setCurrency] = useState(place.currency);
  const [timeZone, setTimeZone] = useState(place.timeZone);
  const [tried, setTried] = useState(false);
  const [saved, setSaved] = useState(false);
  const keep = async () => {
    setTried(true);
    if (Object.keys(faultsOfIdentity(typed)).length > 0) return;
    setSaved(
      (await save('PUT', '/api/identity', { identity: typed, currency: currency.trim().toUpperCase(), timeZone })).ok,
    );
  };
  return (
    <section id="shop" aria-label="Shop" className="grid gap-3">
      <h2 className="text-base border-b-4 border-edge pb-1">Shop</h2>
      <form
        className="grid gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <IdentityFields
          identity={typed}
          shows={tried}
          onChange={(next) => {
            setTyped(next);
            setSaved(false);
          }}
        />
        <div className="grid gap-3 sm:grid-cols-12 items-start">
          <Field
            label="Currency"
            className="sm:col-span-3"
            maxLength={3}
            readOnly={!mayChangeCurrency}
            hint={mayChangeCurrency ? undefined : 'stays, since prices are noted in it'}
            value={currency}
            onChange={(event) => setCurrency(event.target.value)}
          />
          <Choice
            label="Time zone"
            className="sm:col-span-5"
            value={timeZone}
            onChange={(event) => setTimeZone(event.target.value)}
            options={timeZones.map((zone) => ({ value: zone, text: zone.replaceAll('_', ' ') }))}
          />
        </div>
        <div className="flex items-center gap-3">
          <Button type="submit" disabled={busy}>
            Save
          </Button>
          <span className="text-sm text-ink-2">Quotes that are out keep what they say.</span>
        </div>
      </form>
      <Fault sentence={sentence} />
      {saved && <Notice tone="good">Saved.</Notice>}
    </section>
  );
}
