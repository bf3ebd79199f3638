import type { CustomerQuote } from './customer-view';
import { coverText, isAgreed } from './paper/statements';
import { type CustomerStatement, decisionOf, faultOfAcceptance, standingOf } from './quote-answer';

const said = (kind: CustomerStatement['kind'], more: Partial<CustomerStatement> = {}): CustomerStatement => ({
  kind,
  place: null,
  signed: null,
  ticked: [],
  words: '',
  on: '2026-11-26',
  ...more,
});
const accepted = said('accepted', { place: 1, signed: 'Ada' });

describe('what was decided', () => {
  it('is the last word, a question is none, and a yes stays', () => {
    expect(decisionOf([])).toBeNull();
    expect(decisionOf([said('question', { words: 'When?' })])).toBeNull();
    expect(decisionOf([said('declined', { words: 'no' }), said('declined', { words: 'still no' })])).toMatchObject({
      words: 'still no',
    });
    expect(decisionOf([said('declined'), accepted])).toMatchObject({ kind: 'accepted' });
    expect(decisionOf([accepted, said('declined')])).toMatchObject({ kind: 'accepted' });
  });

  it('and the day and later versions make how a quote stands', () => {
    const yes = decisionOf([accepted]);
    const no = decisionOf([said('declined')]);
    const at = (answer: typeof yes, replaced: boolean, lapsed: boolean) => standingOf(answer, { replaced, lapsed });
    expect([at(null, false, false), at(no, false, false), at(yes, false, false)]).toEqual([
      'open',
      'declined',
      'accepted',
    ]);
    expect([at(null, false, true), at(no, false, true), at(yes, false, true)]).toEqual([
      'lapsed',
      'lapsed',
      'accepted',
    ]);
    expect([at(null, true, true), at(no, true, false), at(yes, true, false)]).toEqual([
      'replaced',
      'replaced',
      'replaced',
    ]);
  });
});

describe('a yes', () => {
  const quote = { options: [{ place: 1, statements: ['One.', 'Two.'] }, { place: 2 }] } as unknown as CustomerQuote;
  const wrong = (place: number, signed: string, ticked: string[]) =>
    faultOfAcceptance(quote, { place, signed, ticked });

  it('needs an option, a name and every statement', () => {
    expect(wrong(3, 'Ada', [])).toContain('no such option');
    expect(wrong(1, '  ', ['One.', 'Two.'])).toContain('your name');
    expect(wrong(1, 'Ada', [])).toContain('2 statements');
    expect(wrong(1, 'Ada', ['Two.'])).toContain('One statement');
    expect(wrong(1, 'Ada', ['Two.', 'One.', 'Three.'])).toBeNull();
    expect(wrong(2, 'Ada', [])).toBeNull();
  });
});

describe('statements', () => {
  it('are what the maker does not vouch for, and what a cover may ask', () => {
    expect([isAgreed('total-off-book'), isAgreed('module-off-book'), isAgreed('mixed-rate')]).toEqual([
      true,
      true,
      false,
    ]);
    expect(coverText('third-party', 'warranty')).toBe('cover-warranty');
    expect(coverText('used', 'support')).toBe('cover-support');
    expect([coverText('original', 'warranty'), coverText('third-party', null)]).toEqual([null, null]);
  });
});
