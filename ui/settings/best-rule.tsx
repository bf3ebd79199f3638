'use client';
import { useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';

/** `5`, `2.5`, `2,5 %` as hundredths of a percent; null: it is none. */
export function parsePercent(text: string): number | null {
  const found = /^\s*(\d{1,3})(?:[.,](\d{1,2}))?\s*%?\s*$/.exec(text);
  if (found === null) return null;
  const bp = Number(found[1]) * 100 + Number((found[2] ?? '').padEnd(2, '0'));
  return bp > 10_000 ? null : bp;
}

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
        <Field
          label="Equally cheap within"
          unit="%"
          inputMode="decimal"
          className="w-44"
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setSaved(false);
          }}
          error={bp === null ? 'Type a percentage from 0 to 100, such as 5.' : null}
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
