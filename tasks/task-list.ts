import type { RoundKind, TaskKind } from '../service/background';
import { askDueFeeds } from './ask-due-feeds';
import { askFeed } from './ask-feed';
import { countForToday } from './count-for-today';
import { readList } from './read-list';
import { remindCustomers } from './remind-customers';
import { sendMail } from './send-mail';
import { takeFromFolder } from './take-from-folder';
import type { Task } from './task';
import { workOnList } from './work-on-list';

/** Every kind of task with what does it. */
export const TASKS: { [Kind in TaskKind]: Task<Kind> } = {
  'ask-due-feeds': askDueFeeds,
  'ask-feed': askFeed,
  'send-mail': sendMail,
  'remind-customers': remindCustomers,
  'read-list': readList,
  'work-on-list': workOnList,
  'take-from-folder': takeFromFolder,
  'count-for-today': countForToday,
};

/** What comes round every minute: each is due by a clock of its own, or has nothing to do. */
export const EVERY_MINUTE: readonly RoundKind[] = [
  'ask-due-feeds',
  'send-mail',
  'remind-customers',
  'take-from-folder',
  'count-for-today',
];
