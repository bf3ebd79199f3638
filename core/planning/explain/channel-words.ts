const WORDS: Record<number, string> = {
  0: 'none',
  1: 'single channel',
  2: 'dual channel',
  3: 'three channels',
  4: 'four channels',
};

/** Channels that work at once, in words: `dual channel`, `1.5 channels`. */
export function effectiveChannelsText(channels: number): string {
  return WORDS[channels] ?? `${Number(channels.toFixed(2))} channels`;
}
