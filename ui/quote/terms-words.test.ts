import { PLAIN_TERMS } from '@/core/quoting/terms';
import { staffWords } from '@/words/staff-words';
import { parseShare, readTerms, typedTerms } from './terms-words';

const t = staffWords('en', 'quote');

const typed = typedTerms(PLAIN_TERMS, 'EUR');
const read = (more: Partial<typeof typed>, currency = 'EUR') => {
  const made = readTerms(t, { ...typed, ...more }, { currency, extras: [] });
  return made.ok ? made.value : Object.values(made.wrong).join(' ');
};

describe('terms as they are typed', () => {
  it('are as usual where nothing is typed', () => {
    expect(read({})).toEqual(PLAIN_TERMS);
  });

  it('take a share or an amount, in the currency’s own decimals', () => {
    expect(read({ discount: '5 %', reason: 'regular customer' })).toMatchObject({
      discount: { kind: 'share', bp: 500, reason: 'regular customer' },
    });
    expect(read({ discount: '12,50', reason: 'r' })).toMatchObject({ discount: { kind: 'amount', cents: 1250 } });
    expect(read({ deposit: '2.5%' })).toMatchObject({ deposit: { kind: 'share', bp: 250 } });
    expect(read({ deposit: '1200' }, 'JPY')).toMatchObject({ deposit: { kind: 'amount', cents: 1200 } });
    expect([parseShare('100 %'), parseShare('5'), parseShare('5.555 %')]).toEqual([10_000, null, null]);
  });

  it('say what is missing or wrong in one sentence', () => {
    expect(read({ discount: 'much' })).toBe('Enter the discount as 5 % or as an amount such as 10.00.');
    expect(read({ discount: '5 %' })).toBe('A discount needs a reason: the customer reads it.');
    expect(read({ deposit: 'half' })).toBe('Enter the deposit as 20 % or as an amount such as 30.00.');
    expect(read({ discount: '1.5', reason: 'r' }, 'JPY')).toContain('Enter the discount');
  });

  it('are typed again as they were read', () => {
    const terms = read({
      discount: '5 %',
      reason: 'r',
      deposit: '30.00',
      validUntil: '2026-12-31',
      language: 'de',
      note: 'Thank you.',
    });
    if (typeof terms === 'string') throw new Error(terms);
    // Other lines are none of the form's: they stay.
    const extras = [{ text: 'Courier', quantity: 1, eachCents: 490, taxBp: null }];
    const again = readTerms(t, typedTerms(terms, 'EUR'), { currency: 'EUR', extras });
    expect(again).toEqual({ ok: true, value: { ...terms, extras } });
  });
});
