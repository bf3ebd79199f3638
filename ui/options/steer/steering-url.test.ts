import fc from 'fast-check';
import { type Steering, UNSTEERED } from '@/core/planning/filters/steering';
import { LANES } from '@/core/planning/model/lanes';
import { ladderQuery, readLadderUrl, sameSteering } from './steering-url';

const read = (query: string) => readLadderUrl(new URLSearchParams(query));

describe('the address of a ladder', () => {
  it('says all of a steering, and is read as the same', () => {
    const steerings: fc.Arbitrary<Steering> = fc.record({
      needMiB: fc.option(fc.integer({ min: 1, max: 67_108_864 })),
      budgetCents: fc.option(fc.integer({ min: 1, max: 100_000_000 })),
      freeSlots: fc.integer({ min: 0, max: 64 }),
      leastRateMTs: fc.option(fc.integer({ min: 1, max: 100_000 })),
      lanesOut: fc.subarray([...LANES], { maxLength: LANES.length - 1 }),
      sellersOut: fc.uniqueArray(fc.constantFrom('Tern & Sons', 'Halyard=Parts', 'Größe+1'), { maxLength: 3 }),
      makers: fc.uniqueArray(fc.constantFrom('Corrick', 'Vellamo & Sons', 'Größe=2'), { maxLength: 3 }),
      mostCas: fc.option(fc.integer({ min: 100, max: 20_000 }).map((hundredths) => hundredths / 100)),
      mostHeightMm: fc.option(fc.integer({ min: 100, max: 20_000 }).map((hundredths) => hundredths / 100)),
      leastRating: fc.option(fc.integer({ min: 100, max: 500 })),
      inStock: fc.boolean(),
      inTime: fc.boolean(),
    });
    fc.assert(
      fc.property(
        steerings,
        fc.option(fc.constantFrom('A1+B1|1x17', '|2x3+1x4')),
        fc.boolean(),
        (steering, plan, byHand) => {
          const back = read(ladderQuery(steering, plan, byHand));
          expect(back).toEqual({ steering, plan, byHand });
          expect(sameSteering(steering, back.steering ?? UNSTEERED)).toBe(true);
        },
      ),
    );
  });

  it('says nothing where there is nothing: what the job remembers holds', () => {
    expect(read('')).toEqual({ steering: null, plan: null, byHand: false });
    expect(read('plan=x')).toEqual({ steering: null, plan: 'x', byHand: false });
    expect(read('plan=x&by-hand')).toEqual({ steering: null, plan: 'x', byHand: true });
    expect(read('open=')).toEqual({ steering: UNSTEERED, plan: null, byHand: false });
  });

  it('is passed over where it makes no sense', () => {
    expect(read('need=-5&budget=1e9&free=99&rate=fast&without=gold%20used&not-from=').steering).toEqual({
      ...UNSTEERED,
      lanesOut: ['used'],
    });
    expect(read('maker=&cl=0&height=tall&stars=6').steering).toEqual(UNSTEERED);
    expect(read(`maker=${'x'.repeat(201)}&maker=Corrick&maker=Corrick`).steering?.makers).toEqual(['Corrick']);
    expect(read(`without=${LANES.join('+')}`).steering?.lanesOut).toEqual([]);
  });
});
