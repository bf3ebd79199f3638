'use client';
import { parsePercent } from '@/core/pricing/parse-percent';
import { useSave } from '../client/use-save';
import { CheckField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';
import { faultOfPercent } from './fault-of-percent';

interface RoleRuleProps {
  counterSeesCost: boolean;
  lowestMarginBp: number;
}

interface TypedRule {
  sees: boolean;
  lowest: string;
}

/** What the counter may see, and what nobody but an owner may sell for less than. */
export function RoleRule({ counterSeesCost, lowestMarginBp }: RoleRuleProps) {
  const { save } = useSave();
  const typing = useTyped<TypedRule, RoleRuleProps>({
    from: { sees: counterSeesCost, lowest: String(lowestMarginBp / 100) },
    read: ({ sees, lowest }) =>
      readTyped<TypedRule, RoleRuleProps>({ lowest: faultOfPercent(lowest) }, () => ({
        counterSeesCost: sees,
        lowestMarginBp: parsePercent(lowest) ?? 0,
      })),
    send: (body) => save('PUT', '/api/role-rule', body),
    isLive: true,
  });
  return (
    <section aria-label="Roles" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Roles</h2>
      <Form typing={typing} className="grid gap-2 justify-items-start">
        <CheckField name="sees">The counter role sees costs and margins</CheckField>
        <TextField
          name="lowest"
          label="Lowest margin on parts"
          unit="% of cost"
          inputMode="decimal"
          className="w-56"
          hint="An owner has to release a quote that brings less."
        />
        <Send weight="plain">Save roles</Send>
      </Form>
      {typing.isSaved && <Notice tone="good">Saved.</Notice>}
    </section>
  );
}
