import type { NamedDrift } from '@/core/quoting/drift/named-drift';
import { seenDrift } from '@/core/quoting/staff-view';
import { staffWords } from '@/words/staff-words';
import { driftText, renewedText } from './drift-words';

const t = staffWords('en', 'quote');
const de = staffWords('de', 'quote');

const drift = (more: Partial<NamedDrift>): NamedDrift => ({
  place: 1,
  parts: [],
  leftCents: 900,
  leavesCents: 650,
  titles: { a: 'Corrick 8 GB', b: 'Vellamo 4 GB' },
  ...more,
});
const seen = (more: Partial<NamedDrift>, seesCost = true) => seenDrift(drift(more), seesCost);
const part = {
  offer: 'a',
  seller: 'Quayside Components',
  count: 1,
  wasCents: 1_000,
  nowCents: 1_150,
  what: 'dearer',
} as const;

test('what moved is said part by part, with what is left', () => {
  expect(driftText(t, seen({ parts: [{ ...part, count: 2 }] }), 'EUR')).toBe(
    'Option 1: 2 × Corrick 8 GB from Quayside Components costs us €1.50 more each (€10.00 then, €11.50 now); the margin is €6.50 instead of €9.00.',
  );
  const cheaper = { ...part, offer: 'b', seller: '', nowCents: 900, what: 'cheaper' } as const;
  const both = driftText(t, seen({ parts: [part, cheaper] }), 'EUR');
  expect(both).toContain(' and Vellamo 4 GB costs us €1.00 less each (€10.00 then, €9.00 now);');
});

test('anyone who may not see costs is told what moved, not by how much', () => {
  const told = seen({ parts: [part] }, false);
  expect(driftText(t, told, 'EUR')).toBe('Option 1: Corrick 8 GB from Quayside Components costs us more.');
  expect(JSON.stringify(told)).not.toMatch(/1000|1150|900|650/);
});

test('what cannot be had is said so, and nothing is reckoned of it', () => {
  const gone = { ...part, nowCents: null, what: 'sold-out' } as const;
  expect(driftText(t, seen({ parts: [gone], leavesCents: null }), 'EUR')).toBe(
    'Option 1: Corrick 8 GB from Quayside Components is sold out; it cannot be bought as promised.',
  );
  const unnamed = { ...gone, offer: 'z', what: 'withdrawn' } as const;
  expect(driftText(t, seen({ parts: [unnamed], leavesCents: null }), 'EUR')).toContain(
    'a part from Quayside Components is no longer sold',
  );
});

test('what came of a renewal is said option by option', () => {
  expect(renewedText(t, { same: [1, 3], equal: [2], lost: [] })).toBe(
    'Options 1 and 3: the same at today’s prices. Option 2: the next best equal plan. Check it, then send it as a new version.',
  );
  expect(renewedText(t, { same: [], equal: [1], lost: [2] })).toContain(
    'Option 2: nothing equal is left; choose on the ladder.',
  );
});

test('both are told in German where the screen is German', () => {
  expect(driftText(de, seen({ parts: [{ ...part, count: 2 }] }), 'EUR')).toMatch(
    /^Vorschlag 1: 2 × Corrick 8 GB von Quayside Components kostet uns je .* mehr \(damals .*, jetzt .*\); die Marge ist /,
  );
  const gone = { ...part, nowCents: null, what: 'sold-out' } as const;
  expect(driftText(de, seen({ parts: [gone], leavesCents: null }), 'EUR')).toBe(
    'Vorschlag 1: Corrick 8 GB von Quayside Components ist ausverkauft; so lässt er sich nicht mehr kaufen.',
  );
  expect(renewedText(de, { same: [1], equal: [2, 3], lost: [] })).toMatch(
    /^Vorschlag 1: dasselbe zu heutigen Preisen\. Vorschläge 2 .* 3: der nächstbeste gleichwertige Plan\./,
  );
});
