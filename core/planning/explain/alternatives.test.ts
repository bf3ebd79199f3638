import { makeCase, offer, stick } from '../testing/small-case';
import { alternativesTo } from './alternatives';

describe('alternatives of equal kind', () => {
  const offers = [
    offer('a', 1000),
    offer('dearer', 1240, { module: { ...stick, maker: 'Vellamo' } }),
    offer('cheaper', 900, { stock: 1 }),
    offer('none left', 1000, { stock: 0 }),
    offer('kit', 1900, { modules: 2 }),
    offer('used', 500, { origin: 'used' }),
    offer('slower', 800, { module: { ...stick, casLatency: 19 } }),
  ];
  const found = (count: number) =>
    alternativesTo(makeCase({ offers }), 'a', count).map((one) => [one.offer.id, one.cents]);

  it('are the same from others, with what the plan would cost more', () => {
    expect(found(1)).toEqual([
      ['cheaper', -100],
      ['dearer', 240],
    ]);
  });

  it('are only those of which there are enough', () => {
    expect(found(2)).toEqual([['dearer', 480]]);
    expect(alternativesTo(makeCase({ offers }), 'nobody', 1)).toEqual([]);
  });
});
