import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { dayText } from '../../core/day-text';
import { orderText, orderTitle } from '../../core/ordering/order-text';
import { customerView } from '../../core/quoting/customer-view';
import { localeOf, wordsOf } from '../../core/quoting/words/in-language';
import { orderCsv } from '../../outward/papers/order-csv';
import { type MailOutcome, sendMail } from '../../outward/send-mail';
import { environment } from '../../runtime/environment';
import { logCaught } from '../../runtime/log';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { findSent } from '../../store/job/quotes';
import {
  listOrderMail,
  listToRemind,
  type Mail,
  mailSender,
  nextMailIn,
  noteMail,
  queueMail,
  releaseMail,
  strandMail,
  takeDueMail,
} from '../../store/mail/mail';
import { getOrder, orderSellers } from '../../store/orders/orders';
import type { Queryable } from '../../store/queryable';
import { addTask } from '../../store/queue/queue';
import { changeJob } from '../job/change-job';
import { paperOf } from '../job/quote/quote-files';
import { keyMark, linksOf } from '../job/quote/quote-links';
import { orderPaper } from '../orders/orders';
import { done, fault, type Result } from '../result';
import { customerAddress } from '../shop/customer-address';
import type { Caller } from '../staff/access';

/** A process that took a mail and has not told of it for so long is gone, minutes. */
const STRANDED_MINUTES = 10;
/** The first wait before a mail is tried again; each later one is twice as long, up to an hour. Milliseconds. */
const FIRST_WAIT_MS = 30_000;
const LONGEST_WAIT_MS = 3_600_000;
/** A server that does not take a mail within about two days will not. */
const MOST_TRIES = 52;

/** The server that mail is handed to; null: none is set. */
const mailServer = (): string | null => environment().FENBRIK_SMTP ?? null;

/** Why the shop cannot send mail, in one sentence; null: it can. */
async function whatStopsMail(db: Queryable): Promise<string | null> {
  if (mailServer() === null) return 'No mail server is set: start Fenbrik with FENBRIK_SMTP.';
  const { from } = await mailSender(db);
  return from === '' ? 'The shop has no sender address: an owner enters it under Settings.' : null;
}

/** What receivers' programs know a mail by (RFC 5322, 3.6.4). */
const newMessageId = (from: string): string =>
  `<${randomBytes(16).toString('hex')}@${from.split('@').at(-1) ?? 'fenbrik.invalid'}>`;

export const mailQuoteSchema = z.strictObject({ version: idSchema });

/** Mails a sent version to its customer: it is in the queue once this is acknowledged, and goes within moments. */
export async function mailQuote(
  caller: Caller<'quotes.send'>,
  jobId: number,
  { version }: z.infer<typeof mailQuoteSchema>,
): Promise<Result<null>> {
  const queued = await changeJob(caller, jobId, {
    kind: 'quote-mailed',
    detail: { version },
    needs: ['quote'],
    work: async (db, { job, sent, links }) => {
      const quote = sent.find((one) => one.version === version);
      if (quote === undefined) return fault('not-found', 'This job has no such version.');
      if (quote.state === 'replaced') return fault('conflict', 'A newer version replaces this one: mail that.');
      const to = job.customer.email;
      if (to === '') return fault('conflict', 'The customer’s mail address is missing: type it on Intake.');
      const link = links.get(quote.id);
      if (link === undefined) return fault('conflict', 'Its link is withdrawn: make a new one first.');
      if (link.token === null)
        return fault('conflict', 'Its link was made elsewhere and cannot be mailed from here: make a new one first.');
      const { address: base } = await customerAddress(db);
      if (base === '')
        return fault(
          'conflict',
          'The address under which customers reach this shop is missing: an owner sets it under Settings.',
        );
      const stop = await whatStopsMail(db);
      if (stop !== null) return fault('conflict', stop);
      const { from } = await mailSender(db);
      const mail = {
        jobId,
        quoteId: quote.id,
        orderId: null,
        kind: 'quote' as const,
        to,
        base,
        messageId: newMessageId(from),
      };
      const id = await queueMail(db, mail, caller.id);
      return id === null ? fault('conflict', `It was mailed to ${to} already: it does not go twice.`) : done(null);
    },
  });
  return queued;
}

export const resendSchema = z.strictObject({ id: idSchema });

