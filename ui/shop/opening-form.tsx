'use client';
import { type ReactNode, useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES, LANGUAGES } from '@/core/language';
import { countryDefaults } from '@/core/shop/countries';
import { callOnce } from '../client/session-guard';
import { Fault } from '../kit/fault';
import { FileButton } from '../kit/file-button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { IdentityFields } from './identity-fields';
import { currencyOf, NO_OPENING, readOpening, type TypedOpening } from './opening-typed';

/** Larger ones are not even sent. */
const MOST_LOGO_BYTES = 1_000_000;

function Part({ title, why, children }: { title: string; why: string; children: ReactNode }) {
  return (
    <section
      aria-label={title}
      className="grid gap-2 sm:grid-cols-[13rem_minmax(0,1fr)] sm:gap-6 border-t-4 border-edge pt-3"
    >
      <div>
        <h2 className="text-base">{title}</h2>
        <p className="text-sm text-ink-2">{why}</p>
      </div>
      {children}
    </section>
  );
}

/** Opens an empty database as a shop: the code from the terminal, who the shop is, what is usual there, and its first owner. */
export function OpeningForm({ timeZones }: { timeZones: readonly string[] }) {
  const t = useTranslations('door');
  const [logo, setLogo] = useState<File | null>(null);
  const typing = useTyped<TypedOpening, object>({
    from: NO_OPENING,
    read: (typed) => readOpening(t, typed),
    send: async (shop) => {
      const opened = await callOnce<{ signedIn: boolean }>('POST', '/api/open', shop);
      if (!opened.ok) return opened;
      const put = logo === null ? null : await callOnce('PUT', '/api/logo', logo);
      // A logo that cannot be printed keeps nobody out: it is said on the next page.
      window.location.assign(put?.ok === false ? '/settings?logo=refused' : '/counter');
      // Nothing more is pressed here: the next page comes.
      return new Promise(() => {});
    },
  });
  const takeCountry = (country: string) => {
    const defaults = countryDefaults(country);
    if (defaults === null) return;
    const { currency, timeZone, taxBp, language, paper } = defaults;
    const usual = { currency, timeZone, tax: String(taxBp / 100), language, paper };
    for (const [field, value] of Object.entries(usual)) typing.form.setValue(field as keyof TypedOpening, value);
  };
  return (
    <Form typing={typing} className="grid gap-6">
      <Part title={t('code.title')} why={t('code.why')}>
        <TextField
          name="code"
          label={t('code.label')}
          className="max-w-72"
          placeholder="ABCD-EFGH-JKMN"
          autoComplete="off"
          spellCheck={false}
        />
      </Part>
      <Part title={t('shop.title')} why={t('shop.why')}>
        <div className="grid gap-3">
          <IdentityFields onCountry={takeCountry} />
          <LogoChoice logo={logo} onChoose={setLogo} />
        </div>
      </Part>
      <Part title={t('money.title')} why={t('money.why')}>
        <UsualFields timeZones={timeZones} currency={currencyOf(typing.form.watch('currency'))} />
      </Part>
      <Part title={t('owner.title')} why={t('owner.why')}>
        <OwnerFields />
      </Part>
      <div className="border-t border-line pt-3">
        <Send>{t('openShop')}</Send>
      </div>
    </Form>
  );
}

/** The shop's mark on its papers, chosen before there is a shop to keep it. */
function LogoChoice({ logo, onChoose }: { logo: File | null; onChoose: (logo: File | null) => void }) {
  const t = useTranslations('door');
  const [wrong, setWrong] = useState<string | null>(null);
  const take = (file: File | undefined) => {
    const isLarge = (file?.size ?? 0) > MOST_LOGO_BYTES;
    setWrong(isLarge ? t('logoTooLarge') : null);
    onChoose(file === undefined || isLarge ? null : file);
  };
  return (
    <>
      <div className="flex items-center gap-3 text-sm">
        <FileButton fileLabel={t('logoFile')} accept="image/png,image/jpeg" onFiles={([file]) => take(file)}>
          {logo === null ? t('addLogo') : t('changeLogo')}
        </FileButton>
        <span className="text-ink-2">{logo === null ? t('logoHint') : logo.name}</span>
      </div>
      <Fault sentence={wrong} />
    </>
  );
}

function UsualFields({ timeZones, currency }: { timeZones: readonly string[]; currency: string }) {
  const t = useTranslations('door');
  return (
    <div className="grid gap-3 sm:grid-cols-12 items-start">
      <TextField name="currency" label={t('money.currency')} className="sm:col-span-2" maxLength={3} />
      <TextField name="tax" label={t('money.tax')} unit="%" inputMode="decimal" className="sm:col-span-3" />
      <TextField
        name="labour"
        label={t('money.fitting')}
        unit={currency}
        inputMode="decimal"
        className="sm:col-span-3"
      />
      <ChoiceField
        name="timeZone"
        label={t('money.timeZone')}
        className="sm:col-span-4"
        options={timeZones.map((zone) => ({ value: zone, text: zone.replaceAll('_', ' ') }))}
      />
      <ChoiceField
        name="language"
        label={t('money.language')}
        className="sm:col-span-4"
        options={LANGUAGES.map((one) => ({ value: one, text: LANGUAGE_NAMES[one] }))}
      />
      <ChoiceField
        name="paper"
        label={t('money.paper')}
        className="sm:col-span-4"
        options={[
          { value: 'A4', text: 'A4 (210 × 297 mm)' },
          { value: 'Letter', text: t('money.letter') },
        ]}
      />
    </div>
  );
}

function OwnerFields() {
  const t = useTranslations('door');
  return (
    <div className="grid gap-3 sm:grid-cols-2 items-start">
      <TextField name="ownerName" label={t('owner.name')} autoComplete="name" />
      <TextField name="signIn" label={t('name')} autoComplete="username" spellCheck={false} />
      <TextField
        name="password"
        label={t('password')}
        type="password"
        autoComplete="new-password"
        hint={t('passwordHint')}
      />
      <TextField name="again" label={t('owner.again')} type="password" autoComplete="new-password" />
    </div>
  );
}
