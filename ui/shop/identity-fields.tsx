import { COUNTRIES, countryName } from '@/core/shop/countries';
import { identitySchema, type ShopIdentity } from '@/core/shop/identity';
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

const FIELDS: readonly {
  key: TextKey;
  label: string;
  width: string;
  type?: string;
  complete?: string;
  hint?: string;
}[] = [
  { key: 'name', label: 'Shop', width: 'sm:col-span-6', complete: 'organization' },
  { key: 'street', label: 'Street and number', width: 'sm:col-span-6', complete: 'street-address' },
  { key: 'postalCode', label: 'Postal code', width: 'sm:col-span-2', complete: 'postal-code' },
  { key: 'town', label: 'Town', width: 'sm:col-span-4', complete: 'address-level2' },
];

const REACHED: typeof FIELDS = [
  { key: 'phone', label: 'Telephone', width: 'sm:col-span-4', type: 'tel', complete: 'tel' },
  { key: 'mail', label: 'Mail', width: 'sm:col-span-4', type: 'email', complete: 'email' },
  { key: 'web', label: 'Web', width: 'sm:col-span-4', complete: 'url' },
  { key: 'taxNumber', label: 'Tax number', width: 'sm:col-span-3', hint: 'as quotes and invoices must show it' },
  { key: 'companyNumber', label: 'Company number', width: 'sm:col-span-3', hint: 'from the register of companies' },
  { key: 'bank', label: 'Bank', width: 'sm:col-span-6', hint: 'bank, IBAN and BIC in one line' },
];

/** Who the shop is, as its papers say it: in a form that has its fields. @param onCountry hears which country was chosen */
export function IdentityFields({ onCountry }: { onCountry?: (country: string) => void }) {
  return (
    <div className="grid gap-3 sm:grid-cols-12 items-start">
      <Fields of={FIELDS} />
      <ChoiceField
        name="country"
        label="Country"
        className="sm:col-span-6"
        options={[{ value: '', text: 'Choose a country' }, ...BY_NAME]}
        onChoose={onCountry}
      />
      <Fields of={REACHED} />
    </div>
  );
}

function Fields({ of }: { of: typeof FIELDS }) {
  return of.map(({ key, label, width, type, complete, hint }) => (
    <TextField
      key={key}
      name={key}
      label={label}
      className={width}
      type={type === 'email' ? undefined : type}
      inputMode={type === 'email' ? 'email' : undefined}
      autoComplete={complete ?? 'off'}
      hint={hint}
    />
  ));
}