/** Sends a mail again that was refused, given up, or of which nobody knows whether it went: somebody decides that here. */
export async function mailAgain(
  caller: Caller<'quotes.send'>,
  jobId: number,
  { id }: z.infer<typeof resendSchema>,
): Promise<Result<null>> {
  const queued = await changeJob(caller, jobId, {
    kind: 'mail-sent-again',
    detail: { id },
    needs: [],
    work: async (db, { job }) => {
      const mail = await releaseMail(db, { jobId }, id);
      if (mail === null) return fault('conflict', 'This mail waits, is on its way, or went: it does not go twice.');
      const { from } = await mailSender(db);
      const to = job.customer.email || mail.to;
      const again = await queueMail(db, { ...mail, to, messageId: newMessageId(from) }, caller.id);
      return again === null ? fault('conflict', `It was mailed to ${to} already: it does not go twice.`) : done(null);
    },
  });
  return queued;
}

/** Makes a mail from an order of parts and hands it over; an order that was taken back goes nowhere. */
async function handOverOrder(
  server: string,
  mail: Mail,
  orderId: number,
): Promise<MailOutcome | { kind: 'given-up'; sentence: string }> {
  const order = await getOrder(pool(), orderId);
  const paper = await orderPaper(pool(), orderId);
  if (order === null || paper === null || order.cancelledAt !== null) {
    return { kind: 'given-up', sentence: 'The order was taken back before it went.' };
  }
  const { from, name } = await mailSender(pool());
  return sendMail(server, {
    from: { name, address: from },
    to: { name: order.seller, address: mail.to },
    messageId: mail.messageId,
    subject: `${orderTitle(paper)}, ${paper.shop.name}`,
    text: orderText(paper),
    attachment: { name: `order-${paper.number}.csv`, bytes: Buffer.from(orderCsv(paper), 'utf8'), type: 'text/csv' },
    language: paper.language,
  });
}

const MAIL_WORDS: Record<Mail['state'], string> = {
  waiting: 'waits to be sent',
  sending: 'is being sent',
  sent: 'went',
  refused: 'was refused',
  unsure: 'may not have arrived',
  'given-up': 'was given up',
};

/** How an order's last mail stands, in a sentence; null: it was not mailed. */
export async function orderMailWords(_: Caller<'jobs.read'>, orderId: number): Promise<string | null> {
  const [last] = await listOrderMail(pool(), orderId);
  if (last === undefined) return null;
  const why = last.state !== 'sent' && last.sentence !== null ? `: ${last.sentence}` : '';
  return `Its mail to ${last.to} ${MAIL_WORDS[last.state]}${why}.`;
}

/** Mails an order to its seller: it is in the queue once this is acknowledged. */
export async function mailOrder(caller: Caller<'orders.place'>, orderId: number): Promise<Result<null>> {
  const queued = await transaction(async (db): Promise<Result<null>> => {
    const order = await getOrder(db, orderId);
    const [seller] = order === null ? [] : await orderSellers(db, [order.sellerId]);
    if (order === null || seller === undefined) return fault('not-found', 'There is no such order.');
    if (order.cancelledAt !== null) return fault('conflict', 'This order was taken back.');
    if (seller.orderMail === '') {
      return fault('conflict', `${seller.name} has no address for orders: type it on the seller’s sheet under Offers.`);
    }
    const stop = await whatStopsMail(db);
    if (stop !== null) return fault('conflict', stop);
    const { from } = await mailSender(db);
    for (const old of await listOrderMail(db, orderId)) await releaseMail(db, { orderId }, old.id);
    const mail = { jobId: null, quoteId: null, orderId, kind: 'order' as const, to: seller.orderMail, base: '' };
    const id = await queueMail(db, { ...mail, messageId: newMessageId(from) }, caller.id);
    if (id === null) return fault('conflict', `It was mailed to ${seller.orderMail} already: it does not go twice.`);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'order-mailed', detail: { order: order.number } });
    return done(null);
  });
  return queued;
}

