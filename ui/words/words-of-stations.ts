import type { Station } from '@/core/machine/station';
import type { StaffMessages } from '@/words/staff-words';

type Name = keyof StaffMessages;

/** What stands around every station: its rail, the board, the draft quote, the sheets that open over them. */
const BESIDE = ['board', 'frame', 'job', 'trade'] as const satisfies readonly Name[];

/** The catalogues that each station's components read. `testing/words-of-pages.test.ts` holds them against the code. */
export const WORDS_OF_STATIONS = {
  intake: [...BESIDE, 'intake', 'limits'],
  limits: [...BESIDE, 'intake', 'limits'],
  options: [...BESIDE, 'intake', 'offers', 'options', 'plans'],
  quote: [...BESIDE, 'quote'],
  fitting: [...BESIDE, 'fitting', 'intake', 'money'],
  proof: [...BESIDE, 'intake', 'money', 'proof'],
} as const satisfies Record<Station, readonly Name[]>;
