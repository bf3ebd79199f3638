import type { Language } from '../../language';
import { capacityIn } from '../words/in-language';
import { totalsOf } from './option-of-group';

/** The total that an option comes to, as its customer reads it; of machines that differ all their totals. */
export const totalsText = (option: Parameters<typeof totalsOf>[0], language: Language): string =>
  totalsOf(option)
    .map((mib) => capacityIn(language, mib))
    .join(' / ');
