import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CustomerOption, CustomerQuote } from '../../core/quoting/customer-view';
import { escaped, html } from './html';
import { type QuotePage, quotePage } from './quote-page';

const option = (place: number, more: Partial<CustomerOption> = {}): CustomerOption => ({
  place,
  lane: 'third-party',
  reuse: 'add',
  care: 'off-book',
  totalMiB: 16_384,
  addedMiB: 8192,
  rateMTs: 2400,
  channelsText: 'dual channel',
  openSlots: 0,
  oldModules: 'Your module stays in.',
  leadDays: 2,
  before: [{ slot: 'A1', capacityMiB: 8192, text: '8 GB', fate: 'today' }],
  after: [
    { slot: 'A1', capacityMiB: 8192, text: '8 GB', fate: 'stays' },
    { slot: 'ON', capacityMiB: 4096, text: '4 GB', fate: 'built-in' },
    { slot: 'B1', capacityMiB: 8192, text: '8 GB', fate: 'new' },
    { slot: 'B2', capacityMiB: null, text: null, fate: 'empty' },
  ],
  warnings: [`Statement of ${place}`],
  statements: [`Statement of ${place}`],
  lines: [{ kind: 'part', text: '8 GB', origin: 'used', quantity: 2, eachCents: 2450, totalCents: 4900 }],
  totalCents: 4900,
  taxCents: 817,
  savingCents: null,
  savingPercent: null,
  ...more,
});

const quote: CustomerQuote = {
  fenbrik: 'quote/1',
  number: '2026-0007',
  sentOn: '2026-11-25',
  validUntil: '2026-12-09',
  currency: 'EUR',
  taxBp: 2000,
  suggested: 2,
  shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '14 Petrel Street' },
  customer: { name: '<script>alert("x")</script> & דנה' },
  machine: { name: 'Tarnholt Counter 4', totalMiB: 8192 },
  note: 'A <b>bold</b> word\nin two lines',
  options: [option(1), option(2)],
};

const page = (more: Partial<QuotePage> = {}): string =>
  quotePage({
    quote,
    standing: 'open',
    answer: null,
    questions: [],
    code: 'ab'.repeat(32),
    path: '/q/TOKEN',
    hasLogo: false,
    acceptWords: {},
    isProved: false,
    isNotWorking: false,
    hasInvoice: false,
    files: { css: '/c', js: '/j', font: '/f' },
    refused: null,
    ...more,
  });

describe('markup', () => {
  it('escapes whatever is put into it, but for other markup', () => {
    expect(escaped(`<a href="x">'&'`)).toBe('&lt;a href=&quot;x&quot;&gt;&#39;&amp;&#39;');
    const { text } = html`<p>${['<', html`<b>${'&'}</b>`, null, false, 3]}</p>`;
    expect(text).toBe('<p>&lt;<b>&amp;</b>3</p>');
  });
});

