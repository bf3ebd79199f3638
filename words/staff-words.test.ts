import { partsOfMessage } from '@/testing/filled-messages';
import { languageAsked } from './languages';
import { de } from './staff/de';
import { en } from './staff/en';
import { staffWords } from './staff-words';

/** All messages of a catalogue by their whole keys. */
function messagesOf(words: object, before = ''): Map<string, string> {
  return new Map(
    Object.entries(words).flatMap(([key, value]) =>
      typeof value === 'string' ? [[`${before}${key}`, value]] : [...messagesOf(value, `${before}${key}.`)],
    ),
  );
}
const english = messagesOf(en);
const german = messagesOf(de);

describe('the catalogues of the staff’s screens', () => {
  it('have the same messages in every language, none of them empty', () => {
    expect(english.size).toBeGreaterThan(1000);
    expect([...german.keys()].sort()).toEqual([...english.keys()].sort());
    expect([...english, ...german].filter(([, message]) => message.trim() === '')).toEqual([]);
  });

  it('fill in the same values in every language', () => {
    const other = [...english].filter(
      ([key, message]) => partsOfMessage(message).join() !== partsOfMessage(german.get(key) ?? '').join(),
    );
    expect(other.map(([key]) => key)).toEqual([]);
  });

  it('begin and end with the same spaces in every language, so that sentences join', () => {
    const edge = (message: string) => [message.startsWith(' '), message.endsWith(' ')].join();
    expect(
      [...english].filter(([key, message]) => edge(message) !== edge(german.get(key) ?? '')).map(([key]) => key),
    ).toEqual([]);
  });

  it('are translated: what is alike in both languages is named here', () => {
    const alike = [...english].filter(
      ([key, message]) => german.get(key) === message && /[a-z]{4} [a-z]{3}/i.test(message),
    );
    expect(alike.map(([key]) => key)).toEqual([]);
  });

  it('count as people do', () => {
    const jobs = (language: 'en' | 'de', own: number) => staffWords(language, 'jobs')('count', { own });
    expect([1, 2, 0].map((own) => jobs('en', own))).toEqual(['1 job', '2 jobs', '0 jobs']);
    expect([1, 3].map((own) => jobs('de', own))).toEqual(['1 Auftrag', '3 Aufträge']);
  });
});

test.each([
  ['de-AT,de;q=0.9,en;q=0.8', 'de'],
  ['en-GB,en;q=0.9,de;q=0.8', 'en'],
  ['fr-FR,fr;q=0.9,de;q=0.5', 'de'],
  ['de;q=0,en', 'en'],
  ['fr', 'en'],
  ['', 'en'],
  [null, 'en'],
  [';;q=x,,', 'en'],
] as const)('a browser that asks for %s gets %s', (asked, language) => {
  expect(languageAsked(asked)).toBe(language);
});
