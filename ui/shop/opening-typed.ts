import { parseMoneyIn } from '@/core/pricing/parse-money';
import { parsePercent } from '@/core/pricing/parse-percent';
import { NO_IDENTITY, type ShopIdentity } from '@/core/shop/identity';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { faultsOfIdentity } from './identity-fields';

const USUAL = { currency: 'EUR', timeZone: 'UTC', tax: '20', labour: '29', language: 'en', paper: 'A4' };
const OWNER = { ownerName: '', signIn: '', password: '', again: '' };

/** A shop that is being opened: who it is, what is usual there, and its first owner. */
export type TypedOpening = ShopIdentity & typeof USUAL & typeof OWNER & { code: string };
export const NO_OPENING: TypedOpening = { code: '', name: '', town: '', ...NO_IDENTITY, ...USUAL, ...OWNER };

const isCurrency = (text: string): boolean => /^[A-Za-z]{3}$/.test(text.trim());

/** The currency that is typed; where it is none, the usual one. */
export const currencyOf = (typed: string): string => (isCurrency(typed) ? typed.trim().toUpperCase() : USUAL.currency);

/** What opens the shop, or what is wrong with what was typed. */
export function readOpening(t: StaffWords<'door'>, typed: TypedOpening): Read<TypedOpening, object> {
  const { code, ownerName, signIn, password, again, tax, labour, ...shop } = typed;
  const { timeZone, language, paper, currency: typedCurrency, ...identity } = shop;
  const currency = currencyOf(typedCurrency);
  const taxBp = parsePercent(tax);
  const labourCents = parseMoneyIn(labour, currency);
  const looked = {
    code: !isTyped(code) && t('faults.code'),
    ...faultsOfIdentity(identity),
    currency: !isCurrency(typedCurrency) && t('faults.currency'),
    tax: taxBp === null && t('faults.percent'),
    labour: labourCents === null && t('faults.amount'),
    ownerName: !isTyped(ownerName) && t('faults.name'),
    signIn: !/^[a-z0-9][a-z0-9._-]{1,39}$/i.test(signIn.trim()) && t('faults.username'),
    password: password.length < 10 && t('faults.password'),
    again: again !== password && t('faults.passwordsDiffer'),
  };
  const owner = { name: ownerName.trim(), signIn: signIn.trim(), password };
  return readTyped<TypedOpening, object>(looked, () => ({
    code: code.trim(),
    shop: { ...identity, currency, timeZone, taxBp, labourCents, language, paper, owner },
  }));
}
