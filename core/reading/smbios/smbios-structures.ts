import { dwordAt, qwordAt, wordAt } from '../bytes/bytes';
import { decodeText } from '../bytes/decode-text';

/**
 * A structure of an SMBIOS table (DSP0134 6.1.2), as places in the table: a dump has hundreds of them, and a view of its
 * own for each would cost more than reading it.
 */
export interface SmbiosStructure {
  type: number;
  handle: number;
  table: Uint8Array;
  /** where it begins */
  at: number;
  /** length of its formatted area, header included; fields past it are not told */
  length: number;
  /** behind its last string */
  end: number;
}

/** A byte of a structure's formatted area; null past its length. */
export function byteOf({ table, at, length }: SmbiosStructure, offset: number): number | null {
  return offset < length ? (table[at + offset] ?? null) : null;
}

export function wordOf({ table, at, length }: SmbiosStructure, offset: number): number | null {
  return offset + 2 <= length ? wordAt(table, at + offset) : null;
}

export function dwordOf({ table, at, length }: SmbiosStructure, offset: number): number | null {
  return offset + 4 <= length ? dwordAt(table, at + offset) : null;
}

export function qwordOf({ table, at, length }: SmbiosStructure, offset: number): number | null {
  return offset + 8 <= length ? qwordAt(table, at + offset) : null;
}

/** Length of a structure's header: type, length, handle. */
const HEADER = 4;
/** 7.45 End-of-Table. */
const END_OF_TABLE = 127;

/** More structures than this are not kept; the largest servers have some hundreds of those that are wanted. */
const MOST_STRUCTURES = 4096;

export interface Walk {
  structures: SmbiosStructure[];
  warnings: string[];
  /** the table closes with its End-of-Table structure */
  closed: boolean;
}

/** End of a structure's strings: past the two NULs that close them; null where the table ends before. */
function endOfStrings(table: Uint8Array, from: number): number | null {
  for (let nul = table.indexOf(0, from); nul >= 0 && nul + 1 < table.length; nul = table.indexOf(0, nul + 1)) {
    if (table[nul + 1] === 0) return nul + 2;
  }
  return null;
}

/**
 * Walks a structure table as far as it holds, keeping the structures of the wanted types. Linear in the length of the
 * table; a damaged one ends the walk with a warning that names the place.
 *
 * @param wanted structure types to keep
 */
export function walkStructures(table: Uint8Array, wanted: ReadonlySet<number>): Walk {
  const structures: SmbiosStructure[] = [];
  let at = 0;
  while (at + HEADER <= table.length) {
    const type = table[at] ?? 0;
    const length = table[at + 1] ?? 0;
    if (length < HEADER) {
      const place = `structure at byte ${at}`;
      return {
        structures,
        closed: false,
        warnings: [`truncated: ${place} gives its length as ${length}: nothing after it is read`],
      };
    }
    const end = endOfStrings(table, at + length);
    if (wanted.has(type) && structures.length === MOST_STRUCTURES) {
      const warning = `truncated: more than ${MOST_STRUCTURES} structures; those from byte ${at} on are not read`;
      return { structures, closed: false, warnings: [warning] };
    }
    if (wanted.has(type)) {
      const handle = (table[at + 2] ?? 0) | ((table[at + 3] ?? 0) << 8);
      const here = Math.min(length, table.length - at);
      structures.push({ type, handle, table, at, length: here, end: end ?? table.length });
    }
    if (type === END_OF_TABLE) return { structures, closed: true, warnings: [] };
    if (end === null) {
      return { structures, closed: false, warnings: [`truncated: the table ends inside the structure at byte ${at}`] };
    }
    at = end;
  }
  return { structures, closed: false, warnings: ['truncated: the table ends without its end-of-table structure'] };
}

/** Longest string that is taken over from a structure, in bytes; DSP0134 6.1.3 sets no limit of its own. */
const LONGEST_STRING = 256;

/**
 * A structure's string by the number that stands at an offset of its formatted area (DSP0134 6.1.3).
 *
 * @returns null where the field lies past the structure's length, is 0 (no string), or names a string that is missing
 */
export function stringAt(structure: SmbiosStructure, offset: number): string | null {
  const { table, at, length, end } = structure;
  const wanted = byteOf(structure, offset) ?? 0;
  if (wanted === 0) return null;
  let from = at + length;
  for (let number = 1; from < end; number++) {
    let to = from;
    while (to < end && table[to] !== 0) to++;
    if (to === from) return null;
    if (number === wanted) return textOf(table, from, Math.min(to, from + LONGEST_STRING));
    from = to + 1;
  }
  return null;
}

/** Text of a string's bytes; the common case, plain ASCII, needs no decoder. */
function textOf(table: Uint8Array, from: number, to: number): string {
  let text = '';
  for (let at = from; at < to; at++) {
    const byte = table[at] ?? 0;
    if (byte >= 0x80) return decodeText(table.subarray(from, to));
    text += byte < 0x20 ? ' ' : String.fromCharCode(byte);
  }
  return text;
}
