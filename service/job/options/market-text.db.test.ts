import { pool, run } from '../../../store/database';
import { READER } from '../../../testing/reader';
import { openTestShop, readTill, stateOf } from '../../../testing/shop';
import { marketText, showMarketText } from './market-text';
import { offerOfKey } from './offers-for-job';

const shop = openTestShop();

test('the text that a page was made with is answered by its mark, and any other mark with the market as it is now', async () => {
  const id = await readTill(shop.teo);
  const state = await stateOf(id);
  const made = marketText(state);
  if (!state.jobCase.ok) throw new Error('the machine has gaps');
  const [offer] = state.jobCase.planCase.offers;
  await run(pool(), 'update offer set cost_cents = cost_cents + 5000 where id = $1', [offerOfKey(offer?.id ?? '')]);
  // A mark names one text for ever.
  expect(await showMarketText(READER, id, made.mark)).toEqual(made);
  const now = await showMarketText(READER, id, 'another');
  expect(now?.mark).not.toBe(made.mark);
  expect(now?.text).not.toBe(made.text);
  expect(await showMarketText(READER, id, now?.mark ?? '')).toEqual(now);
  // One job's text is none of another's, even under its mark.
  const other = await readTill(shop.teo);
  expect((await showMarketText(READER, other, made.mark))?.mark).not.toBe(made.mark);
  expect(await showMarketText(READER, 999_999, made.mark)).toBeNull();
});
