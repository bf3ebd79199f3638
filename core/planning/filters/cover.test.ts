import { careUnderCover, coverNotice } from './cover';

describe('under warranty or a support contract', () => {
  it('parts of others carry a heads-up, and what is worse stays', () => {
    expect(careUnderCover({ lane: 'third-party', care: 'clear' }, 'warranty')).toBe('heads-up');
    expect(careUnderCover({ lane: 'mixed', care: 'clear' }, 'support')).toBe('heads-up');
    expect(careUnderCover({ lane: 'used', care: 'off-book' }, 'warranty')).toBe('off-book');
    expect(coverNotice('third-party', 'warranty')).toBe('warranty');
    expect(coverNotice('used', 'support')).toBe('support');
  });

  it('originals and what is only moved round carry none, nor does anything without a cover', () => {
    for (const lane of ['original', 'none'] as const) expect(coverNotice(lane, 'warranty')).toBeNull();
    for (const cover of ['none', null] as const) {
      expect(careUnderCover({ lane: 'third-party', care: 'clear' }, cover)).toBe('clear');
    }
  });
});
