import type { Waiting } from '@/service/job/counter';
import type { StaffWords } from '@/words/staff-words';

/** What a job waits for, in a few words. */
export function waitingText(t: StaffWords<'jobs'>, waiting: Waiting): string {
  switch (waiting.on) {
    case 'send':
      return t('waits.send', { count: waiting.count });
    case 'parts':
      return t('waits.parts', { place: waiting.place });
    case 'lapses':
      return t('waits.lapses', { quote: waiting.quote, days: waiting.days });
    case 'lapsed':
    case 'declined':
    case 'mail':
    case 'answer':
      return t(`waits.${waiting.on}`, { quote: waiting.quote });
    default:
      return t(`waits.${waiting.on}`);
  }
}
