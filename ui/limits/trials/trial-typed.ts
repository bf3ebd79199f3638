import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';

/** A trial as it is typed. */
export type TypedTrial = ReturnType<typeof newTrial>;

/** A trial that nobody has typed yet, in a machine as it is. @param on its day */
export const newTrial = ({ generation, cpu }: { generation: string; cpu: string }, on: string) => ({
  size: '',
  modules: '1',
  total: '',
  rate: '',
  slots: '',
  firmware: '',
  note: '',
  buffering: 'unbuffered',
  ecc: 'no',
  outcome: 'works',
  depth: 'total-read',
  generation,
  cpu,
  on,
});

/** What was typed as a trial, or what is wrong with it. */
export function readTrial(t: StaffWords<'limits'>, typed: TypedTrial): Read<TypedTrial, object> {
  const moduleMiB = parseCapacity(typed.size);
  const modules = wholeTyped(typed.modules) ?? 0;
  const totalMiB = isTyped(typed.total) ? parseCapacity(typed.total) : (moduleMiB ?? 0) * modules;
  const rateMTs = isTyped(typed.rate) ? wholeTyped(typed.rate) : null;
  const looked = {
    modules: modules < 1 && t('tests.faults.modules'),
    size: moduleMiB === null && t('tests.faults.size'),
    total: totalMiB === null && t('tests.faults.total'),
    rate: isTyped(typed.rate) && rateMTs === null && t('tests.faults.rate'),
  };
  const { generation, firmware, cpu, note, outcome, depth, buffering, on } = typed;
  return readTyped<TypedTrial, object>(looked, () => ({
    moduleMiB,
    modules,
    totalMiB,
    rateMTs,
    generation,
    buffering,
    ecc: typed.ecc === 'yes',
    slots: typed.slots.split(/[\s,]+/).filter(Boolean),
    firmware: firmware.trim(),
    cpu: cpu.trim(),
    note: note.trim(),
    outcome,
    depth,
    on,
  }));
}
