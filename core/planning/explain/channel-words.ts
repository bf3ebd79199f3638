import type { StaffWords } from '../../../words/staff-words';

const WHOLE = ['channels.c0', 'channels.c1', 'channels.c2', 'channels.c3', 'channels.c4'] as const;

/** Channels that work at once, in words: `dual channel`, `1.5 channels`. */
export function effectiveChannelsText(t: StaffWords<'plans'>, channels: number): string {
  const whole = WHOLE[channels];
  return whole === undefined ? t('channels.part', { channels: Number(channels.toFixed(2)) }) : t(whole);
}
