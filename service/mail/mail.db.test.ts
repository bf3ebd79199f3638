import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';
import { PLAIN_TERMS } from '../../core/quoting/terms';
import { type MailServer, openMailServer } from '../../standin/mail-server';
import { pool, run } from '../../store/database';
import { READER } from '../../testing/reader';
import { as, choose, must, openTestShop, readTill, seen, stateOf, thirdParty16 } from '../../testing/shop';
import { saveIntake } from '../job/intake/intake';
import { acceptSpoken } from '../job/quote/accept';
import { changeLink } from '../job/quote/change-link';
import { openQuote, sendQuote } from '../job/quote/quote';
import { answerQuote } from '../job/quote/quote-answers';
import { writeTerms } from '../job/quote/quote-terms';
import { changeOrder, placeOrder } from '../orders/orders';
import { saveCustomerAddress } from '../shop/customer-address';
import { savePapers, showPapers } from '../shop/papers';
import { mailAgain, mailOrder, mailQuote, orderMailWords, queueReminders, sendDueMail, waitAfter } from './mail';

const shop = openTestShop();
const BASE = 'http://shop.example';
let folder: string;
let server: MailServer;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fenbrik-mail-'));
  server = await openMailServer(folder);
  process.env.FENBRIK_SMTP = `smtp://127.0.0.1:${server.port}`;
  process.env.FENBRIK_MAIL_WAIT_MS = '1';
  must(await saveCustomerAddress(await as('runa'), { address: BASE }));
});
afterAll(async () => {
  delete process.env.FENBRIK_SMTP;
  delete process.env.FENBRIK_MAIL_WAIT_MS;
  await server.close();
});

let customers = 0;
/** A sent quote of a customer with an address of their own. */
async function sentTo(name = 'Hedda Vane'): Promise<{ job: number; token: string; to: string }> {
  const job = await readTill(shop.teo);
  const to = `customer${++customers}@skerrow.example`;
  must(await saveIntake(shop.teo, job, { customerName: name, email: to }));
  await choose(shop.teo, job, 1, thirdParty16);
  const { token } = must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
  return { job, token, to };
}

