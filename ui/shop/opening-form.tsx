'use client';
import { type FormEvent, type ReactNode, useState } from 'react';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { countryDefaults } from '@/core/shop/countries';
import { NO_IDENTITY, type ShopIdentity } from '@/core/shop/identity';
import { callOnce } from '../client/session-guard';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { faultsOfIdentity, IdentityFields } from './identity-fields';

/** Larger ones are not even sent. */
const MOST_LOGO_BYTES = 1_000_000;

const USUAL = { currency: 'EUR', timeZone: 'UTC', tax: '20', labour: '29', language: 'en', paper: 'A4' };
const MISSING = 'Something is missing: look at the marked fields.';
const NO_OWNER = { name: '', signIn: '', password: '', again: '' };

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
  const [code, setCode] = useState('');
  const [identity, setIdentity] = useState<ShopIdentity>({ name: '', town: '', ...NO_IDENTITY });
  const [usual, setUsual] = useState(USUAL);
  const [owner, setOwner] = useState(NO_OWNER);
  const [logo, setLogo] = useState<File | null>(null);
  const [tried, setTried] = useState(false);
  const [busy, setBusy] = useState(false);
  const [sentence, setSentence] = useState<string | null>(null);

  const takeIdentity = (next: ShopIdentity) => {
    const defaults = next.country === identity.country ? null : countryDefaults(next.country);
    setIdentity(next);
    if (defaults === null) return;
    const { currency, timeZone, taxBp, language, paper } = defaults;
    setUsual({ ...usual, currency, timeZone, tax: String(taxBp / 100), language, paper });
  };
  const setOf = (key: keyof typeof USUAL) => (event: { target: { value: string } }) =>
    setUsual({ ...usual, [key]: event.target.value });
  const setOwnerOf = (key: keyof typeof NO_OWNER) => (event: { target: { value: string } }) =>
    setOwner({ ...owner, [key]: event.target.value });

  const taxBp = parsePercent(usual.tax);
  const isCurrency = /^[A-Za-z]{3}$/.test(usual.currency.trim());
  const currency = isCurrency ? usual.currency.trim().toUpperCase() : 'EUR';
  const labourCents = parseMoneyIn(usual.labour, currency);
  const faults = {
    code: code.trim() === '' ? 'Enter the code that the terminal shows.' : null,
    currency: isCurrency ? null : 'A currency has three letters, such as EUR.',
    tax: taxBp === null ? 'Enter a percentage from 0 to 100, such as 20.' : null,
    labour: labourCents === null ? 'Enter an amount such as 29.00.' : null,
    ownerName: owner.name.trim() === '' ? 'Enter your name.' : null,
    signIn: /^[a-z0-9][a-z0-9._-]{1,39}$/i.test(owner.signIn.trim())
      ? null
      : 'A username has 2 to 40 letters, digits, dots or dashes.',
    password: owner.password.length < 10 ? 'A password has at least 10 characters.' : null,
    again: owner.again === owner.password ? null : 'The two passwords differ.',
  };
  const said = (key: keyof typeof faults): string | null => (tried ? faults[key] : null);
  const wrong = [...Object.values(faults), ...Object.values(faultsOfIdentity(identity))].find((one) => one !== null);

  const takeLogo = (file: File | undefined) => {
    const isLarge = (file?.size ?? 0) > MOST_LOGO_BYTES;
    setSentence(isLarge ? 'The logo has more than 1 MB: save it smaller.' : null);
    setLogo(file === undefined || isLarge ? null : file);
  };

  const open = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrong !== undefined) {
      setSentence(MISSING);
      return;
    }
    setBusy(true);
    const { name, signIn, password } = owner;
    const { timeZone, language, paper } = usual;
    const shop = { ...identity, currency, timeZone, taxBp, labourCents, language, paper };
    const opened = await callOnce<{ signedIn: boolean }>('POST', '/api/open', {
      code: code.trim(),
      shop: { ...shop, owner: { name: name.trim(), signIn: signIn.trim(), password } },
    });
    if (!opened.ok) {
      setBusy(false);
      setSentence(opened.sentence);
      return;
    }
    const put = logo === null ? null : await callOnce('PUT', '/api/logo', logo);
    // A logo that cannot be printed keeps nobody out: it is said on the next page.
    window.location.assign(put?.ok === false ? '/settings?logo=refused' : '/counter');
  };

  return (
    <form onSubmit={open} className="grid gap-6" noValidate>
      <Part
        title="Code"
        why="Shown in the terminal in which Fenbrik was started. Whoever can read it may open the shop."
      >
        <Field
          label="Code from the terminal"
          className="max-w-72"
          placeholder="ABCD-EFGH-JKMN"
          autoComplete="off"
          spellCheck={false}
          value={code}
          error={said('code')}
          onChange={(event) => setCode(event.target.value)}
        />
      </Part>
      <Part title="Your shop" why="Stands on quotes, orders and proofs. You can change all of it later under Settings.">
        <div className="grid gap-3">
          <IdentityFields identity={identity} onChange={takeIdentity} shows={tried} />
          <div className="flex items-center gap-3 text-sm">
            <FileButton
              fileLabel="Logo, a PNG or JPEG file"
              accept="image/png,image/jpeg"
              onFiles={([file]) => takeLogo(file)}
            >
              {logo === null ? 'Add a logo' : 'Change the logo'}
            </FileButton>
            <span className="text-ink-2">{logo === null ? 'PNG or JPEG, up to 1 MB' : logo.name}</span>
          </div>
        </div>
      </Part>
      <Part title="Money and time" why="Filled in for the country you choose. Check the tax rate.">
        <div className="grid gap-3 sm:grid-cols-12 items-start">
          <Field
            label="Currency"
            className="sm:col-span-2"
            maxLength={3}
            value={usual.currency}
            error={said('currency')}
            onChange={setOf('currency')}
          />
          <Field
            label="Tax"
            unit="%"
            inputMode="decimal"
            className="sm:col-span-3"
            value={usual.tax}
            error={said('tax')}
            onChange={setOf('tax')}
          />
          <Field
            label="Fitting, with tax"
            unit={currency}
            inputMode="decimal"
            className="sm:col-span-3"
            value={usual.labour}
            error={said('labour')}
            onChange={setOf('labour')}
          />
          <Choice
            label="Time zone"
            className="sm:col-span-4"
            value={usual.timeZone}
            onChange={setOf('timeZone')}
            options={timeZones.map((zone) => ({ value: zone, text: zone.replaceAll('_', ' ') }))}
          />
          <Choice
            label="Language of customers’ papers"
            className="sm:col-span-4"
            value={usual.language}
            onChange={setOf('language')}
            options={LANGUAGES.map((one: Language) => ({ value: one, text: LANGUAGE_NAMES[one] }))}
          />
          <Choice
            label="Paper"
            className="sm:col-span-4"
            value={usual.paper}
            onChange={setOf('paper')}
            options={[
              { value: 'A4', text: 'A4 (210 × 297 mm)' },
              { value: 'Letter', text: 'Letter (8.5 × 11 in)' },
            ]}
          />
        </div>
      </Part>
      <Part title="First owner" why="May do everything. More people can be added later.">
        <div className="grid gap-3 sm:grid-cols-2 items-start">
          <Field
            label="Your name"
            autoComplete="name"
            value={owner.name}
            error={said('ownerName')}
            onChange={setOwnerOf('name')}
          />
          <Field
            label="Username"
            autoComplete="username"
            spellCheck={false}
            value={owner.signIn}
            error={said('signIn')}
            onChange={setOwnerOf('signIn')}
          />
          <Field
            label="Password"
            type="password"
            autoComplete="new-password"
            hint="at least 10 characters"
            value={owner.password}
            error={said('password')}
            onChange={setOwnerOf('password')}
          />
          <Field
            label="Password again"
            type="password"
            autoComplete="new-password"
            value={owner.again}
            error={said('again')}
            onChange={setOwnerOf('again')}
          />
        </div>
      </Part>
      <div className="grid gap-3 border-t border-line pt-3">
        <Fault sentence={tried && wrong === undefined && sentence === MISSING ? null : sentence} />
        <div>
          <Button weight="act" type="submit" disabled={busy}>
            Open the shop
          </Button>
        </div>
      </div>
    </form>
  );
}
