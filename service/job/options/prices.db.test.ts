import { marketRows, openTestShop } from '../../../testing/shop';
import { changePrice } from './prices';

const shop = openTestShop();

describe('prices', () => {
  it('are refused in a sentence for an offer that is gone', async () => {
    expect(await changePrice(shop.teo, 999_999, { costCents: 100 })).toMatchObject({ code: 'not-found' });
  });

  it('are listed with their history, dearer for the customer than for us', async () => {
    const offers = await marketRows();
    expect(offers.length).toBeGreaterThan(150);
    for (const offer of offers) {
      expect(offer.sellCents).toBeGreaterThan(offer.costCents);
      expect(offer.history.at(-1)).toBe(offer.costCents);
    }
  });
});
