import { log } from '../runtime/log';
import { sendMailTask } from '../service/mail/mail';
import type { Task } from './task';

/** Hands over the mail that is due; one that is not taken waits by its own clock. */
export const sendMail: Task<'send-mail'> = async () => {
  for (const tried of await sendMailTask()) log[tried.state === 'sent' ? 'info' : 'warn'](tried, 'mail tried');
};
