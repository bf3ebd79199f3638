const ESCAPES: Record<string, string> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' };

export type CopyValue = string | number | boolean | null | undefined;

function fieldText(value: CopyValue): string {
  if (value === null || value === undefined) return '\\N';
  if (value === true) return 't';
  if (value === false) return 'f';
  if (typeof value === 'number') return String(value);
  // PostgreSQL keeps no zero letter in a text.
  return /[\\\t\n\r\0]/.test(value)
    ? value.replace(/\0/g, '').replace(/[\\\t\n\r]/g, (letter) => ESCAPES[letter] ?? letter)
    : value;
}

/** A line as PostgreSQL's COPY reads it in its text format. */
export function copyLine(values: readonly CopyValue[]): string {
  let line = '';
  for (const value of values) line += `${fieldText(value)}\t`;
  return `${line.slice(0, -1)}\n`;
}
