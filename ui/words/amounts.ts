import { agoText as agoTextIn } from '@/core/ago-text';
import { dayText as dayTextIn } from '@/core/day-text';
import { capacityText as capacityTextIn } from '@/core/memory/capacity';
import { moneyText as moneyTextIn } from '@/core/pricing/money-text';
import { localeHere } from './locale-here';

/* Money, days and times as the person at the screen reads them. Papers for customers have their own language. */

/** An amount: `€1,234.50`, `1.234,50 €`. @param minor integer minor units */
export const moneyText = (minor: number, currency: string): string => moneyTextIn(minor, currency, localeHere());

/** A capacity: `16 GB`, `1.5 GB`, `1,5 GB`. @param mib MiB */
export const capacityText = (mib: number): string => inDecimals(capacityTextIn(mib));

/** A number of ours with the screen's decimal sign. */
const inDecimals = (text: string): string => (localeHere() === 'en' ? text : text.replace('.', ','));

/** The same without decimals that are all zero: `€90`, `90 €`. */
export const shortMoneyText = (minor: number, currency: string): string =>
  moneyText(minor, currency).replace(/[.,]0+(?=\D*$)/, '');

/** The language in which days and times are written: English ones as the shop's country writes them. */
export function dateLocale(): string {
  const locale = localeHere();
  return locale === 'en' ? 'en-GB' : locale;
}

/** A calendar day (`YYYY-MM-DD`): `9 December 2026`, `9. Dezember 2026`. */
export const dayText = (day: string): string => dayTextIn(day, dateLocale());

/** How long ago: `5 minutes ago`, `vor 5 Minuten`. */
export const agoText = (at: Date, now: Date): string => agoTextIn(at, now, localeHere());
