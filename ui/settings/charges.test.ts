import type { Charges } from '@/core/pricing/charges';
import { staffWords } from '@/words/staff-words';
import { readCharges, typedCharges } from './charges-words';

const t = staffWords('en', 'settings');

const charges: Charges = {
  taxBp: 2000,
  taxWay: 'contained',
  taxRounding: 'total',
  labourTaxBp: null,
  feeTaxBp: null,
  creditTaxBp: 0,
  labourCents: 2900,
  labourHourCents: null,
  labourLeastCents: 0,
  labourStepMinutes: 15,
  validityDays: 14,
  invoiceDays: 14,
};
const typed = typedCharges(charges, 'EUR');
const read = (more: Partial<typeof typed>) => {
  const made = readCharges(t, { ...typed, ...more }, 'EUR');
  return made.ok ? made.value : Object.values(made.wrong).join(' ');
};

describe('charges as they are typed', () => {
  it('are read back as they were', () => {
    expect(read({})).toEqual(charges);
    expect(read({ labourHourCents: '60', labourTaxBp: '5,5' })).toMatchObject({
      labourHourCents: 6000,
      labourTaxBp: 550,
    });
  });

  it('take no tax of 250 %, no step of nothing and no price for ever', () => {
    expect(read({ taxBp: '250' })).toBe('Enter a tax rate from 0 to 100, such as 20.');
    expect(read({ feeTaxBp: 'x' })).toContain('leave blank to use the rate for parts');
    expect(read({ labourCents: '-5' })).toContain('Enter the price of work');
    expect(read({ labourStepMinutes: '0' })).toContain('steps of 1 to 120');
    expect(read({ validityDays: '400' })).toContain('1 to 365 days');
  });
});
