import { changedFields, overwritten } from './overwritten';

const NOW = { name: 'Hedda Vane', phone: '0555 0100', uses: ['photos', 'web'], needMiB: null };

test.each([
  // nobody else wrote it
  [{ name: 'Hedda Vane' }, { name: 'Hedda Wane' }, null],
  // somebody else did: theirs is told
  [{ name: '' }, { name: 'Hedda Wane' }, { name: 'Hedda Vane' }],
  // both wrote the same
  [{ name: '' }, { name: 'Hedda Vane' }, null],
  // somebody else wrote another field
  [{ needMiB: null }, { needMiB: 16384 }, null],
  // nothing is known of what was seen: what is there is not written over
  [{}, { phone: '1' }, { phone: '0555 0100' }],
  // lists are one value
  [{ uses: ['photos', 'web'] }, { uses: ['web'] }, null],
  [{ uses: ['photos'] }, { uses: ['web'] }, { uses: ['photos', 'web'] }],
  [{ name: '', phone: '0555 0100' }, { name: 'x', phone: '2' }, { name: 'Hedda Vane' }],
])('seen %j, written %j: %j', (seen, next, theirs) => {
  expect(overwritten(NOW, seen, next)).toEqual(theirs);
});

it('tells which fields of a whole value were changed', () => {
  expect(changedFields({ a: 1, b: [1, 2], c: null }, { a: 1, b: [2], c: null })).toEqual({ b: [2] });
});
