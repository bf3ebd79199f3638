import { useTranslations } from '#translations';
import { COUNTRIES, countryName } from '@/core/shop/countries';
import { identitySchema, type ShopIdentity } from '@/core/shop/identity';
import type { StaffMessages } from '@/words/staff-words';
import { ChoiceField, TextField } from '../kit/form/fields';

/** What is wrong with each field, in one sentence; nothing for those that are right. */
export function faultsOfIdentity(identity: ShopIdentity): Partial<Record<keyof ShopIdentity, string>> {
  const read = identitySchema.safeParse(identity);
  if (read.success) return {};
  return Object.fromEntries(read.error.issues.map(({ path, message }) => [path[0], message]));
}

const BY_NAME = COUNTRIES.map(({ country }) => ({ value: country, text: countryName(country) })).sort((a, b) =>
  a.text.localeCompare(b.text),
);

type TextKey = Exclude<keyof ShopIdentity, 'country'>;
type IdentityKey = `identity.${keyof StaffMessages['door']['identity']}`;

interface IdentityField {
  key: TextKey;
  label: IdentityKey;
  width: string;
  type?: string;
  complete?: string;
  hint?: IdentityKey;
}

const FIELDS = [
  { key: 'name', label: 'identity.name', width: 'sm:col-span-6', complete: 'organization' },
  { key: 'street', label: 'identity.street', width: 'sm:col-span-6', complete: 'street-address' },
  { key: 'postalCode', label: 'identity.postcode', width: 'sm:col-span-2', complete: 'postal-code' },
  { key: 'town', label: 'identity.town', width: 'sm:col-span-4', complete: 'address-level2' },
] as const satisfies readonly IdentityField[];

const REACHED = [
  { key: 'phone', label: 'identity.phone', width: 'sm:col-span-4', type: 'tel', complete: 'tel' },
  { key: 'mail', label: 'identity.email', width: 'sm:col-span-4', type: 'email', complete: 'email' },
  { key: 'web', label: 'identity.web', width: 'sm:col-span-4', complete: 'url' },
  { key: 'taxNumber', label: 'identity.taxNumber', width: 'sm:col-span-3', hint: 'identity.taxNumberHint' },
  { key: 'companyNumber', label: 'identity.companyNumber', width: 'sm:col-span-3', hint: 'identity.companyNumberHint' },
  { key: 'bank', label: 'identity.bank', width: 'sm:col-span-6', hint: 'identity.bankHint' },
] as const satisfies readonly IdentityField[];

/** Who the shop is, as its papers say it: in a form that has its fields. @param onCountry hears which country was chosen */
export function IdentityFields({ onCountry }: { onCountry?: (country: string) => void }) {
  const t = useTranslations('door');
  return (
    <div className="grid gap-3 sm:grid-cols-12 items-start">
      <Fields of={FIELDS} />
      <ChoiceField
        name="country"
        label={t('identity.country')}
        className="sm:col-span-6"
        options={[{ value: '', text: t('identity.chooseCountry') }, ...BY_NAME]}
        onChoose={onCountry}
      />
      <Fields of={REACHED} />
    </div>
  );
}

function Fields({ of }: { of: readonly IdentityField[] }) {
  const t = useTranslations('door');
  return of.map(({ key, label, width, type, complete, hint }) => (
    <TextField
      key={key}
      name={key}
      label={t(label)}
      className={width}
      type={type === 'email' ? undefined : type}
      inputMode={type === 'email' ? 'email' : undefined}
      autoComplete={complete ?? 'off'}
      hint={hint && t(hint)}
    />
  ));
}
