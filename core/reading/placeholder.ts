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

/** Beginnings of {@link NUMBERED} and of strings of nothing but filling: all others need not be tried. */
const DOUBTFUL = /^[msapd0x.\-_*#]/;
const FILLING = /^[0x.\-_*#]+$/;

/** Blanks at the ends taken off, inner ones joined. */
function joined(text: string): string {
  const trimmed = text.trim();
  return /\s\s|[^\S ]/.test(trimmed) ? trimmed.replace(/\s+/g, ' ') : trimmed;
}

/** A string as the maker meant it: trimmed, inner blanks joined; null where it is a placeholder. */
export function meant(text: string | null | undefined): string | null {
  const clean = joined(text ?? '');
  const low = clean.toLowerCase();
  if (PLACEHOLDERS.has(low)) return null;
  return DOUBTFUL.test(low) && (NUMBERED.test(low) || FILLING.test(low)) ? null : clean;
}

/** A socket's name: `DIMM1` stands for a missing part, but is a good name for a socket. */
export function socketName(text: string | null | undefined): string | null {
  const clean = joined(text ?? '');
  return PLACEHOLDERS.has(clean.toLowerCase()) ? null : clean;
}