/** Makes a mail from its quote and hands it over. What cannot be made, a link that was withdrawn, is given up. */
async function handOver(mail: Mail): Promise<MailOutcome | { kind: 'given-up'; sentence: string }> {
  const server = mailServer();
  if (server === null) return { kind: 'later', sentence: 'No mail server is set.' };
  const { quoteId, orderId } = mail;
  if (orderId !== null) return handOverOrder(server, mail, orderId);
  if (quoteId === null) return { kind: 'given-up', sentence: 'It is about nothing.' };
  const sent = await findSent(pool(), quoteId);
  const live = (await linksOf(pool(), [quoteId])).get(quoteId);
  if (sent === null || live === undefined)
    return { kind: 'given-up', sentence: 'Its link was withdrawn before it went.' };
  if (live.token === null)
    return { kind: 'later', sentence: 'Its link was made by a Fenbrik with another key: that one can mail it.' };
  const { token } = live;
  if (sent.state === 'replaced') return { kind: 'given-up', sentence: 'A newer version replaced it before it went.' };
  const { from, name } = await mailSender(pool());
  const quote = customerView(sent.snapshot);
  const { mail: words, quote: quoteWords } = wordsOf(quote);
  const link = `${mail.base}/q/${token}`;
  const until = dayText(quote.validUntil, localeOf(quote));
  const paper = await paperOf(quoteId, async () => quote);
  const told = { customer: quote.customer.name, machine: quote.machine.name, until, link, shop: quote.shop };
  return sendMail(server, {
    from: { name, address: from },
    to: { name: quote.customer.name, address: mail.to },
    messageId: mail.messageId,
    subject: `${mail.kind === 'quote' ? '' : `${words.reminder}: `}${quoteWords(quote.number)}, ${quote.shop.name}`,
    text: mail.kind === 'quote' ? words.quoteText(told) : words.reminderText(told),
    attachment: { name: `quote-${quote.number}.pdf`, bytes: paper, type: 'application/pdf' },
    language: localeOf(quote),
  });
}

/** How long a mail waits after so many tries, milliseconds. */
export const waitAfter = (tries: number, firstMs = FIRST_WAIT_MS): number =>
  Math.min(LONGEST_WAIT_MS, firstMs * 2 ** Math.max(0, tries - 1));

/** A mail that was tried, for the log. */
export interface MailTry {
  id: number;
  state: Mail['state'];
  sentence: string;
}

/**
 * Hands over all mail that is due, one after the other. Of several processes each mail is taken by one; what a process took
 * and never told of is not tried again on its own.
 */
export async function sendDueMail(): Promise<MailTry[]> {
  const tries: MailTry[] = [];
  const { FENBRIK_MAIL_WAIT_MS: firstMs } = environment();
  await strandMail(pool(), STRANDED_MINUTES);
  for (;;) {
    const mail = await takeDueMail(pool(), keyMark());
    if (mail === null) return tries;
    const outcome = await handOver(mail).catch(
      // What broke did so before anything was handed over: sendMail itself answers what the network does.
      (cause): MailOutcome => {
        logCaught(cause, 'making a mail', { mail: mail.id });
        return { kind: 'later', sentence: String(cause) };
      },
    );
    const isHopeless = outcome.kind === 'later' && mail.tries >= MOST_TRIES;
    const state = isHopeless ? 'given-up' : outcome.kind === 'later' ? 'waiting' : outcome.kind;
    await noteMail(pool(), mail.id, { state, sentence: outcome.sentence, waitMs: waitAfter(mail.tries, firstMs) });
    if (state === 'sent')
      await noteEvent(pool(), {
        jobId: mail.jobId,
        staffId: null,
        kind: `${mail.kind}-mail-went`,
        detail: { to: mail.to },
      });
    tries.push({ id: mail.id, state, sentence: outcome.sentence });
  }
}

/** The shortest wait before mail that waits is looked at again, milliseconds: another server's key may keep one waiting. */
const LEAST_WAIT_MS = 500;

/** Sends what is due, as a task does; mail that waits longer has its own task. */
export async function sendMailTask(): Promise<MailTry[]> {
  const tries = await sendDueMail();
  const ms = await nextMailIn(pool());
  if (ms !== null && ms > 0)
    await addTask(pool(), 'send-mail', {}, { about: null, afterMs: Math.max(LEAST_WAIT_MS, ms) });
  return tries;
}

/** Queues a reminder for each mailed quote that is about to lapse without an answer; each customer gets one at most. */
export async function queueReminders(): Promise<number> {
  if ((await whatStopsMail(pool())) !== null) return 0;
  const { from } = await mailSender(pool());
  let queued = 0;
  for (const one of await listToRemind(pool())) {
    const id = await queueMail(
      pool(),
      { ...one, orderId: null, kind: 'reminder', messageId: newMessageId(from) },
      null,
    );
    if (id !== null) queued++;
  }
  return queued;
}
