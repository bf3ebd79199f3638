import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseSync } from '@swc/core';
import { ROOT } from '../scripts/setup.mjs';
import { sentenceIn } from './sentences';

/**
 * Files whose sentences people read. Customers' words have catalogues of their own; the tasks' and the runtime's sentences go
 * to the log or say themselves in three languages.
 */
const OWN_LANGUAGES = /core\/(quoting\/words|proving\/proof-words|invoicing\/invoice-words)|outward\/papers\//;
const sources = ['service', 'app', 'core', 'outward'].flatMap((room) =>
  (readdirSync(join(ROOT, room), { recursive: true }) as string[])
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.|testing\//.test(name))
    .map((name) => join(room, name))
    .filter((name) => !OWN_LANGUAGES.test(name)),
);

interface Node {
  type?: string;
  [key: string]: unknown;
}

/** The texts that an expression may be, `{}` for what differs. */
function textsOf(node: Node | null | undefined): string[] {
  switch (node?.type) {
    case 'StringLiteral':
      return [node.value as string];
    case 'TemplateLiteral':
      return [(node.quasis as { cooked: string }[]).map(({ cooked }) => cooked).join('{}')];
    case 'ConditionalExpression':
      return [...textsOf(node.consequent as Node), ...textsOf(node.alternate as Node)];
    default:
      return [];
  }
}

/** A whole sentence: it begins with a capital, has a blank and ends with a full stop. */
const WHOLE = /^[A-Z“][^<>]* [^<>]*\.$/;

/** Every sentence that is given to `fault`, and every other text that is a whole sentence, wherever it stands. */
function sentencesIn(node: unknown): string[] {
  if (typeof node !== 'object' || node === null) return [];
  if (Array.isArray(node)) return node.flatMap(sentencesIn);
  const { type, callee, arguments: given } = node as Node & { callee?: Node; arguments?: { expression: Node }[] };
  const called = type === 'CallExpression' && callee?.type === 'Identifier' ? callee.value : null;
  if (called === 'fault') return [...textsOf(given?.[1]?.expression), ...sentencesIn(given?.slice(2))];
  if (called === 'logCaught') return [];
  if (type === 'NewExpression') return [];
  const own = type === 'StringLiteral' || type === 'TemplateLiteral' ? textsOf(node as Node) : [];
  return [...own.filter((text) => WHOLE.test(text)), ...Object.values(node).flatMap(sentencesIn)];
}

const sentences = new Map<string, string>();
for (const file of sources) {
  const parsed = parseSync(readFileSync(join(ROOT, file), 'utf8'), {
    syntax: 'typescript',
    tsx: file.endsWith('x'),
    target: 'es2022',
  });
  for (const sentence of sentencesIn(parsed.body)) sentences.set(sentence, file);
}

test('every fault, and every other sentence of the service and the core, has German words', () => {
  expect(sentences.size).toBeGreaterThan(400);
  const english = [...sentences].filter(([sentence]) => {
    const filled = sentence.replaceAll('{}', 'Xy 7');
    return sentence !== '{}' && sentenceIn('de', filled) === filled;
  });
  expect(english).toEqual([]);
});

const german = Object.entries(
  JSON.parse(readFileSync(join(ROOT, 'words', 'sentences', 'de.json'), 'utf8')) as Record<string, string>,
);

test('each German sentence names what differs by a place that the English one has, and leaves none out', () => {
  const wrong = german.filter(([english, theirs]) => {
    const places = english.split('{}').length - 1;
    const named = [...theirs.matchAll(/\{(\d)!?\}/g)].map(([, nr]) => Number(nr));
    return /\{\}/.test(theirs) || new Set(named).size !== places || Math.max(0, ...named) > places;
  });
  expect(wrong).toEqual([]);
});

test.each(german.filter(([english]) => english.includes('{}')))(
  '“%s” is told as its own German sentence',
  (english, theirs) => {
    const filled = (text: string, places: (nr: number) => string): string => {
      let nr = 0;
      return text
        .replaceAll('{}', () => places(++nr))
        .replace(/\{(\d)!?\}/g, (_, place: string) => places(Number(place)));
    };
    const value = (nr: number): string => `Wert${nr}`;
    expect(sentenceIn('de', filled(english, value))).toBe(filled(theirs, value));
  },
);

test('names that read like words of ours stay as somebody wrote them', () => {
  expect(sentenceIn('de', 'The username "Maker" is taken: choose another.')).toBe(
    'Der Benutzername „Maker“ ist vergeben: einen anderen wählen.',
  );
  expect(sentenceIn('de', 'Nothing comes out of Total.')).toBe('Aus Total kommt nichts heraus.');
});

test('a text made of fixed words over and over is looked through once, not in every way there is', () => {
  // In every way there is this would not come to an end. The first place where each fixed word stands is
  // taken, and the rest is kept as what differs.
  const piece = ' of x: 1 slots, 2 filled with ';
  expect(sentenceIn('de', `${piece.repeat(60)}!`)).toBe(` von x: 1 Steckplätze, 2 belegt mit ${piece.repeat(59)}!`);
  // No sentence ends like this one, however often its beginning is there.
  const endless = `Line 7: ${'The file is '.repeat(200)}`;
  expect(sentenceIn('de', endless)).toContain('The file is The file is');
});

test('what differs is kept, and is told in the same language where it is a sentence', () => {
  expect(sentenceIn('de', 'Line 7: The file is empty.')).toBe('Zeile 7: Die Datei ist leer.');
  expect(sentenceIn('de', 'There is no module in A1 that could stay or go.')).toContain('In A1 steckt');
  expect(
    sentenceIn('de', 'Quayside Parts and Marrow Lane print different currencies: make their terms the same first.'),
  ).toMatch(/^Quayside Parts und Marrow Lane /);
});

test('English stays, and so does what no catalogue has or somebody made long', () => {
  expect(sentenceIn('en', 'The file is empty.')).toBe('The file is empty.');
  expect(sentenceIn('de', 'Nobody wrote this.')).toBe('Nobody wrote this.');
  expect(sentenceIn('de', `Line 7: ${'x'.repeat(3000)}`)).toMatch(/^Line 7/);
});
