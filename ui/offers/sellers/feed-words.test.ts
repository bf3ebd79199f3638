import { agoText } from '@/core/ago-text';
import { staffWords } from '@/words/staff-words';
import { sickText } from './feed-words';

const t = staffWords('en', 'trade');

const NOW = new Date('2026-11-25T12:00:00Z');

test.each([
  ['2026-11-25T11:59:31Z', 'now'],
  ['2026-11-25T11:59:00Z', '1 minute ago'],
  ['2026-11-25T11:01:00Z', '59 minutes ago'],
  ['2026-11-25T11:00:00Z', '1 hour ago'],
  ['2026-11-23T12:01:00Z', 'yesterday'],
  ['2026-11-23T12:00:00Z', '2 days ago'],
  ['2026-11-25T12:00:09Z', 'now'],
])('%s is %s', (at, text) => {
  expect(agoText(new Date(at), NOW)).toBe(text);
});

test('ages are told in the person’s language', () => {
  expect(agoText(new Date('2026-11-25T09:00:00Z'), NOW, 'de')).toBe('vor 3 Stunden');
  expect(agoText(new Date('2026-11-24T11:00:00Z'), NOW, 'de')).toBe('gestern');
});

test('only a sick feed says how old its prices are', () => {
  const feed = { sellerId: 1, ok: false, age: '3 hours ago', sentence: 'away' };
  expect(sickText(t, feed)).toBe('price of 3 hours ago');
  expect(sickText(t, { ...feed, age: null })).toBe('the feed never answered');
  expect(sickText(t, { ...feed, ok: true })).toBeNull();
  expect(sickText(t, undefined)).toBeNull();
});
