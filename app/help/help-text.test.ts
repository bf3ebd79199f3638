import { de } from '@/words/staff/de';
import { en } from '@/words/staff/en';
import { helpText, partGuide } from './help-text';

const flat = (of: object, at = ''): [string, string][] =>
  Object.entries(of).flatMap(([key, value]) =>
    typeof value === 'string' ? [[`${at}${key}`, value] as [string, string]] : flat(value, `${at}${key}.`),
  );

const wholeOf = (language: 'en' | 'de') =>
  helpText(language)
    .sections.map(({ markdown }) => markdown)
    .join('\n')
    .replaceAll(/\s+/g, ' ');

it('gives every place of the help a title and a text, in both languages', () => {
  for (const language of ['en', 'de'] as const) {
    const { title, sections } = helpText(language);
    expect(title).not.toBe('');
    expect(sections.filter((section) => section.title === '' || section.markdown.length < 80)).toEqual([]);
  }
});

it('says of every section the same things: lists and tables are as long in German as in English', () => {
  const shape = (language: 'en' | 'de') =>
    helpText(language).sections.map(({ id, markdown }) => ({
      id,
      points: markdown.match(/^- /gm)?.length ?? 0,
      rows: markdown.match(/^\|/gm)?.length ?? 0,
    }));
  expect(shape('de')).toEqual(shape('en'));
});

it('calls buttons and titles in German what they are called on German screens', () => {
  const german = new Map(flat(de));
  const inGerman = new Map<string, string[]>();
  for (const [key, text] of flat(en)) inGerman.set(text, [...(inGerman.get(text) ?? []), german.get(key) ?? '']);
  const bold = [...wholeOf('en').matchAll(/\*\*([^*]+)\*\*|"([^"]+)"/g)].map(
    ([, label, quoted]) => label ?? quoted ?? '',
  );
  const whole = wholeOf('de');
  const known = bold.filter((label) => label.length > 2 && inGerman.has(label));
  expect(known.length).toBeGreaterThan(25);
  const missing = known.filter((label) => !inGerman.get(label)?.some((word) => whole.includes(word)));
  expect(missing).toEqual([]);
});

it('refuses a guide that has lost a section', () => {
  expect(() => partGuide('# For technicians\n\n## A job\n\nWords.')).toThrow('1 sections');
});
