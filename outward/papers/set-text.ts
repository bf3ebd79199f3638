import bidiFactory from 'bidi-js';
import { RIGHT_TO_LEFT } from '../../core/quoting/words/in-language';
import { type Face, faceOf, type Weight } from './pdf-faces';

const bidi = bidiFactory();

/** Letters of one face and one direction that stand together on a line. */
export interface TextRun {
  text: string;
  face: Face;
  /** read from right to left */
  rtl: boolean;
}

/** What is read as one letter, with where and how it stands in its text. */
interface Cluster {
  text: string;
  face: Face;
  level: number;
}

const SEGMENTER = new Intl.Segmenter('en', { granularity: 'grapheme' });
/** What can turn the direction of a text: those letters, and marks and embeddings (UAX 9, 2). */
const TURNS = /[\u0590-\u08ff\u200f\u202b\u202e\u2067\ufb1d-\ufdff\ufe70-\ufeff]/;
/** Marks and isolates that only say in which direction something is read. */
const UNSEEN = /^[\u200e\u200f\u2066-\u2069]$/;
/** Stands for what no face can draw. */
const UNKNOWN = '?';

function clustersOf(text: string, weight: Weight): Cluster[] {
  // Without a letter that is read from right to left, or a mark that asks for it, all is read from left to right.
  const levels = TURNS.test(text) ? bidi.getEmbeddingLevels(text, 'ltr').levels : [];
  return [...SEGMENTER.segment(text)].flatMap(({ segment, index }) => {
    if (UNSEEN.test(segment)) return [];
    const level = levels[index] ?? 0;
    const mirrored = level % 2 === 1 ? (bidi.getMirroredCharacter(segment) ?? segment) : segment;
    const face = faceOf(mirrored, weight);
    return face === null ? { text: UNKNOWN, face: 0, level } : { text: mirrored, face, level };
  });
}

/**
 * The runs of a line from left to right: runs of a level are turned round from the highest level down to the lowest that
 * reads from right to left (Unicode Standard Annex 9, rule L2).
 */
function visualRuns(line: readonly Cluster[]): TextRun[] {
  const runs: { text: string; face: Face; level: number }[] = [];
  for (const cluster of line) {
    const last = runs.at(-1);
    if (last === undefined || last.face !== cluster.face || last.level !== cluster.level) runs.push({ ...cluster });
    // Letters that are read so are turned round where they are drawn; signs among them that have no direction are here.
    else if (cluster.level % 2 === 1 && !RIGHT_TO_LEFT.test(last.text + cluster.text))
      last.text = cluster.text + last.text;
    else last.text += cluster.text;
  }
  const highest = Math.max(0, ...runs.map(({ level }) => level));
  for (let level = highest; level > 0; level--) {
    for (let from = 0; from < runs.length; from++) {
      let to = from;
      while (to < runs.length && (runs[to]?.level ?? 0) >= level) to++;
      if (to > from) runs.splice(from, to - from, ...runs.slice(from, to).reverse());
      from = to;
    }
  }
  return runs.map(({ text, face, level }) => ({ text, face, rtl: level % 2 === 1 }));
}

/** How wide a run is at the size that is meant, in points. */
export type Measure = (run: TextRun) => number;

/**
 * Breaks a text into lines no wider than `width`, at spaces where there are any, and orders what stands on each by the
 * directions of its letters (Unicode Standard Annex 9). A line feed ends a line; what is longer than a line is broken anywhere.
 */
export function setText(text: string, weight: Weight, width: number, measure: Measure): TextRun[][] {
  const lines: TextRun[][] = [];
  for (const paragraph of text.normalize('NFC').split(/\r?\n/)) {
    let line: Cluster[] = [];
    let used = 0;
    const end = (isWrapped = false) => {
      const isSpaced = line.at(-1)?.text === ' ';
      while (line.at(-1)?.text === ' ') line.pop();
      const runs = visualRuns(line);
      const last = runs.at(-1);
      // Anyone who has the paper read to them hears two words where a line ends between them.
      if (isWrapped && isSpaced && last?.rtl === false) last.text += ' ';
      lines.push(runs);
      line = [];
      used = 0;
    };
    for (const word of wordsOf(clustersOf(paragraph, weight))) {
      const wide = widthOf(word, measure);
      if (line.length > 0 && used + widthOf(withoutSpace(word), measure) > width) end(true);
      if (wide <= width) {
        line.push(...word);
        used += wide;
        continue;
      }
      for (const cluster of word) {
        const one = widthOf([cluster], measure);
        if (line.length > 0 && used + one > width) end();
        line.push(cluster);
        used += one;
      }
    }
    end();
  }
  return lines;
}

/** Words with the spaces that follow them. */
function wordsOf(clusters: readonly Cluster[]): Cluster[][] {
  const words: Cluster[][] = [];
  let isNew = true;
  for (const cluster of clusters) {
    if (isNew) words.push([]);
    words.at(-1)?.push(cluster);
    isNew = cluster.text === ' ';
  }
  return words;
}

const withoutSpace = (word: readonly Cluster[]): readonly Cluster[] =>
  word.at(-1)?.text === ' ' ? word.slice(0, -1) : word;

const widthOf = (clusters: readonly Cluster[], measure: Measure): number =>
  visualRuns(clusters).reduce((sum, run) => sum + measure(run), 0);
