import type { NewTrial } from '../../../core/machine/models/model';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import type { JobWith } from '../slices/slice';

/**
 * An option's modules as a trial of the model: the largest size that it puts in, how many of these, and what all come to.
 *
 * @returns null where too little is known of them
 */
export function trialOfOption(
  { limits, job, slots, joined, today }: JobWith<'limits' | 'machine' | 'readings'>,
  option: QuoteOption,
  { outcome, depth, note, rateMTs = null }: Pick<NewTrial, 'outcome' | 'depth' | 'note'> & { rateMTs?: number | null },
): NewTrial | null {
  const generation =
    limits.generations?.value[0] ?? slots.find(({ module }) => module !== null)?.module?.generation ?? null;
  if (generation === null) return null;
  const filled = option.after.filter(({ capacityMiB }) => capacityMiB !== null);
  const fresh = filled.filter(({ fate }) => fate === 'new');
  const sizes = (fresh.length > 0 ? fresh : filled).map(({ capacityMiB }) => capacityMiB ?? 0);
  const moduleMiB = Math.max(0, ...sizes);
  if (moduleMiB === 0) return null;
  const same = filled.filter(({ capacityMiB }) => capacityMiB === moduleMiB);
  const [kind] = limits.kinds?.value ?? [];
  return {
    moduleMiB,
    generation,
    buffering: kind?.buffering ?? 'unbuffered',
    ecc: kind?.ecc ?? false,
    rateMTs,
    modules: same.length,
    slots: same.map(({ slot }) => slot),
    totalMiB: option.totalMiB,
    firmware: joined.machine?.firmware.version ?? '',
    cpu: job.cpu,
    outcome,
    depth,
    note,
    on: today,
  };
}
