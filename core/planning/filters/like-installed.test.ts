import { GB, makeCase, offer, stick } from '../testing/small-case';
import { likeInstalled } from './like-installed';

const inside = { ...stick, maker: 'Vellamo', part: 'VL-8G-24', ranks: 1 };

describe('offers like what is in the machine', () => {
  it('stand by what they have in common, the part first, then the maker, then rate, CL and ranks', () => {
    const planCase = makeCase({
      installed: [{ slot: 'S1', module: inside }],
      offers: [
        offer('other rate', 1_000, { module: { ...inside, maker: 'Corrick', part: 'C1', rateMTs: 2666 } }),
        offer('same figures', 1_500, { module: { ...inside, maker: 'Corrick', part: 'C2' } }),
        offer('same maker', 2_000, { module: { ...inside, part: 'VL-8G-26', rateMTs: 2666 } }),
        offer('same part', 9_000, { module: { ...inside, maker: 'vellamo', part: 'VL8G 24' } }),
        offer('same part, cheaper', 8_000, { module: inside }),
        offer('larger', 1_000, { module: { ...inside, capacityMiB: 16 * GB } }),
        offer('ECC', 1_000, { module: { ...inside, ecc: true } }),
      ],
    });
    const [kind, ...others] = likeInstalled(planCase);
    expect(others).toEqual([]);
    expect(kind?.slots).toEqual(['S1']);
    expect(kind?.offers.map((one) => [one.offer.id, one.same])).toEqual([
      ['same part, cheaper', ['part', 'maker', 'rateMTs', 'casLatency', 'ranks']],
      ['same part', ['part', 'maker', 'rateMTs', 'casLatency', 'ranks']],
      ['same maker', ['maker', 'casLatency', 'ranks']],
      ['same figures', ['rateMTs', 'casLatency', 'ranks']],
      ['other rate', ['casLatency', 'ranks']],
    ]);
  });

  it('are told for each kind of module once, soldered ones too, and what is not known is like nothing', () => {
    const bare = { ...stick, casLatency: null };
    const planCase = makeCase(
      {
        installed: [
          { slot: 'S1', module: bare },
          { slot: 'S2', module: bare },
        ],
        offers: [offer('unknown', 1_000, { module: bare })],
      },
      {
        slots: [
          { id: 'S1', channel: 'A', bank: 1 },
          { id: 'S2', channel: 'B', bank: 1 },
          { id: 'M1', channel: 'A', bank: 2, soldered: { ...stick, capacityMiB: 4 * GB } },
        ],
      },
    );
    expect(likeInstalled(planCase).map(({ slots, offers }) => [slots, offers.map(({ same }) => same)])).toEqual([
      [['S1', 'S2'], [['rateMTs']]],
      [['M1'], []],
    ]);
  });
});
