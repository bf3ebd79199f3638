import { WORKED_CASES } from '../../testing/worked-cases';
import { LANGUAGES } from '../language';
import type { PlanCase } from '../planning/model/case';
import { answer } from '../planning/search/answer';
import { makeCase, stick } from '../planning/testing/small-case';
import { whatToBuy } from './what-to-buy';
import { buyLines } from './words/buy-lines';

const GB = 1024;
const textOf = (planCase: PlanCase, language: 'en' | 'de' | 'fr' = 'en') => {
  const { lines, avoid } = buyLines(language, whatToBuy(planCase));
  return { lines: Object.fromEntries(lines.map(({ name, texts }) => [name, texts.join('; ')])), avoid };
};

describe('what to buy', () => {
  const planCase = makeCase(
    { installed: [{ slot: 'S1', module: stick }] },
    {
      ceilings: { totalMiB: { official: 32 * GB }, moduleMiB: { official: 16 * GB, failed: [32 * GB] } },
      cpu: { maxRateMTs: 2133 },
      clearanceMm: 31.25,
      os: { name: 'a small one', visibleMiB: 24 * GB },
    },
  );

  it('says type, contacts, rate, sizes, slots, height, and what is inside', () => {
    expect(textOf(planCase).lines).toEqual({
      Type: 'DDR4 DIMM, 288 contacts; unbuffered (UDIMM), without ECC',
      Voltage: '1.2 V',
      'Data rate': 'rated 2133 MT/s or more; it runs at 2133 MT/s at most',
      'Largest module': '16 GB',
      'Most in all': '32 GB; the operating system uses at most 24 GB',
      Slots: '4, of which 3 are free',
      Pairs: 'two equal modules, best as one kit, are faster than one or than two that differ',
      Height: '31.25 mm at most',
      'Inside today': '8 GB DDR4-2400 CL17 DIMM',
    });
  });

  it('says what not to buy, by what the machine takes', () => {
    expect(textOf(planCase).avoid).toEqual([
      'another generation: the notch is in another place',
      'registered, load-reduced or “server” modules',
      'modules with ECC',
      'modules of 32 GB: they failed in this model',
    ]);
    const server = makeCase({}, { kinds: [{ buffering: 'registered', ecc: true }] });
    expect(whatToBuy(server).avoid.map(({ what }) => what)).toEqual(['other-generation', 'unbuffered', 'no-ecc']);
  });

  it('tells what was seen to work beyond what the maker states apart from that', () => {
    const beyond = {
      totalMiB: { official: 24 * GB, proven: 40 * GB },
      moduleMiB: { official: 16 * GB, proven: 32 * GB },
    };
    expect(textOf(makeCase({}, { ceilings: beyond })).lines).toMatchObject({
      'Largest module': '16 GB; 32 GB was seen to work; the maker does not guarantee it',
      'Most in all': '24 GB; 40 GB was seen to work; the maker does not guarantee it',
    });
    expect(textOf(makeCase({})).lines).toMatchObject({ 'Largest module': 'not known', 'Most in all': 'not known' });
  });

  it('is in the customer’s language, with figures as they are written there', () => {
    expect(textOf(planCase, 'de').lines).toMatchObject({ Spannung: '1,2 V', Höhe: 'höchstens 31,25 mm' });
    expect(textOf(planCase, 'fr').lines).toMatchObject({ 'Module le plus grand': '16 Go' });
  });
});

test.each(WORKED_CASES)(
  '%s: whatever a plan buys is what is told to be bought, and nothing costs anything',
  (_, planCase) => {
    const told = whatToBuy(planCase);
    const offers = new Map(planCase.offers.map((offer) => [offer.id, offer]));
    for (const { bought, totalMiB, care } of answer({ ...planCase, goal: null }).plans) {
      for (const { offer: id } of bought) {
        const module = offers.get(id)?.module;
        expect(
          told.types.some(({ generation, form }) => module?.generation === generation && module.form === form),
        ).toBe(true);
        expect(told.kinds.some(({ buffering, ecc }) => module?.buffering === buffering && module.ecc === ecc)).toBe(
          true,
        );
        if (told.module.statedMiB !== null)
          expect(module?.capacityMiB).toBeLessThanOrEqual(told.module.worksMiB ?? told.module.statedMiB);
      }
      if (told.total.statedMiB !== null && care !== 'off-book')
        expect(totalMiB).toBeLessThanOrEqual(told.total.worksMiB ?? told.total.statedMiB);
    }
    for (const language of LANGUAGES) {
      const { lines, avoid } = buyLines(language, told);
      expect(lines.length).toBeGreaterThanOrEqual(6);
      expect(
        [...lines.flatMap(({ texts }) => texts), ...avoid].every(
          (text) => text.trim() !== '' && !/undefined|NaN|€/.test(text),
        ),
      ).toBe(true);
    }
  },
);
