import { lines } from '../bytes/lines';
import { machineOfCim } from '../cim/cim-machine';
import {
  CIM_PROPERTIES,
  type CimRecord,
  classOfName,
  classOfProperties,
  knownProperties,
  MOST_RECORDS,
} from '../cim/cim-record';
import type { ReadMachine } from '../reading';

/** A property with its value as a list prints it: `Capacity : 8589934592`, `Capacity=8589934592`. */
const PROPERTY = /^\s*(?<name>[A-Za-z_]{3,40})\s*(?:=|:(?!:))\s?(?<value>.*?)\s*$/;
const LONGEST_LINE = 4_000;
const MOST_PROPERTIES = 400;
/** Characters in which another report's keys are looked for. */
const LOOKED_AT = 20_000;

type Properties = Map<string, string>;

/** Values of lists are printed in braces: the first counts. */
const plainValue = (value: string): string =>
  /^\{(?<first>[^,}]*)/.exec(value)?.groups?.first?.replace(/^"|"$/g, '') ??
  value.replace(/;$/, '').replace(/^"|"$/g, '');

/** Properties block by block, as empty lines and repeated names part them. */
function blocksOf(text: string): { properties: Properties; named: string | null }[] {
  const blocks: { properties: Properties; named: string | null }[] = [];
  let properties: Properties = new Map();
  let named: string | null = null;
  let parted = false;
  const end = (): void => {
    if (properties.size > 0 && blocks.length < MOST_RECORDS) blocks.push({ properties, named });
    properties = new Map();
    parted = false;
  };
  for (const { text: raw } of lines(text)) {
    const line = raw.length > LONGEST_LINE ? raw.slice(0, LONGEST_LINE) : raw;
    if (line.trim() === '') {
      parted = true;
      continue;
    }
    const found = PROPERTY.exec(line)?.groups;
    const name = found?.name?.toLowerCase() ?? '';
    if (found === undefined) {
      const said = classOfName(line.trim().replace(/\W+$/, ''));
      if (said === null || line.length > 80) continue;
      end();
      named = line.trim();
      continue;
    }
    const value = plainValue(found.value ?? '');
    if (name === '__class' || name === 'creationclassname' || name === 'cimclass') {
      if (properties.has('__class')) end();
      properties.set('__class', value);
    } else if (CIM_PROPERTIES.has(name)) {
      // Some lists have an empty line behind every property: only one that comes again begins again.
      if (properties.has(name) || (parted && begins(properties, name))) end();
      if (properties.size < MOST_PROPERTIES) properties.set(name, value);
    }
    parted = false;
  }
  end();
  return blocks;
}

/** Behind an empty line: does a property belong to another class than those before it? */
function begins(properties: Properties, name: string): boolean {
  const before = classOfProperties(properties);
  return before !== null && knownProperties(before, [[name, '-']]).size === 0;
}

/** Columns of a table by where their heads begin. */
const HEAD = /[A-Za-z_]{3,40}/g;
const RULE = /^\s*-{2,}(?:\s+-{2,})*\s*$/;

/** A table of properties: names above columns, a row for each instance, every cell under its name. */
function tableOf(text: string): CimRecord[] {
  const records: CimRecord[] = [];
  let columns: { name: string; start: number }[] = [];
  for (const { text: raw } of lines(text)) {
    const line = raw.slice(0, LONGEST_LINE);
    // One word is neither a head of columns nor a row under some.
    if (columns.length === 0 && !line.includes(' ') && !line.includes('\t')) continue;
    const heads = [...line.matchAll(HEAD)].map((found) => ({ name: found[0].toLowerCase(), start: found.index }));
    if (heads.length >= 2 && heads.every(({ name }) => CIM_PROPERTIES.has(name)) && !/\d/.test(line)) {
      columns = heads;
      continue;
    }
    if (columns.length === 0 || RULE.test(line) || line.trim() === '') continue;
    const cells = cellsUnder(columns, line);
    const cimClass = classOfProperties(new Set(columns.map(({ name }) => name)));
    if (cells !== null && cimClass !== null && records.length < MOST_RECORDS)
      records.push({ cimClass, properties: knownProperties(cimClass, cells) });
  }
  return records;
}

/** Cells under their heads; numbers may stand at their column's right end, so a cell is found by what lies under the head. */
function cellsUnder(columns: readonly { name: string; start: number }[], line: string): [string, string][] | null {
  const byPlace = columns.map(({ name, start }, index): [string, string] => [
    name,
    line.slice(start, columns[index + 1]?.start).trim(),
  ]);
  const words = line.trim().split(/\s{2,}/);
  // As many cells as heads: wide blanks part them, however they are set.
  const cells =
    words.length === columns.length
      ? columns.map(({ name }, index): [string, string] => [name, words[index] ?? ''])
      : byPlace;
  return cells.some(([, value]) => value !== '') ? cells : null;
}

/** Fewer properties than this may be any text's. */
const LEAST_PROPERTIES = 2;

const SPACED_KEY = /^[^\S\n]*[A-Za-z]+ [A-Za-z]+(?: [A-Za-z]+)*[^\S\n]*[:=]/gm;

/**
 * Names of properties have no blanks, and their sizes no units: a text with more keys that do, or with such a size, is another
 * report.
 */
function isCim(text: string, records: readonly CimRecord[]): boolean {
  if (records.some(({ properties }) => /[a-z]/i.test(properties.get('capacity') ?? ''))) return false;
  const own = records.reduce((sum, { properties }) => sum + properties.size, 0);
  return own > (text.slice(0, LOOKED_AT).match(SPACED_KEY)?.length ?? 0);
}

/** Reads CIM instances printed as lists or tables (DMTF CIM schema and vendors' subclasses of it). Null: there is none. */
export function readCimText(text: string): { machine: ReadMachine; warnings: string[] } | null {
  const listed = blocksOf(text).flatMap(({ properties, named }): CimRecord[] => {
    const cimClass =
      classOfName(properties.get('__class') ?? '') ??
      classOfProperties(properties) ??
      (named === null ? null : classOfName(named));
    const known = cimClass === null ? null : knownProperties(cimClass, properties);
    return cimClass === null || known === null || known.size < LEAST_PROPERTIES
      ? []
      : [{ cimClass, properties: known }];
  });
  const records = listed.length > 0 ? listed : tableOf(text);
  if (!isCim(text, records)) return null;
  const telling = records.some(
    ({ cimClass, properties }) =>
      cimClass === 'PhysicalMemory' ||
      cimClass === 'PhysicalMemoryArray' ||
      properties.has('totalphysicalmemory') ||
      properties.has('totalvisiblememorysize'),
  );
  return telling ? machineOfCim(records) : null;
}
