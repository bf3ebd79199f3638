export interface Place {
  channel: string;
  bank: number;
}

/** No board has as many positions in a channel; a larger number is something else. */
const LARGEST_BANK = 99;

/**
 * Spellings of a slot's place in locator and bank strings. DSP0134 7.18 leaves the wording to the maker; each
 * pattern tells a channel letter and, where it can, the position in that channel.
 */
const PATTERNS: readonly RegExp[] = [
  /channel[\s_-]*(?<channel>[A-Z])[\s_-]*(?:slot|dimm)?[\s_-]*(?<bank>\d+)?/i,
  /\b(?:so-?)?dimm[\s_-]*(?<channel>[A-H])[\s_-]*(?<bank>\d+)?\b/i,
  /^(?<channel>[A-H])(?<bank>\d+)$/i,
];

const NUMBER_AT_END = /(?:dimm|slot|bank)[\s_-]*(\d+)\s*$/i;

/**
 * The channel and the position in it that a slot's strings tell, or null where they do not.
 *
 * @param locator device locator, e.g. `ChannelA-DIMM0`, `DIMM_B2`
 * @param bank bank locator, e.g. `BANK 0`, `P0 CHANNEL A`
 */
export function inferPlace(locator: string | null, bank: string | null): Place | null {
  for (const text of [locator, bank]) {
    for (const pattern of PATTERNS) {
      const groups = pattern.exec(text ?? '')?.groups;
      if (groups?.channel === undefined) continue;
      const position = groups.bank ?? NUMBER_AT_END.exec(locator ?? '')?.[1] ?? '0';
      if (Number(position) > LARGEST_BANK) continue;
      return { channel: groups.channel.toUpperCase(), bank: Number(position) };
    }
  }
  return null;
}
