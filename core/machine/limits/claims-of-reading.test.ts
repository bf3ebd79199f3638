import { limitsOfClaims } from '../case-of-job';
import { GB, known, slot, source } from '../samples';
import type { JobSlot, KnownModule } from '../slots/job-slot';
import { claimsOfArray, claimsOfModules, claimsOfStandard } from './claims-of-reading';
import type { Claim } from './limit';

describe('what the modules in a machine say about it', () => {
  it('is their generation, form and kind where they agree', () => {
    const claims = claimsOfModules([slot('A1', known), slot('B1', known)], source('reading'));
    expect(claims.map(({ limit, value }) => [limit, value])).toEqual([
      ['generations', ['DDR4']],
      ['form', 'DIMM'],
      ['kinds', [{ buffering: 'unbuffered', ecc: false }]],
    ]);
  });

  it('is nothing where they differ or do not tell', () => {
    const mixed = [slot('A1', known), slot('B1', { ...known, ecc: true, generation: 'DDR3' })];
    expect(claimsOfModules(mixed, source('reading')).map(({ limit }) => limit)).toEqual(['form']);
    expect(claimsOfModules([slot('A1')], source('reading'))).toEqual([]);
  });

  it('is low voltage where all of them are low-voltage DDR3', () => {
    const low: KnownModule = { ...known, generation: 'DDR3', voltagesMv: [1350, 1500] };
    const voltage = (slots: JobSlot[]) =>
      claimsOfModules(slots, source('reading')).find((one) => one.limit === 'voltagesMv');
    expect(voltage([slot('A1', low)])?.value).toEqual([1350]);
    expect(voltage([slot('A1', low), slot('B1', { ...low, voltagesMv: [1500] })])).toBeUndefined();
  });

  it('leaves soldered memory out of the form', () => {
    const soldered = slot('ON', { ...known, form: null }, { soldered: true });
    expect(claimsOfModules([soldered], source('reading')).map(({ limit }) => limit)).toEqual(['generations', 'kinds']);
  });

  it('is the array’s ceiling where it names one', () => {
    expect(claimsOfArray(32 * GB, source('reading'))).toEqual([
      { limit: 'totalMiB', value: 32 * GB, source: source('reading') },
    ]);
    expect(claimsOfArray(null, source('reading'))).toEqual([]);
  });
});

describe('what is usual', () => {
  it('stands in only where nobody says anything', () => {
    const generation: Claim = { limit: 'generations', value: ['DDR4'], source: source('maker-page') };
    const rates: Claim = { limit: 'ratesMTs', value: [2400], source: source('maker-page') };
    const limits = limitsOfClaims([generation, rates]);
    expect(limits.ratesMTs).toMatchObject({ value: [2400], contested: false });
    expect(limits.voltagesMv).toMatchObject({ value: [1200], source: { kind: 'standard' } });
    expect(limitsOfClaims([rates]).voltagesMv).toBeNull();
  });

  it('is 1.5 V for DDR3', () => {
    expect(claimsOfStandard('DDR3').find((one) => one.limit === 'voltagesMv')?.value).toEqual([1500]);
  });
});
