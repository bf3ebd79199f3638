'use client';
import { useEffect, useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';

interface CustomerAddressProps {
  /** empty: none is confirmed */
  address: string;
  /** it is set where Fenbrik is started */
  isSet: boolean;
}

/** The address in the links that customers get: confirmed by an owner, never taken from a request. */
export function CustomerAddress({ address, isSet }: CustomerAddressProps) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(address);
  const [here, setHere] = useState<string | null>(null);
  const [saved, setSaved] = useState(false);
  useEffect(() => setHere(window.location.origin), []);
  const keep = async (to: string) => {
    const result = await save('PUT', '/api/customer-address', { address: to });
    setSaved(result.ok);
  };
  return (
    <section id="address" aria-label="Address for customers" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Address for customers</h2>
      {isSet ? (
        <p className="text-sm">
          Links lead to <strong>{address}</strong>, as it is set where Fenbrik is started (FENBRIK_ADDRESS).
        </p>
      ) : (
        <form
          className="flex flex-wrap gap-3 items-end"
          onSubmit={(event) => {
            event.preventDefault();
            void keep(typed);
          }}
        >
          <Field
            label="Links in mails begin with"
            className="w-96 max-w-full"
            placeholder="https://quotes.example"
            value={typed}
            onChange={(event) => {
              setTyped(event.target.value);
              setSaved(false);
            }}
          />
          <Button type="submit" disabled={busy || typed.trim() === address}>
            Save address
          </Button>
          {here !== null && here !== typed.trim() && (
            <Button weight="quiet" onClick={() => setTyped(here)}>
              Use this browser’s: {here}
            </Button>
          )}
        </form>
      )}
      {address === '' && <p className="text-sm text-ink-2">No quote is mailed until an address is saved.</p>}
      <Fault sentence={sentence} />
      {saved && <Notice tone="good">Saved.</Notice>}
    </section>
  );
}
