'use client';
import { useTranslations } from '#translations';
import { parsePercent } from '@/core/pricing/parse-percent';
import { useSave } from '../client/use-save';
import { CheckField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';
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
export function RoleRuleSection({ counterSeesCost, lowestMarginBp }: RoleRuleProps) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const typing = useTyped<TypedRule, RoleRuleProps>({
    from: { sees: counterSeesCost, lowest: String(lowestMarginBp / 100) },
    read: ({ sees, lowest }) =>
      readTyped<TypedRule, RoleRuleProps>({ lowest: faultOfPercent(t, lowest) }, () => ({
        counterSeesCost: sees,
        lowestMarginBp: parsePercent(lowest) ?? 0,
      })),
    send: (body) => save('PUT', '/api/role-rule', body),
    isLive: true,
  });
  return (
    <section id="roles" aria-label={t('roles.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('roles.title')}</h2>
      <Form typing={typing} className="grid gap-2 justify-items-start">
        <CheckField name="sees">{t('roles.seesCost')}</CheckField>
        <TextField
          name="lowest"
          label={t('roles.lowest')}
          unit={t('roles.ofCost')}
          inputMode="decimal"
          className="w-56"
          hint={t('roles.lowestHint')}
        />
        <Send weight="plain">{t('roles.save')}</Send>
      </Form>
      <Saved typing={typing}>{t('saved')}</Saved>
    </section>
  );
}
