import { READER } from '../../testing/reader';
import { must, openTestShop, readTill, stateOf } from '../../testing/shop';
import { savePriceRule, showPriceRule } from './price-rule';

const shop = openTestShop();

test('the shop’s rule reaches the ladder, keeps its steps in order, and refuses two steps at one cost', async () => {
  const job = await readTill(shop.teo);
  const prices = async () => (await stateOf(job)).market.offers.map(({ priceCents }) => priceCents);
  const before = await prices();
  const { rule } = await showPriceRule(READER);
  const steps = [
    { fromCents: 20_000, markUpBp: 500 },
    { fromCents: 5000, markUpBp: 6000 },
  ];
  must(await savePriceRule(shop.teo, { ...rule, markUpBp: 9000, markUpSteps: steps, priceEndings: [90] }));
  const after = await prices();
  expect(after.every((cents) => cents % 100 === 90)).toBe(true);
  expect(Math.min(...after)).toBeGreaterThan(Math.min(...before));
  expect((await showPriceRule(READER)).rule.markUpSteps.map(({ fromCents }) => fromCents)).toEqual([5000, 20_000]);
  const twice = [steps[0], steps[0]].filter((step) => step !== undefined);
  expect(await savePriceRule(shop.teo, { ...rule, markUpSteps: twice })).toMatchObject({ code: 'bad-input' });
});
