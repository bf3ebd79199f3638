/** What a code on a label says of the thing it is on. */
export interface CodeSays {
  part: string | null;
  serial: string | null;
}

const NOTHING_SAID: CodeSays = { part: null, serial: null };

/** Parts fields of a record (ISO/IEC 15434). */
const GROUP = '\u001d';
/** How a record with application identifiers (format 05) or data identifiers (06) in it begins (ISO/IEC 15434). */
const RECORD = '[)>\u001e';
const FORMATS = { '05': 'application', '06': 'data' } as const;
/** What ends a format and a record. */
const ENDS = ['\u001e', '\u0004'] as const;

/** Data identifiers of ISO/IEC 15418 (ANSI MH10.8.2): who supplies it calls it so, its serial. */
const DATA_IDENTIFIERS: readonly { starts: RegExp; field: keyof CodeSays }[] = [
  { starts: /^1P(?=.)/, field: 'part' },
  { starts: /^S(?=.)/, field: 'serial' },
];
/** Application identifiers of ISO/IEC 15418 (GS1): 240 the maker's own name of it, 241 the customer's, 21 its serial. */
const APPLICATION_IDENTIFIERS: readonly { starts: RegExp; field: keyof CodeSays }[] = [
  { starts: /^240(?=.)/, field: 'part' },
  { starts: /^21(?=.)/, field: 'serial' },
];

/** A word as parts and serials are written. */
const WORD = /^[\dA-Za-z][\dA-Za-z\-./_+]{2,39}$/;

function fieldsOf(fields: readonly string[], identifiers: typeof DATA_IDENTIFIERS): CodeSays {
  const said = { ...NOTHING_SAID };
  for (const { starts, field } of identifiers) {
    const values = fields.filter((text) => starts.test(text)).map((text) => text.replace(starts, '').trim());
    const [value] = values;
    // Two of one kind name two things: neither is this one's surely.
    if (value !== undefined && values.length === 1 && WORD.test(value)) said[field] = value;
  }
  return said;
}

/**
 * What a code says by a standard's marks, and by those that a scanner puts before it (`]C1` …, ISO/IEC 15424). A code that
 * is nothing but a part or a serial has no marks: it says nothing on its own.
 */
export function codeSays(text: string): CodeSays {
  const plain = text.replace(/^\][A-Za-z]\d/, '');
  if (!plain.startsWith(RECORD)) return NOTHING_SAID;
  const format = FORMATS[plain.slice(RECORD.length, RECORD.length + 2) as keyof typeof FORMATS];
  if (format === undefined) return NOTHING_SAID;
  const rest = plain.slice(RECORD.length + 2);
  const end = Math.min(...ENDS.map((mark) => rest.indexOf(mark)).map((at) => (at < 0 ? rest.length : at)));
  const fields = rest.slice(0, end);
  return fieldsOf(fields.split(GROUP), format === 'data' ? DATA_IDENTIFIERS : APPLICATION_IDENTIFIERS);
}

/** Is a code nothing but one word, such as a part or a serial? */
export const isPlainCode = (text: string): boolean => WORD.test(text.trim());

/**
 * What a scanned or photographed code is called where a field wants one part or one serial: the value of a marked code, a
 * plain word without its data identifier where the field's own begins it.
 */
export function codeFor(field: keyof CodeSays, text: string): string {
  const said = codeSays(text)[field];
  if (said !== null) return said;
  const plain = text.replace(/^\][A-Za-z]\d/, '').trim();
  // "1P" begins no part of its own so often that it is worth keeping; an S may be a serial's first letter.
  return field === 'part' ? plain.replace(/^1P(?=[\dA-Z])/, '') : plain;
}

/** Signs of a word that scanners and people tell apart badly, as one. */
const loose = (text: string): string =>
  text
    .toUpperCase()
    .replaceAll('O', '0')
    .replaceAll('D', '0')
    .replaceAll('I', '1')
    .replaceAll('L', '1')
    .replaceAll('S', '5')
    .replaceAll('B', '8')
    .replaceAll('Z', '2')
    .replaceAll('G', '6');

/** Is a word that was read off a picture the one that a code says, misread at most? Codes have check figures, words have none. */
export const isSameWord = (word: string, code: string): boolean => loose(word) === loose(code);