/** What the server took for an address. */
const received = (to: string): { nr: number; id: string }[] => {
  try {
    return readFileSync(join(folder, 'received.jsonl'), 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
      .filter((one) => one.to.includes(to));
  } catch {
    return [];
  }
};
const mailOf = async (job: number) => (await stateOf(job)).mail[0];

/** Tries until nothing of a job moves any more. */
async function settled(job: number): Promise<NonNullable<Awaited<ReturnType<typeof mailOf>>>> {
  for (let looks = 0; looks < 200; looks++) {
    await sendDueMail();
    const mail = await mailOf(job);
    if (mail !== undefined && mail.state !== 'waiting' && mail.state !== 'sending') return mail;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  throw new Error('the mail does not settle');
}

describe('a quote by mail', () => {
  it('goes once, in the customer’s language, with the link and the PDF', async () => {
    server.setMoods('well');
    const { job, token, to } = await sentTo('Łucja Őrsi');
    must(await mailQuote(shop.teo, job, { version: 1 }));
    expect(await settled(job)).toMatchObject({ state: 'sent', to, tries: 1 });
    const [one, ...others] = received(to);
    expect(others).toEqual([]);
    const mail = await simpleParser(readFileSync(join(folder, `${one?.nr}.eml`)));
    expect(mail.subject).toMatch(/^Quote \d{4}-\d{4}, Petrel Street Repair Co-op$/);
    expect(mail.from?.value).toEqual([{ name: 'Petrel Street Repair Co-op', address: 'quotes@petrel-street.example' }]);
    expect(mail.text).toContain('Hello Łucja Őrsi');
    expect(mail.text).toContain(`${BASE}/q/${token}`);
    const [paper] = mail.attachments;
    expect(paper).toMatchObject({ contentType: 'application/pdf', filename: expect.stringMatching(/^quote-.*\.pdf$/) });
    expect(paper?.content.subarray(0, 5).toString()).toBe('%PDF-');
    expect(await mailQuote(shop.teo, job, { version: 1 })).toMatchObject({
      code: 'conflict',
      sentence: `It was mailed to ${to} already: it does not go twice.`,
    });
  });

  it('in German where the quote is', async () => {
    server.setMoods('well');
    const job = await readTill(shop.teo);
    const to = `customer${++customers}@skerrow.example`;
    must(await saveIntake(shop.teo, job, { email: to }));
    await choose(shop.teo, job, 1, thirdParty16);
    must(await writeTerms(shop.teo, job, { terms: { ...PLAIN_TERMS, language: 'de' }, seen: null }));
    must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
    must(await mailQuote(shop.teo, job, { version: 1 }));
    await settled(job);
    const mail = await simpleParser(readFileSync(join(folder, `${received(to)[0]?.nr}.eml`)));
    expect(mail.subject).toMatch(/^Angebot /);
    expect(mail.text).toContain('Guten Tag Hedda Vane');
  });

  it('is asked for by ten at once and goes once', async () => {
    server.setMoods('well');
    const { job, to } = await sentTo();
    const asked = await Promise.all(Array.from({ length: 10 }, () => mailQuote(shop.teo, job, { version: 1 })));
    expect(asked.filter(({ ok }) => ok)).toHaveLength(1);
    await Promise.all(Array.from({ length: 5 }, () => sendDueMail()));
    await settled(job);
    expect(received(to)).toHaveLength(1);
  });

  it('comes again where the server is busy, fails to keep it or hangs up in the middle, and still arrives once', async () => {
    server.setMoods('busy,late,cut,well');
    const { job, to } = await sentTo();
    must(await mailQuote(shop.teo, job, { version: 1 }));
    expect(await settled(job)).toMatchObject({ state: 'sent', tries: 4 });
    expect(received(to)).toHaveLength(1);
  });

  it('is refused where there is no such receiver, with the server’s words, and goes to the right address after', async () => {
    server.setMoods('refused,well');
    const { job } = await sentTo();
    must(await mailQuote(shop.teo, job, { version: 1 }));
    const mail = await settled(job);
    expect(mail).toMatchObject({ state: 'refused', tries: 1, sentence: expect.stringContaining('no such mailbox') });
    const right = `customer${++customers}@skerrow.example`;
    must(await saveIntake(shop.teo, job, { email: right }));
    must(await mailAgain(shop.teo, job, { id: mail.id }));
    expect(await settled(job)).toMatchObject({ state: 'sent', to: right });
  });

  it('that was taken without an answer is not sent again on its own, only when somebody says so', async () => {
    server.setMoods('lost,well');
    const { job, to } = await sentTo();
    must(await mailQuote(shop.teo, job, { version: 1 }));
    const mail = await settled(job);
    expect(mail.state).toBe('unsure');
    await sendDueMail();
    expect(received(to)).toHaveLength(1);
    must(await mailAgain(shop.teo, job, { id: mail.id }));
    await settled(job);
    expect(received(to)).toHaveLength(2);
    expect(await mailAgain(shop.teo, job, { id: (await mailOf(job))?.id ?? 0 })).toMatchObject({ code: 'conflict' });
  });

  it('whose process ended on the way is not sent again on its own', async () => {
    const { job, to } = await sentTo();
    server.setMoods('busy');
    must(await mailQuote(shop.teo, job, { version: 1 }));
    await sendDueMail();
    await run(pool(), "update mail set state = 'sending', taken_at = now() - interval '11 minutes' where job_id = $1", [
      job,
    ]);
    server.setMoods('well');
    await sendDueMail();
    expect(await mailOf(job)).toMatchObject({ state: 'unsure', sentence: expect.stringContaining('may have arrived') });
    expect(received(to)).toEqual([]);
  });

  it('waits while the server is down, longer each time and never over an hour, and goes when it is up', async () => {
    const { job, to } = await sentTo();
    const well = process.env.FENBRIK_SMTP;
    process.env.FENBRIK_SMTP = 'smtp://127.0.0.1:1';
    must(await mailQuote(shop.teo, job, { version: 1 }));
    for (let tries = 0; tries < 5; tries++) {
      await sendDueMail();
      await new Promise((resolve) => setTimeout(resolve, 40));
    }
    const waiting = await mailOf(job);
    expect(waiting?.state).toBe('waiting');
    expect(waiting?.tries).toBeGreaterThan(1);
    expect(waiting?.sentence).toMatch(/ECONNREFUSED|refused/i);
    process.env.FENBRIK_SMTP = well;
    server.setMoods('well');
    expect(await settled(job)).toMatchObject({ state: 'sent' });
    expect(received(to)).toHaveLength(1);
    const waits = Array.from({ length: 10 }, (_, nr) => waitAfter(nr + 1));
    expect(waits.slice(0, 4)).toEqual([30_000, 60_000, 120_000, 240_000]);
    expect(Math.max(...waits)).toBe(3_600_000);
  });

  it('says what is missing before it is asked to wait for anything', async () => {
    const owner = await as('runa');
    const { job } = await sentTo();
    must(await saveIntake(shop.teo, job, { email: '' }));
    const asked = async () => {
      const result = await mailQuote(shop.teo, job, { version: 1 });
      return result.ok ? null : result.sentence;
    };
    expect(await asked()).toBe('The customer’s mail address is missing: type it on Intake.');
    must(await saveIntake(shop.teo, job, { email: 'hedda@skerrow.example' }));
    must(await saveCustomerAddress(owner, { address: '' }));
    expect(await asked()).toContain('address under which customers reach this shop');
    must(await saveCustomerAddress(owner, { address: BASE }));
    const { hasLogo: _, ...papers } = await showPapers(READER);
    must(await savePapers(owner, { ...papers, mailFrom: '' }));
    expect(await asked()).toContain('no sender address');
    must(await savePapers(owner, papers));
    const set = process.env.FENBRIK_SMTP;
    delete process.env.FENBRIK_SMTP;
    expect(await asked()).toContain('No mail server is set');
    process.env.FENBRIK_SMTP = set;
    must(await changeLink(shop.teo, job, { version: 1, to: 'withdrawn' }));
    expect(await asked()).toBe('Its link is withdrawn: make a new one first.');
  });
});

describe('a reminder', () => {
  it('goes once to the person who was mailed a quote that is about to lapse, and to nobody who answered', async () => {
    server.setMoods('well');
    await queueReminders();
    const open = await sentTo();
    const answered = await sentTo();
    const unmailed = await sentTo();
    for (const { job } of [open, answered]) {
      must(await mailQuote(shop.teo, job, { version: 1 }));
      await settled(job);
    }
    must(await answerQuote(answered.token, { kind: 'decline', words: '' }));
    expect(await queueReminders()).toBe(0);
    // Ten days cannot be waited for.
    await run(pool(), 'alter table quote disable trigger quote_is_kept');
    await run(
      pool(),
      `update quote set valid_until = current_date + 2, sent_at = now() - interval '12 days' where job_id = any($1)`,
      [[open.job, answered.job, unmailed.job]],
    );
    await run(pool(), 'alter table quote enable trigger quote_is_kept');
    expect(await queueReminders()).toBe(1);
    expect(await queueReminders()).toBe(0);
    await settled(open.job);
    const mails = received(open.to);
    expect(mails).toHaveLength(2);
    const mail = await simpleParser(readFileSync(join(folder, `${mails[1]?.nr}.eml`)));
    expect(mail.subject).toMatch(/^Reminder: Quote/);
    expect(mail.text).toContain(`${BASE}/q/${open.token}`);
    expect([received(answered.to).length, received(unmailed.to).length]).toEqual([1, 0]);
    expect((await openQuote(open.token))?.standing).toBe('open');
  });
});

test('an order of parts goes to its seller once, with its lines beside it; a seller without an address is said', async () => {
  const { job } = await sentTo('Order Vane');
  must(await acceptSpoken(shop.teo, job, { place: 1, signed: 'Order Vane', ticked: [] }));
  const { wanted } = (await stateOf(job)).work;
  const [part] = wanted;
  if (part === undefined) throw new Error('nothing is wanted');
  const parts = wanted.map(({ offerId, quantity }) => ({ job, offer: offerId, quantity }));
  const { id, number } = must(await placeOrder(shop.teo, { seller: part.sellerId, parts, note: 'by the back door' }));
  await run(pool(), `update seller set order_mail = '' where id = $1`, [part.sellerId]);
  expect(await mailOrder(shop.teo, id)).toMatchObject({ code: 'conflict' });
  await run(pool(), `update seller set order_mail = 'orders@seller.example' where id = $1`, [part.sellerId]);
  must(await mailOrder(shop.teo, id));
  while ((await orderMailWords(READER, id)) !== 'Its mail to orders@seller.example went.') {
    await sendDueMail();
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  expect(await mailOrder(shop.teo, id)).toMatchObject({ code: 'conflict' });
  const [got] = received('orders@seller.example');
  const mail = await simpleParser(readFileSync(join(folder, `${got?.nr}.eml`)));
  expect(mail.subject).toContain(number);
  expect(mail.text).toContain(`for job ${job}`);
  expect(mail.text).toContain('by the back door');
  expect(mail.text).not.toContain('Order Vane');
  expect(mail.attachments[0]?.contentType).toBe('text/csv');
  expect(received('orders@seller.example')).toHaveLength(1);
  must(await changeOrder(shop.teo, id, { what: 'cancel' }));
  expect(await mailOrder(shop.teo, id)).toMatchObject({ code: 'conflict' });
});
