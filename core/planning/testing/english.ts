import { staffWords } from '../../../words/staff-words';
import { moneyText } from '../../pricing/money-text';
import type { PlanSay } from '../explain/plan-say';

/** Plans as tests read them: in English, amounts in euros. */
export const english: PlanSay = {
  t: staffWords('en', 'plans'),
  tTrade: staffWords('en', 'trade'),
  money: (cents) => moneyText(cents, 'EUR'),
};
