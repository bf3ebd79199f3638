import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../scripts/setup.mjs';
import { en } from '../words/staff/en';
import { unfilledMessages } from './filled-messages';
import { looseWords } from './loose-words';

const sources = ['ui', 'app']
  .flatMap((room) =>
    readdirSync(join(ROOT, room), { recursive: true, encoding: 'utf8' }).map((path) => `${room}/${path}`),
  )
  .filter((path) => /^ui\/.*\.tsx?$|^app\/.*\.tsx$/.test(path) && !/\.test\.|\/testing\//.test(path));

/** What is no sentence of ours: a command, an example that stands for itself, how something is found or drawn. */
const NO_WORDS = [
  /^(?:FENBRIK_DEMO=\w+ |HOST=\S+ )?npm start$/,
  /^(?:\d+(?:\.\d)? [GM]B|A4 \(.*\)|Home End|, mm|[a-z-]+ ecc)$/,
  /^(?:\w+\(.*\)|\[data-[\w-]+=" "\].*|button, .*|input, .*|= ; Path=.*|fenbrik\.intake\. \.|fees\. \.amount)$/,
  /^(?:text-\w+! min-h-\d+ px-\d)$/,
  // Examples of titles and labels, which are the same in every language.
  /\b\d+GB (?:2Rx8|DDR\d)|^Merle 4300 /,
  /^%s · Fenbrik$/,
  // What a report would say, for the reader: nobody sees it.
  /^(?:Memory|Speed: MT\/s|Slots used: of|Form factor:)$/,
];

test('no word that people read stands in a component: all are in the catalogues', () => {
  expect(sources.length).toBeGreaterThan(300);
  const loose = sources.flatMap((file) =>
    looseWords(ROOT, file)
      .filter(({ text }) => !NO_WORDS.some((pattern) => pattern.test(text)))
      .map(({ line, text }) => `${file}:${line} ${text}`),
  );
  expect(loose).toEqual([]);
});

test('words are found as text, as a label, in a choice and in a template; names of the code are not', () => {
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-loose-'));
  const source = `import { x } from 'some words';
export function Some({ one, t }: { one: boolean; t: (key: string) => string }) {
  return (
    <p className="flex gap-2" aria-label="Every price">
      Save it
      {one ? 'not now' : t('later.on')}
      <b title={\`\${x} of them\`}>MT/s</b>
    </p>
  );
}
`;
  writeFileSync(join(folder, 'some.tsx'), source);
  expect(looseWords(folder, 'some.tsx').map(({ line, text }) => `${line} ${text}`)).toEqual([
    '4 Every price',
    '4 Save it',
    '6 not now',
    '7 of them',
  ]);
  rmSync(folder, { recursive: true });
});

test('every message is said with all that is filled in', () => {
  expect(sources.flatMap((file) => unfilledMessages(ROOT, file, en))).toEqual([]);
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-unfilled-'));
  writeFileSync(
    join(folder, 'some.ts'),
    "const t = useTranslations('jobs');\nt('count', { all: 3 });\nt('count', { own: 3 });\nt('count');\n",
  );
  expect(unfilledMessages(folder, 'some.ts', en)).toEqual(['some.ts: count: own', 'some.ts: count: own']);
  rmSync(folder, { recursive: true });
});
