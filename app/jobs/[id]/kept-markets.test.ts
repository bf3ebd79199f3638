import { keepMarket, keptMarket } from './kept-markets';

describe('markets kept for the page that asks next', () => {
  it('are found under the key of just this text and job', () => {
    const key = keepMarket(1, '{"a":1}');
    expect(keptMarket(1, key)).toBe('{"a":1}');
    expect(keepMarket(1, '{"a":1}')).toBe(key);
    expect(keepMarket(1, '{"a":2}')).not.toBe(key);
    expect(keptMarket(2, key)).toBeUndefined();
    expect(keptMarket(1, 'another')).toBeUndefined();
  });

  it('are forgotten one by one, what was asked for again last', () => {
    const first = keepMarket(3, 'first');
    const second = keepMarket(3, 'second');
    for (let nr = 0; nr < 38; nr++) keepMarket(3, `filler ${nr}`);
    keepMarket(3, 'first');
    keepMarket(3, 'one more');
    expect(keptMarket(3, second)).toBeUndefined();
    expect(keptMarket(3, first)).toBe('first');
  });
});
