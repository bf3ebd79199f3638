import type { Waiting } from '@/service/job/counter';
import { STAFF_LANGUAGES } from '@/words/languages';
import { staffWords } from '@/words/staff-words';
import { waitingText } from './waiting-text';

const quote = '2026-0007';
const said = (waiting: Waiting, language: 'en' | 'de' = 'en') => waitingText(staffWords(language, 'jobs'), waiting);

test.each(STAFF_LANGUAGES)('what a job waits for has words in %s', (language) => {
  const plain = ['report', 'name', 'module', 'limits', 'choice', 'question', 'here', 'on-the-way'] as const;
  const ends = ['proof', 'proved', 'closed', 'slots', 'unreadable'] as const;
  const texts = [...plain, ...ends].map((on) => said({ on }, language));
  expect(new Set(texts).size).toBe(texts.length);
  for (const on of ['lapsed', 'declined', 'mail', 'answer'] as const)
    expect(said({ on, quote }, language)).toContain(quote);
});

test('days and options are counted as people count them', () => {
  expect([0, 1, 3].map((days) => said({ on: 'lapses', quote, days }))).toEqual([
    'Waits for an answer to 2026-0007, which lapses today',
    'Waits for an answer to 2026-0007, which lapses tomorrow',
    'Waits for an answer to 2026-0007, which lapses in 3 days',
  ]);
  expect([1, 3].map((count) => said({ on: 'send', count }))).toEqual(['1 option to send', '3 options to send']);
  expect(said({ on: 'parts', place: 2 }, 'de')).toBe('Teile für Vorschlag 2 bestellen');
});
