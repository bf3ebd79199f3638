const WHOLE: Record<number, string> = {
  0: 'none',
  1: 'single channel',
  2: 'dual channel',
  3: 'three channels',
  4: 'four channels',
};

/** Channels that work at once as a snapshot has them, in English whatever language the quote is in: `dual channel`, `1.5 channels`. */
export const channelsInSnapshot = (channels: number): string =>
  WHOLE[channels] ?? `${Number(channels.toFixed(2))} channels`;
