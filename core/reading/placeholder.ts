/**
 * Strings that firmware leaves where a maker should have written something; they say nothing. DSP0134 leaves
 * the wording to the maker, so this is a list of what is met.
 */
const PLACEHOLDERS = new Set([
  '',
  'none',
  'unknown',
  'not specified',
  'not available',
  'not applicable',
  'not provided',
  'no module installed',
  'no dimm',
  'to be filled by o.e.m.',
  'to be filled by oem',
  'default string',
  'system manufacturer',
  'system product name',
  'system serial number',
  'system version',
  'base board manufacturer',
  'base board product name',
  'undefined',
  'empty',
  'n/a',
  'o.e.m.',
  'oem',
  '<bad index>',
  '<out of spec>',
  'invalid',
]);

const NUMBERED =
  /^(?:manufacturer|sernum|serial ?num(?:ber)?|part ?num(?:ber)?|modulepartnumber|module ?manufacturer|assettagnum|dimm)\d*$/;

/** A string as the maker meant it: trimmed, inner blanks joined; null where it is a placeholder. */
export function meant(text: string | null | undefined): string | null {
  const clean = (text ?? '').replace(/\s+/g, ' ').trim();
  const low = clean.toLowerCase();
  if (PLACEHOLDERS.has(low) || NUMBERED.test(low)) return null;
  if (/^[0x.\-_*#]+$/i.test(clean)) return null;
  return clean;
}
