'use client';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';

interface CustomerAddressProps {
  /** empty: none is confirmed */
  address: string;
  /** it is set where Fenbrik is started */
  isSet: boolean;
}

/** The address in the links that customers get: confirmed by an owner, never taken from a request. */
export function CustomerAddressSection({ address, isSet }: CustomerAddressProps) {
  const t = useTranslations('settings');
  return (
    <section id="address" aria-label={t('address.title')} className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('address.title')}</h2>
      {isSet ? (
        <p className="text-sm">{t.rich('address.isSet', { e0: () => <strong>{address}</strong> })}</p>
      ) : (
        <AddressForm address={address} />
      )}
      {address === '' && <p className="text-sm text-ink-2">{t('address.none')}</p>}
    </section>
  );
}

function AddressForm({ address }: { address: string }) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const [here, setHere] = useState<string | null>(null);
  useEffect(() => setHere(window.location.origin), []);
  const typing = useTyped<{ address: string }, { address: string }>({
    from: { address },
    read: (typed) => ({ ok: true, value: typed }),
    send: (body) => save('PUT', '/api/customer-address', body),
  });
  const typed = typing.form.watch('address');
  return (
    <>
      <Form typing={typing} className="flex flex-wrap gap-3 items-end has-[[aria-invalid]]:items-start">
        <TextField
          name="address"
          label={t('address.label')}
          className="w-full max-w-96"
          placeholder="https://quotes.example"
        />
        <Send weight="plain">{t('address.save')}</Send>
        {here !== null && here !== typed.trim() && (
          <Button weight="quiet" onClick={() => typing.form.setValue('address', here, { shouldDirty: true })}>
            {t('address.use', { here })}
          </Button>
        )}
      </Form>
      <Saved typing={typing}>{t('saved')}</Saved>
    </>
  );
}
