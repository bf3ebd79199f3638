import type { RankedClaim } from '@/core/machine/limits/resolve-claims';
import type { TotalBound, Verdict } from '@/core/machine/limits/verdict';
import type { StaffWords } from '@/words/staff-words';
import { capacityText, dayText } from '../words/amounts';

type Words = StaffWords<'limits'>;

const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** What binds the total and what would be next, as sentences. */
export function verdictText(t: Words, { bound, next, lifted, runsMiB, officialMiB }: Verdict): string {
  if (bound === null) return t('verdict.none');
  const of = ({ who, by, mib }: TotalBound) => ({ who: t(`bounds.${who}`), by, size: capacityText(mib) });
  const then =
    next === null
      ? t('verdict.alone')
      : next.mib === bound.mib
        ? capital(t('verdict.same', of(next)))
        : t('verdict.next', of(next));
  const tested =
    lifted === null ? [] : [t('verdict.lifted', { ...of(lifted), official: capacityText(officialMiB ?? bound.mib) })];
  const runs = runsMiB === null ? [] : [t('verdict.runs', { size: capacityText(runsMiB) })];
  return [t('verdict.by', of(bound)), then, ...tested, ...runs].join(' ');
}

/** ` on 3 March 2026`, where the day is known. */
const onDay = (t: Words, key: 'why.onDay' | 'why.lastOn', { source }: RankedClaim): string =>
  source.on === undefined || source.on === '' ? '' : t(key, { day: dayText(source.on) });

/** What would apply if the word that does were lifted. */
function nextSentence(t: Words, words: readonly RankedClaim[], text: (value: unknown) => string): string[] {
  const [binding, ...others] = words;
  const next = others.find(({ role }) => role !== 'informs');
  if (next === undefined) {
    const guess = others.find(({ value }) => JSON.stringify(value) !== JSON.stringify(binding?.value));
    return guess === undefined ? [] : [t('why.guess', { name: guess.source.name, value: text(guess.value) })];
  }
  return next.role === 'agrees'
    ? [t('why.agrees', { name: capital(next.source.name) })]
    : [t('why.next', { name: next.source.name, value: text(next.value) })];
}

function bindingSentence(t: Words, [binding, ...others]: readonly [RankedClaim, ...RankedClaim[]]): string {
  const { kind, name, note } = binding.source;
  switch (kind) {
    case 'technician': {
      const why = note === undefined ? '' : t('why.note', { note });
      return t('why.decided', { name, on: onDay(t, 'why.onDay', binding), note: why });
    }
    case 'evidence':
      return t('why.tested', { name, on: onDay(t, 'why.lastOn', binding) });
    case 'reading':
      return t('why.machine', { name });
    default: {
      const isTightest = others.some(({ role }) => role === 'looser' || role === 'differs');
      const key = isTightest ? 'why.tightest' : others.length > 0 ? 'why.says' : 'why.alone';
      return t(key, { name: capital(name) });
    }
  }
}

/**
 * Why a limit has its value, in a sentence or two, with what would apply next.
 *
 * @param words all words on it, the one that binds first
 * @param text a value as a technician reads it
 */
export function whyLimit(t: Words, words: readonly RankedClaim[], text: (value: unknown) => string): string {
  const [binding, ...others] = words;
  if (binding === undefined) return t('why.none');
  const { name, kind } = binding.source;
  if (binding.role !== 'binds') return t('why.informs', { name, value: text(binding.value) });
  if (kind === 'standard') return t('why.usual', { name });
  return [bindingSentence(t, [binding, ...others]), ...nextSentence(t, words, text)].join(' ');
}
