import type { Language } from '../language';

/** What is usual in a country; each is only a start that the owner changes. */
export interface CountryDefaults {
  /** ISO 3166-1 alpha-2 */
  country: string;
  /** ISO 4217 */
  currency: string;
  /** usual rate of value added or sales tax, hundredths of a percent; 0: none, or it differs within the country */
  taxBp: number;
  /** IANA time zone of the capital or the largest town */
  timeZone: string;
  language: Language;
  paper: 'A4' | 'Letter';
}

type Row = readonly [
  country: string,
  currency: string,
  percent: number,
  timeZone: string,
  language?: Language,
  paper?: CountryDefaults['paper'],
];

const ROWS: readonly Row[] = [
  ['AR', 'ARS', 21, 'America/Argentina/Buenos_Aires'],
  ['AT', 'EUR', 20, 'Europe/Vienna', 'de'],
  ['AU', 'AUD', 10, 'Australia/Sydney'],
  ['BE', 'EUR', 21, 'Europe/Brussels', 'fr'],
  ['BG', 'EUR', 20, 'Europe/Sofia'],
  ['BR', 'BRL', 0, 'America/Sao_Paulo'],
  ['CA', 'CAD', 5, 'America/Toronto', 'en', 'Letter'],
  ['CH', 'CHF', 8.1, 'Europe/Zurich', 'de'],
  ['CL', 'CLP', 19, 'America/Santiago', 'en', 'Letter'],
  ['CO', 'COP', 19, 'America/Bogota', 'en', 'Letter'],
  ['CY', 'EUR', 19, 'Asia/Nicosia'],
  ['CZ', 'CZK', 21, 'Europe/Prague'],
  ['DE', 'EUR', 19, 'Europe/Berlin', 'de'],
  ['DK', 'DKK', 25, 'Europe/Copenhagen'],
  ['EE', 'EUR', 24, 'Europe/Tallinn'],
  ['ES', 'EUR', 21, 'Europe/Madrid'],
  ['FI', 'EUR', 25.5, 'Europe/Helsinki'],
  ['FR', 'EUR', 20, 'Europe/Paris', 'fr'],
  ['GB', 'GBP', 20, 'Europe/London'],
  ['GR', 'EUR', 24, 'Europe/Athens'],
  ['HR', 'EUR', 25, 'Europe/Zagreb'],
  ['HU', 'HUF', 27, 'Europe/Budapest'],
  ['IE', 'EUR', 23, 'Europe/Dublin'],
  ['IL', 'ILS', 18, 'Asia/Jerusalem'],
  ['IN', 'INR', 18, 'Asia/Kolkata'],
  ['IS', 'ISK', 24, 'Atlantic/Reykjavik'],
  ['IT', 'EUR', 22, 'Europe/Rome'],
  ['JP', 'JPY', 10, 'Asia/Tokyo'],
  ['KE', 'KES', 16, 'Africa/Nairobi'],
  ['KR', 'KRW', 10, 'Asia/Seoul'],
  ['LI', 'CHF', 8.1, 'Europe/Vaduz', 'de'],
  ['LT', 'EUR', 21, 'Europe/Vilnius'],
  ['LU', 'EUR', 17, 'Europe/Luxembourg', 'fr'],
  ['LV', 'EUR', 21, 'Europe/Riga'],
  ['MA', 'MAD', 20, 'Africa/Casablanca', 'fr'],
  ['MT', 'EUR', 18, 'Europe/Malta'],
  ['MX', 'MXN', 16, 'America/Mexico_City', 'en', 'Letter'],
  ['NG', 'NGN', 7.5, 'Africa/Lagos'],
  ['NL', 'EUR', 21, 'Europe/Amsterdam'],
  ['NO', 'NOK', 25, 'Europe/Oslo'],
  ['NZ', 'NZD', 15, 'Pacific/Auckland'],
  ['PH', 'PHP', 12, 'Asia/Manila', 'en', 'Letter'],
  ['PL', 'PLN', 23, 'Europe/Warsaw'],
  ['PT', 'EUR', 23, 'Europe/Lisbon'],
  ['RO', 'RON', 21, 'Europe/Bucharest'],
  ['SE', 'SEK', 25, 'Europe/Stockholm'],
  ['SG', 'SGD', 9, 'Asia/Singapore'],
  ['SI', 'EUR', 22, 'Europe/Ljubljana'],
  ['SK', 'EUR', 23, 'Europe/Bratislava'],
  ['TN', 'TND', 19, 'Africa/Tunis', 'fr'],
  ['TR', 'TRY', 20, 'Europe/Istanbul'],
  ['UA', 'UAH', 20, 'Europe/Kyiv'],
  ['US', 'USD', 0, 'America/New_York', 'en', 'Letter'],
  ['ZA', 'ZAR', 15, 'Africa/Johannesburg'],
];

/** What is usual in each country that a shop can choose. Rates as of 2026; laws change them, owners do too. */
export const COUNTRIES: readonly CountryDefaults[] = ROWS.map(
  ([country, currency, percent, timeZone, language = 'en', paper = 'A4']): CountryDefaults => ({
    country,
    currency,
    taxBp: Math.round(percent * 100),
    timeZone,
    language,
    paper,
  }),
);

/** What is usual in a country; null: it is not in the table. */
export const countryDefaults = (country: string): CountryDefaults | null =>
  COUNTRIES.find((one) => one.country === country) ?? null;

/** A country as people call it, by the Common Locale Data Repository; the code itself where it has no name. */
export function countryName(country: string, locale = 'en'): string {
  if (country === '') return '';
  return new Intl.DisplayNames([locale], { type: 'region' }).of(country) ?? country;
}
