import { de } from '@/words/staff/de';
import { en } from '@/words/staff/en';
import { furtherText, guidePicture, helpLink, helpText, partGuide } from './help-text';

const flat = (of: object, at = ''): [string, string][] =>
  Object.entries(of).flatMap(([key, value]) =>
    typeof value === 'string' ? [[`${at}${key}`, value] as [string, string]] : flat(value, `${at}${key}.`),
  );

const wholeOf = (language: 'en' | 'de') =>
  helpText(language)
    .flatMap(({ sections }) => sections)
    .map(({ markdown }) => markdown)
    .join('\n')
    .replaceAll(/\s+/g, ' ');

it('gives every place of the help a title and a text, in both languages', () => {
  for (const language of ['en', 'de'] as const) {
    for (const { title, sections } of helpText(language)) {
      expect(title).not.toBe('');
      expect(sections.filter((section) => section.title === '' || section.markdown.length < 80)).toEqual([]);
    }
  }
});

it('says of every section the same things: tasks, steps, lists, tables and pictures are as many in German as in English', () => {
  const shape = (language: 'en' | 'de') =>
    helpText(language)
      .flatMap(({ sections }) => sections)
      .map(({ id, markdown }) => ({
        id,
        tasks: markdown.match(/^### /gm)?.length ?? 0,
        steps: markdown.match(/^\d+\. /gm)?.length ?? 0,
        points: markdown.match(/^- /gm)?.length ?? 0,
        rows: markdown.match(/^\|/gm)?.length ?? 0,
        pictures: markdown.match(/^!\[.+\]\((.+)\)$/gm)?.map((one) => one.replace(/^.*\(/, '')) ?? [],
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
  expect(() => partGuide('technicians', '# For technicians\n\n## A job\n\nWords.')).toThrow('1 sections');
});

it('points to pictures and documents that are there, and leads to them inside the application', () => {
  for (const language of ['en', 'de'] as const) {
    const whole = wholeOf(language);
    const targets = [...whole.matchAll(/\]\(([^)]+)\)/g)].map(([, target]) => target ?? '');
    const pictures = targets.filter((target) => target.endsWith('.png'));
    expect(pictures.length).toBeGreaterThan(10);
    expect(pictures.filter((path) => guidePicture(path.replace('screenshots/', '')) === null)).toEqual([]);
    const anchors = helpText(language).flatMap(({ sections }) => sections.map(({ id }) => `#${id}`));
    for (const target of targets.filter((one) => !one.endsWith('.png'))) {
      const address = helpLink(target) ?? 'nowhere';
      if (address.startsWith('#')) expect(anchors).toContain(address);
      else expect(furtherText(address.replace('/help/', ''))?.slice(0, 2)).toBe('# ');
    }
  }
});

it('serves nothing beside its own pictures and documents', () => {
  for (const name of ['../security.md', '../../package.json', 'none.png', 'Intake.png', ''])
    expect(guidePicture(name)).toBeNull();
  for (const name of ['architecture', '../README', 'constructor', '']) expect(furtherText(name)).toBeNull();
  expect(helpLink('architecture.md')).toBeNull();
  expect(helpLink('owners.md#sellers')).toBe('/help#sellers');
  expect(helpLink('readings.md')).toBe('/help/readings');
});
