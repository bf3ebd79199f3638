'use client';
import { useEffect, useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';

interface CustomerAddressProps {
  /** empty: none is confirmed */
  address: string;
  /** it is set where Fenbrik is started */
  isSet: boolean;
}

/** The address in the links that customers get: confirmed by an owner, never taken from a request. */
export function CustomerAddress({ address, isSet }: CustomerAddressProps) {
  return (
    <section id="address" aria-label="Address for customers" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Address for customers</h2>
      {isSet ? (
        <p className="text-sm">
          Links lead to <strong>{address}</strong>, as it is set where Fenbrik is started (FENBRIK_ADDRESS).
        </p>
      ) : (
        <AddressForm address={address} />
      )}
      {address === '' && <p className="text-sm text-ink-2">No quote is mailed until an address is saved.</p>}
    </section>
  );
}

function AddressForm({ address }: { address: string }) {
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
          label="Links in mails begin with"
          className="w-96 max-w-full"
          placeholder="https://quotes.example"
        />
        <Send weight="plain">Save address</Send>
        {here !== null && here !== typed.trim() && (
          <Button weight="quiet" onClick={() => typing.form.setValue('address', here, { shouldDirty: true })}>
            Use this browser’s: {here}
          </Button>
        )}
      </Form>
      {typing.isSaved && <Notice tone="good">Saved.</Notice>}
    </>
  );
}
