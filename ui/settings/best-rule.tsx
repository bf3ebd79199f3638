'use client';
import { useState } from 'react';
import { parsePercent } from '@/core/pricing/parse-percent';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import { PercentField } from './percent-field';

/** Which plan of a rung is written out as its best, and the one number of that rule. */
export function BestRule({ toleranceBp }: { toleranceBp: number }) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(String(toleranceBp / 100));
  const [saved, setSaved] = useState(false);
  const bp = parsePercent(typed);
  const submit = async () => {
    if (bp === null) return;
    const result = await save('PUT', '/api/best-rule', { toleranceBp: bp });
    setSaved(result.ok);
  };
  return (
    <section aria-label="The best of a rung" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">The best of a rung</h2>
      <p className="text-sm">
        Of the plans within a tolerance of the least price, the one with the least care is written out, then the one
        with the most bandwidth, then the most free slots.
      </p>
      <form
        className="flex gap-2 items-end"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <PercentField
          label="Equally cheap within"
          unit="%"
          className="w-44"
          value={typed}
          onType={(text) => {
            setTyped(text);
            setSaved(false);
          }}
        />
        <Button type="submit" disabled={busy || bp === null}>
          Keep it
        </Button>
      </form>
      <Fault sentence={sentence} />
      {saved && <Notice tone="good">Kept: ladders go by it from now on.</Notice>}
    </section>
  );
}
