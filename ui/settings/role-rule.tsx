'use client';
import { useState } from 'react';
import { parsePercent } from '@/core/pricing/parse-percent';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';
import { PercentField } from './percent-field';

interface RoleRuleProps {
  counterSeesCost: boolean;
  lowestMarginBp: number;
}

/** What the counter may see, and what nobody but an owner may sell for less than. */
export function RoleRule({ counterSeesCost, lowestMarginBp }: RoleRuleProps) {
  const { busy, sentence, save } = useSave();
  const [sees, setSees] = useState(counterSeesCost);
  const [typed, setTyped] = useState(String(lowestMarginBp / 100));
  const [saved, setSaved] = useState(false);
  const bp = parsePercent(typed);
  const submit = async () => {
    if (bp === null) return;
    setSaved((await save('PUT', '/api/role-rule', { counterSeesCost: sees, lowestMarginBp: bp })).ok);
  };
  return (
    <section aria-label="Roles" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Roles</h2>
      <form
        className="grid gap-2 justify-items-start"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Check
          checked={sees}
          onChange={(checked) => {
            setSees(checked);
            setSaved(false);
          }}
        >
          The counter role sees costs and margins
        </Check>
        <PercentField
          label="Lowest margin on parts"
          unit="% of cost"
          className="w-56"
          hint="An owner has to release a quote that brings less."
          value={typed}
          onType={(text) => {
            setTyped(text);
            setSaved(false);
          }}
        />
        <Button type="submit" disabled={busy || bp === null}>
          Save roles
        </Button>
      </form>
      <Fault sentence={sentence} />
      {saved && <Notice tone="good">Saved.</Notice>}
    </section>
  );
}
