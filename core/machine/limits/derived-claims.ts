import { capacityText } from '../../memory/capacity';
import type { ReadSlot } from '../../reading/reading';
import type { JobSlot } from '../slots/job-slot';
import type { Claim } from './limit';
import type { Limits } from './resolve-claims';

/**
 * What the total leaves for each socket: a guess at the largest module that only informs, since a board may take
 * larger ones in fewer sockets, and papers state totals of the modules that there were.
 */
export function totalPerSocket(limits: Limits, slots: readonly JobSlot[]): Claim[] {
  const total = limits.totalMiB?.value;
  const sockets = slots.filter(({ soldered }) => !soldered).length;
  if (total === undefined || sockets === 0) return [];
  const soldered = slots.reduce((sum, slot) => sum + (slot.soldered ? (slot.module?.capacityMiB ?? 0) : 0), 0);
  const each = Math.floor((total - soldered) / sockets);
  if (each < 1) return [];
  const less = soldered === 0 ? '' : ` less ${capacityText(soldered)} soldered`;
  const name = `${capacityText(total)}${less} ÷ ${sockets} ${sockets === 1 ? 'slot' : 'slots'}`;
  return [{ limit: 'moduleMiB', value: each, source: { kind: 'derived', name } }];
}

/**
 * A machine that runs all its modules below what each is rated for says something about itself: its CPU or board goes
 * no faster with these. Null words where any module's rating or running rate is not told.
 */
export function rateBelowRatings(slots: readonly ReadSlot[], name: string): Claim[] {
  const modules = slots.flatMap(({ installed }) => (installed === null ? [] : [installed]));
  if (modules.length === 0) return [];
  const running = modules.map(({ configuredRateMTs }) => configuredRateMTs);
  const below = modules.every(
    ({ rateMTs, configuredRateMTs }) => rateMTs !== null && configuredRateMTs !== null && configuredRateMTs < rateMTs,
  );
  const fastest = Math.max(...running.map((rate) => rate ?? 0));
  if (!below) return [];
  const note = 'it runs all its modules below what each is rated for';
  return [{ limit: 'cpuMaxRateMTs', value: fastest, source: { kind: 'reading', name, note } }];
}
