import type { KnownModule } from './job-slot';

/** What a module is beside its size, in a few letters: `DDR4-2666 CL19 1Rx8`; what is not known is left out. */
export function moduleDetail({ generation, rateMTs, casLatency, ranks, deviceWidth }: KnownModule): string {
  const rate = [generation, rateMTs].filter((part) => part !== null).join('-');
  const rank = ranks === null ? '' : deviceWidth == null ? `${ranks}R` : `${ranks}Rx${deviceWidth}`;
  return [rate, casLatency === null ? '' : `CL${casLatency}`, rank].filter((part) => part !== '').join(' ');
}
