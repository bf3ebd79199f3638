import { log } from '../runtime/log';
import { queueReminders } from '../service/mail/mail';
import type { Task } from './task';

export const remindCustomers: Task<'remind-customers'> = async () => {
  const reminders = await queueReminders();
  if (reminders > 0) log.info({ reminders }, 'customers are reminded of quotes that lapse');
};