describe('the customer’s page', () => {
  it('accepts by a button in the shop’s own words, else in the usual one', () => {
    const buttonOf = (text: string) => /<button class="act">([^<]*)<\/button><span class="small soft">/.exec(text)?.[1];
    expect(buttonOf(page())).toBe('Accept');
    const acceptWords = { en: 'Order with obligation to pay', de: 'Zahlungspflichtig bestellen' };
    expect(buttonOf(page({ acceptWords }))).toBe('Order with obligation to pay');
    expect(buttonOf(page({ acceptWords, quote: { ...quote, language: 'de' } }))).toBe('Zahlungspflichtig bestellen');
    expect(buttonOf(page({ acceptWords, quote: { ...quote, language: 'fr' } }))).toBe('Accepter');
    expect(buttonOf(page({ acceptWords: { en: '' } }))).toBe('Accept');
    expect(buttonOf(page({ acceptWords: { en: '<b>Pay</b>' } }))).toBe('&lt;b&gt;Pay&lt;/b&gt;');
  });

  it('lets no markup in that anybody typed', () => {
    const asked = [{ id: 1, words: '<img src=x>', on: '2026-11-26', reply: { words: '"><i>', on: '2026-11-26' } }];
    const text = page({ questions: asked });
    expect(text).not.toMatch(/<script>|<b>bold|<img src=x|<i>/);
    expect(text).toContain('&lt;script&gt;alert(&quot;x&quot;)&lt;/script&gt; &amp; דנה');
  });

  it('says what each board holds in words, and draws what stays, comes, is built in and is free', () => {
    const text = page();
    expect(text).toContain('aria-label="After: A1 8 GB, ON 4 GB, B1 8 GB, B2 free"');
    for (const look of ['fitted', 'soldered', 'new', 'empty']) expect(text).toContain(`<g class="${look}"`);
  });

  it('asks for the statements of each option with that option, and chooses the suggested one', () => {
    const text = page();
    expect(text).toMatch(/<fieldset data-of="1">.*value="Statement of 1"/);
    expect(text).toMatch(/value="2" checked/);
    expect(text).not.toMatch(/value="1" checked/);
  });

  it('comes back with everything that was typed where it could not be taken', () => {
    const typed = { sentence: 'Type your name.', place: 1, signed: '', ticked: ['Statement of 1'], words: '' };
    const text = page({ refused: { kind: 'accept', ...typed } });
    expect(text).toContain('<p class="fault" role="alert">Type your name.</p>');
    expect(text).toMatch(/value="1" checked/);
    expect(text).toMatch(/value="Statement of 1" checked/);
    const no = page({ refused: { kind: 'decline', ...typed, words: 'Too dear & late' } });
    expect(no).toMatch(/<details open><summary>Decline/);
    expect(no).toContain('Too dear &amp; late</textarea>');
  });

  it('has no form to say yes once that is no longer to be said', () => {
    expect(page()).toContain('data-kind="accept"');
    for (const standing of ['accepted', 'lapsed', 'replaced'] as const) {
      const answer = { kind: 'accepted' as const, place: 1, signed: 'Ada', ticked: [], on: '2026-11-26' };
      const text = page({ standing, answer: standing === 'accepted' ? answer : null });
      expect(text).not.toContain('data-kind="accept"');
      expect(text).not.toContain('data-kind="decline"');
      // Of what has lapsed or was replaced nothing is taken any more, a question neither.
      expect(text.includes('data-kind="ask"')).toBe(standing === 'accepted');
    }
  });

  it('keeps telling of the yes that a change order replaced, and the change tells what it changes', () => {
    const answer = { kind: 'accepted' as const, place: 1, signed: 'Ada Winn', ticked: [], on: '2026-11-26' };
    const before = page({ standing: 'replaced', answer });
    expect(before).toContain('was accepted by Ada Winn on 26 November 2026');
    expect(before).toContain('A newer quote changes this order.');
    const changes = { number: '2026-0004', place: 2, on: '2026-11-20' };
    const after = page({ quote: { ...quote, changes } });
    expect(after).toContain('This changes your order: on 20 November 2026 you accepted option 2 of quote 2026-0004.');
    expect(after).toContain('data-kind="accept"');
  });

  it('is in the quote’s language throughout', () => {
    const text = page({ quote: { ...quote, language: 'fr' } });
    expect(text).toContain('<html lang="fr">');
    expect(text).toContain('49,00');
    for (const words of ['Accepter', 'Nous poser une question', 'Vérifier un devis imprimé', 'neuf'])
      expect(text).toContain(words);
    expect(text).not.toMatch(/Accept an option|Ask us|Option 1/);
  });
});

it('has the colours of the shop’s own screens, each in both themes, and no others', () => {
  const of = (name: string): string => readFileSync(join(__dirname, '..', 'page', name), 'utf8');
  const colours = [
    ...of('palette.css').matchAll(/(--[\w-]+): var\(--light, (#[0-9a-f]{6})\) var\(--dark, (#[0-9a-f]{6})\);/g),
  ];
  expect(colours.length).toBeGreaterThan(14);
  expect(colours.filter(([, , light, dark]) => light === dark)).toEqual([]);
  const known = new Set(colours.map(([, name]) => name));
  const used = [...of('quote.css').matchAll(/var\((--[\w-]+)/g)].map(([, name]) => name);
  expect(used.length).toBeGreaterThan(10);
  expect(used.filter((name) => !known.has(name))).toEqual([]);
});

test('says that what was agreed on condition did not work, and not that parts are on their way', () => {
  const answer = { kind: 'accepted' as const, place: 1, signed: 'Hedda Vane', on: '2026-12-01', ticked: [] };
  const before = page({ standing: 'accepted', answer });
  expect(before).toContain('was accepted by Hedda Vane');
  const after = page({ standing: 'accepted', answer, isNotWorking: true });
  expect(after).toContain('Your own modules are back in');
  expect(after).not.toContain('was accepted by');
});
