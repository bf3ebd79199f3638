import { lines } from '../bytes/lines';
import type { Reading } from '../reading';
import { machineOfCim } from './cim-machine';
import {
  CIM_PROPERTIES,
  type CimClass,
  type CimRecord,
  classOfName,
  classOfProperties,
  knownProperties,
  MOST_RECORDS,
} from './cim-record';
import { csvRows, separatorOf } from './csv-rows';

/** A row of column names: it tells a class by its properties. */
interface Head {
  names: string[];
  cimClass: CimClass | null;
}

/** Names a row as a head of columns; null where it is none. A row of values is hardly ever made of property names. */
function headOf(cells: readonly string[]): Head | null {
  const names = cells.map((cell) => cell.trim().toLowerCase());
  const known = names.filter((name) => CIM_PROPERTIES.has(name)).length;
  if (known < 2 || known * 4 < names.length) {
    const telling = classOfProperties(new Set(names));
    return telling === null ? null : { names, cimClass: telling };
  }
  return { names, cimClass: classOfProperties(new Set(names)) };
}

const TYPE_LINE = /^#TYPE\s+(\S+)/;
const SEPARATOR_LINE = /^sep=(.)$/i;
/** A head is looked for in so many lines; reports begin with it, behind a blank line or two. */
const HEAD_WITHIN = 20;

/** Where a CSV of CIM instances begins: the separator of its first head of columns; null where there is none. */
function separatorIn(text: string): string | null {
  for (const { text: line, number } of lines(text)) {
    if (number > HEAD_WITHIN) return null;
    const said = SEPARATOR_LINE.exec(line.trim())?.[1];
    if (said !== undefined) return said;
    if (line.length > 0 && line.length < 20_000) {
      const separator = separatorOf(line);
      const [row] = csvRows(line, separator);
      if (row !== undefined && row.cells.length > 1 && headOf(row.cells)?.cimClass != null) return separator;
    }
  }
  return null;
}

/** Is this a CSV of CIM instances? It is when one of its first lines names the properties of a class. */
export function looksLikeCimCsv(text: string): boolean {
  return separatorIn(text) !== null;
}

interface Found {
  records: CimRecord[];
  warnings: string[];
}

function recordsIn(text: string, separator: string): Found {
  const records: CimRecord[] = [];
  const warnings: string[] = [];
  let head: Head | null = null;
  let said: CimClass | null = null;
  for (const { cells, line } of csvRows(text, separator)) {
    const type = TYPE_LINE.exec(cells[0] ?? '')?.[1];
    if (type !== undefined) {
      said = classOfName(type);
      continue;
    }
    const next = headOf(cells);
    if (next !== null) {
      head = next;
      continue;
    }
    const cimClass = classOfRow(head, cells, said);
    if (head === null || cimClass === null) continue;
    if (records.length === MOST_RECORDS) {
      warnings.push(`truncated: more than ${MOST_RECORDS} instances; those from line ${line} on are not read`);
      break;
    }
    if (cells.length < head.names.length)
      warnings.push(`truncated: line ${line} has ${cells.length} of ${head.names.length} values`);
    const { names } = head;
    const pairs = cells.map((cell, index) => [names[index] ?? '', cell.trim()] as const);
    records.push({ cimClass, properties: knownProperties(cimClass, pairs) });
  }
  return { records, warnings: warnings.slice(0, MOST_WARNINGS) };
}

const MOST_WARNINGS = 50;

/** Class of a row: its own word in a column of class names, else what its head tells, else the line above the head. */
function classOfRow(head: Head | null, cells: readonly string[], said: CimClass | null): CimClass | null {
  const column = head?.names.findIndex((name) => name === 'creationclassname' || name === '__class') ?? -1;
  return classOfName(cells[column] ?? '') ?? head?.cimClass ?? said;
}

/**
 * Reads CIM instances as CSV (RFC 4180; comma, semicolon or tab): one class, or several one after the other, each under
 * its own head of columns. Rows are taken one by one. Null: there is no memory in it.
 */
export function readCimCsv(text: string): Reading | null {
  const separator = separatorIn(text);
  if (separator === null) return null;
  const { records, warnings } = recordsIn(text, separator);
  if (!records.some(({ cimClass }) => cimClass === 'PhysicalMemory' || cimClass === 'PhysicalMemoryArray')) return null;
  const told = machineOfCim(records);
  return { format: 'cim-csv', machine: told.machine, warnings: [...warnings, ...told.warnings] };
}
