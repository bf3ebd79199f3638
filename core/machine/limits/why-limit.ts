import { dayText } from '../../day-text';
import type { RankedClaim } from './resolve-claims';

/** `, on 3 March 2026`, where the day is known. */
const onDay = ({ source }: RankedClaim): string =>
  source.on === undefined || source.on === '' ? '' : ` on ${dayText(source.on)}`;

const otherValues = (words: readonly RankedClaim[], binding: RankedClaim): RankedClaim[] =>
  words.filter(({ value }) => JSON.stringify(value) !== JSON.stringify(binding.value));

/** What would bind if the word that does were lifted. */
function nextSentence(words: readonly RankedClaim[], text: (value: unknown) => string): string {
  const [binding, ...others] = words;
  if (binding === undefined) return '';
  const next = others.find(({ role }) => role !== 'informs');
  if (next === undefined) {
    const [guess] = otherValues(others, binding);
    return guess === undefined ? '' : ` Without it only a guess is left: ${guess.source.name}, ${text(guess.value)}.`;
  }
  return next.role === 'agrees'
    ? ` So does ${next.source.name}.`
    : ` Without it ${next.source.name} would hold, at ${text(next.value)}.`;
}

/**
 * Why a limit has its value, in a sentence or two, with what would hold next.
 *
 * @param words all words on it, the one that binds first
 * @param text a value as a technician reads it
 */
export function whyLimit(words: readonly RankedClaim[], text: (value: unknown) => string): string {
  const [binding, ...others] = words;
  if (binding === undefined) return 'No source says anything of it.';
  const { source } = binding;
  if (binding.role !== 'binds') {
    return `Nothing binds here: ${source.name} says ${text(binding.value)}, which only informs.`;
  }
  const next = nextSentence(words, text);
  switch (source.kind) {
    case 'technician': {
      const why = source.note === undefined ? '' : `: “${source.note}”`;
      return `${source.name} decided it${onDay(binding)}${why}.${next}`;
    }
    case 'evidence':
      return `It ${source.name}${source.on ? `, last${onDay(binding)}` : ''}.${next}`;
    case 'standard':
      return `Nobody says, so ${source.name} stands in.`;
    case 'reading':
      return `The machine itself says it (${source.name}).${next}`;
    default: {
      const looser = others.filter(({ role }) => role === 'looser' || role === 'differs').length;
      const first = looser > 0 ? 'is the tightest that counts' : others.length > 0 ? 'says it' : 'alone says it';
      const name = source.name.charAt(0).toUpperCase() + source.name.slice(1);
      return `${name} ${first}.${next}`;
    }
  }
}
