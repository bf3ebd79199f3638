'use client';
import { useTranslations } from '#translations';
import type { ShopIdentity } from '@/core/shop/identity';
import { useSave } from '../client/use-save';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';
import { faultsOfIdentity, IdentityFields } from '../shop/identity-fields';

interface ShopIdentityProps {
  identity: ShopIdentity;
  currency: string;
  timeZone: string;
  /** nothing is priced or quoted yet */
  mayChangeCurrency: boolean;
  timeZones: readonly string[];
}

type Typed = ShopIdentity & { currency: string; timeZone: string };

/** Who the shop is, on papers from now on. */
export function ShopIdentitySection({ identity, mayChangeCurrency, timeZones, ...usual }: ShopIdentityProps) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const typing = useTyped<Typed, object>({
    from: { ...identity, ...usual },
    read: ({ currency, timeZone, ...typed }) =>
      readTyped<Typed, object>(faultsOfIdentity(typed), () => ({
        identity: typed,
        currency: currency.trim().toUpperCase(),
        timeZone,
      })),
    send: (body) => save('PUT', '/api/identity', body),
  });
  return (
    <section id="shop" aria-label={t('shop.title')} className="grid gap-3">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('shop.title')}</h2>
      <Form typing={typing}>
        <IdentityFields />
        <div className="grid gap-3 sm:grid-cols-12 items-start">
          <TextField
            name="currency"
            label={t('shop.currency')}
            className="sm:col-span-3"
            maxLength={3}
            readOnly={!mayChangeCurrency}
            hint={mayChangeCurrency ? undefined : t('shop.currencyHint')}
          />
          <ChoiceField
            name="timeZone"
            label={t('shop.zone')}
            className="sm:col-span-5"
            options={timeZones.map((zone) => ({ value: zone, text: zone.replaceAll('_', ' ') }))}
          />
        </div>
        <div className="flex items-center gap-3">
          <Send weight="plain">{t('save')}</Send>
          <span className="text-sm text-ink-2">{t('shop.kept')}</span>
        </div>
      </Form>
      <Saved typing={typing}>{t('saved')}</Saved>
    </section>
  );
}
