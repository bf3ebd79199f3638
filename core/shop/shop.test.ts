import { currencyDecimals } from '../pricing/currency';
import { shopParty } from '../quoting/paper/ubl-elements';
import { faultsOf } from '../quoting/testing/ubl-schema';
import { PAPER_WORDS } from '../quoting/words/papers-in';
import { COUNTRIES, countryDefaults, countryName } from './countries';
import { contactLine, identitySchema, NO_IDENTITY, type ShopIdentity } from './identity';
import { numbersLine, shopOnPaper, shopOnPaperSchema } from './shop-on-paper';

const BENCH: ShopIdentity = {
  ...NO_IDENTITY,
  name: 'Harbour Bench',
  street: '3 Quay Lane',
  postalCode: '4021',
  town: 'Skerrow',
  country: 'NO',
  phone: '+47 5550 0100',
  mail: 'desk@harbour.example',
  taxNumber: 'NO 999 888 777 MVA',
};

describe('who a shop is', () => {
  it.each([
    [{ mail: 'desk at shop' }, 'Enter a mail address'],
    [{ web: 'not an address' }, 'Enter a web address'],
    [{ web: 'ftp:shop' }, 'Enter a web address'],
    [{ phone: 'ring us' }, 'Enter a telephone number'],
    [{ country: 'Norway' }, 'Choose a country'],
    [{ name: '  ' }, 'Enter the shop’s name.'],
    [{ town: '' }, 'Enter the town.'],
    [{ bank: 'x'.repeat(161) }, 'The bank line has at most 160 characters.'],
  ])('refuses %j in a sentence', (change, sentence) => {
    const [issue] = identitySchema.safeParse({ ...BENCH, ...change }).error?.issues ?? [];
    expect(issue?.message).toContain(sentence);
  });

  it.each(['', 'harbour.example', 'https://www.harbour.example/quotes', 'straße.example'])(
    'takes the web address "%s"',
    (web) => {
      expect(identitySchema.safeParse({ ...BENCH, web }).success).toBe(true);
    },
  );

  it('is one line on papers, without what it has not', () => {
    expect(contactLine(BENCH)).toBe('3 Quay Lane, 4021 Skerrow · +47 5550 0100 · desk@harbour.example');
    expect(contactLine({ ...NO_IDENTITY, name: 'Harbour Bench', town: 'Skerrow' })).toBe('Skerrow');
  });
});

describe('a shop on paper', () => {
  const paper = shopOnPaper({ ...BENCH, contact: contactLine(BENCH) });

  it('holds what is said and no empty part', () => {
    expect(shopOnPaperSchema.parse(paper)).toEqual(paper);
    expect(Object.keys(paper).sort()).toEqual(
      ['contact', 'country', 'mail', 'name', 'phone', 'postalCode', 'street', 'taxNumber', 'town'].sort(),
    );
  });

  it('says its numbers in each language, and nothing where it has none', () => {
    expect(numbersLine({ ...paper, bank: 'Skerrow Savings' }, PAPER_WORDS.en.shopNumbers)).toBe(
      'Tax number NO 999 888 777 MVA · Bank Skerrow Savings',
    );
    expect(numbersLine(paper, PAPER_WORDS.de.shopNumbers)).toContain('USt-IdNr. NO 999 888 777 MVA');
    expect(numbersLine({ name: 'a', town: 'b', contact: '' }, PAPER_WORDS.fr.shopNumbers)).toBe('');
  });

  it('is a party of UBL 2.3, its elements in the order of the schema', () => {
    const party = shopParty({ ...paper, web: 'harbour.example', companyNumber: '999 888 777' });
    expect(faultsOf(party)).toEqual([]);
    const text = JSON.stringify(party);
    for (const said of ['3 Quay Lane', '4021', 'NO 999 888 777 MVA', '999 888 777', 'desk@harbour.example', '"NO"'])
      expect(text).toContain(said);
    expect(faultsOf(shopParty({ name: 'a', town: 'b', contact: '' }))).toEqual([]);
  });
});

describe('what is usual in a country', () => {
  it('is a currency, a time zone and a rate that there are, once for each country', () => {
    expect(new Set(COUNTRIES.map(({ country }) => country)).size).toBe(COUNTRIES.length);
    for (const { country, currency, timeZone, taxBp } of COUNTRIES) {
      expect(countryName(country)).not.toBe(country);
      expect(currencyDecimals(currency)).toBeGreaterThanOrEqual(0);
      expect(() => new Intl.DateTimeFormat('en', { timeZone })).not.toThrow();
      expect(Number.isInteger(taxBp) && taxBp >= 0 && taxBp <= 2_700).toBe(true);
    }
  });

  it('fills in what the country has, and nothing for one that is not listed', () => {
    expect(countryDefaults('CH')).toEqual({
      country: 'CH',
      currency: 'CHF',
      taxBp: 810,
      timeZone: 'Europe/Zurich',
      language: 'de',
      paper: 'A4',
    });
    expect(countryDefaults('US')?.paper).toBe('Letter');
    expect(countryDefaults('XX')).toBeNull();
    expect(countryName('AT', 'de')).toBe('Österreich');
  });
});
