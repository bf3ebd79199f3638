import { openMailServer } from '../../standin/mail-server';
import { many, one, pool, run } from '../../store/database';
import { takeDueMail } from '../../store/mail/mail';
import { acceptedTill, orderAll, sentTill } from '../bench';
import { jobLink } from '../job-link';
import { as, choose, readTill, seen, stateOf, thirdParty16 } from '../shop';
import { type Attack, held, Stage } from './stage';

const count = async (table: 'shelf_piece' | 'seller' | 'trial'): Promise<number> =>
  (await one<{ count: number }>(pool(), `select count(*)::int as count from ${table}`)).count;

/** What a thing costs the shop, or leaves it; `eachCents` of a quote's line is what the customer pays. */
const COSTS = /(cost|margin|was|left|quoted|printed)Cents\\?":\d/i;

/** Points 7 to 13: what is whose. */
export const WHOSE: readonly Attack[] = [
  {
    point: 7,
    what: 'the counter role sells for 0.01 what costs more',
    run: async (stage) => {
      const teo = await as('teo');
      const job = await readTill(teo);
      const plan = await choose(teo, job, 1, thirdParty16);
      const line = { key: `part:${plan.bought[0]?.offer}`, text: null, eachCents: 1, seen: null };
      await stage.ask('PUT', `/api/jobs/${job}/options/1/lines`, { role: 'counter', json: line });
      const sent = await stage.ask('POST', `/api/jobs/${job}/quote`, {
        role: 'counter',
        json: { seen: await seen(job) },
      });
      const [option] = await seen(job);
      const released = await stage.ask('POST', `/api/jobs/${job}/quote/release`, { role: 'counter', json: option });
      return held(
        sent.status === 409 && released.status === 403 && (await stateOf(job)).sent.length === 0,
        `sending ${sent.status}, releasing it ${released.status}`,
      );
    },
  },
  {
    point: 7,
    what: 'the counter role reaches the shelf, the evidence, the stock and the sellers by other ways',
    run: async (stage) => {
      const teo = await as('teo');
      const job = await acceptedTill(teo, ({ lane, reuse }) => lane === 'third-party' && reuse === 'replace');
      const [order] = await orderAll(teo, job);
      const orderLine = await one<{ id: number }>(
        pool(),
        'select id from part_order_line where order_id = $1 limit 1',
        [order],
      );
      const before = [await count('shelf_piece'), await count('seller'), await count('trial')].join();
      const page = `<!doctype html><title>x</title><script type="application/ld+json">${JSON.stringify({
        '@context': 'https://schema.org',
        '@type': 'Product',
        name: 'Corrick 16GB DDR4-2400 CL17 DIMM',
        offers: { '@type': 'Offer', price: '31.90', priceCurrency: 'EUR', seller: { name: 'Rough Bits' } },
      })}</script>`;
      const piece = { label: 'used 8 GB DDR4-2400 CL17 1Rx8 DIMM', serial: '', test: 'read', grade: 'B' };
      const tried = await Promise.all([
        stage.ask('POST', `/api/jobs/${job}/old-module`, {
          role: 'counter',
          json: { fate: 'shelf', slot: 'A2', piece },
        }),
        stage.ask('POST', `/api/jobs/${job}/part`, {
          role: 'counter',
          body: page,
          headers: { 'content-type': 'text/html' },
        }),
        stage.ask('POST', `/api/orders/${order}`, {
          role: 'counter',
          json: { what: 'never', line: orderLine.id, quantity: 1 },
        }),
        stage.ask('POST', `/api/jobs/${job}/proof/sign`, { role: 'counter', json: {} }),
      ]);
      const after = [await count('shelf_piece'), await count('seller'), await count('trial')].join();
      const statuses = tried.map(({ status }) => status);
      return held(
        before === after && statuses.every((status) => status === 403 || status === 422),
        `${statuses.join(', ')}; pieces, sellers and trials before ${before}, after ${after}`,
      );
    },
  },
  {
    point: 8,
    what: 'costs and margins in what the counter role and the customer are sent',
    run: async (stage) => {
      const paths = [
        '/offers',
        '/orders',
        ...[2, 5, 6, 7].flatMap((job) =>
          ['options', 'quote', 'fitting', 'proof', 'customer'].map((station) => `/jobs/${job}/${station}`),
        ),
      ];
      const leaks: string[] = [];
      for (const path of paths) {
        const { status, text } = await stage.ask('GET', path, { role: 'counter' });
        const isOrder = path === '/orders' && /eachCents\\?":\d/.test(text);
        if (status !== 200 || COSTS.test(text) || isOrder) leaks.push(`${path} ${status}`);
      }
      const find = await stage.ask('POST', '/api/offers/find', { role: 'counter', json: { text: '16GB' } });
      if (COSTS.test(find.text)) leaks.push('/api/offers/find');
      const turned = await stage.ask('GET', '/jobs/2/customer', { role: 'owner' });
      if (/seller|supplies|costs?\\?":\{|margin/i.test(turned.text.replace(/<script[^>]*src=[^>]*>/g, '')))
        leaks.push('customer’s screen');
      const own = await stage.ask('GET', '/jobs/2/quote', { role: 'technician' });
      const seesOwn = COSTS.test(own.text);
      return held(
        leaks.length === 0 && seesOwn,
        leaks.length === 0 ? `none in ${paths.length + 2} answers; the technician’s has them` : leaks.join(', '),
      );
    },
  },
  {
    point: 9,
    what: 'an accepted quote is replaced without a word',
    run: async (stage) => {
      const teo = await as('teo');
      const job = await acceptedTill(teo);
      const token = await jobLink(job);
      await stage.ask('POST', `/api/jobs/${job}/quote/again`, { role: 'technician' });
      const plain = await stage.ask('POST', `/api/jobs/${job}/quote`, {
        role: 'technician',
        json: { seen: await seen(job) },
      });
      const changed = await stage.ask('POST', `/api/jobs/${job}/quote`, {
        role: 'technician',
        json: { seen: await seen(job), changeOrder: true },
      });
      const old = await stage.ask('GET', `/q/${token}`);
      const next = await stage.ask('GET', `/q/${String(Stage.json(changed)?.token)}`);
      const tells = old.text.includes('was accepted by Hedda Vane') && next.text.includes('This changes your order');
      return held(
        plain.status === 409 && changed.status === 200 && tells,
        `plain ${plain.status}, as a change order ${changed.status}; both pages tell: ${tells}`,
      );
    },
  },
  {
    point: 10,
    what: 'lapsed and replaced links take questions, a link takes sixty declines',
    run: async (stage) => {
      const teo = await as('teo');
      const [lapsed, declined] = [await sentTill(teo), await sentTill(teo)];
      const [late, no] = [await jobLink(lapsed), await jobLink(declined)];
      await run(pool(), 'alter table quote disable trigger quote_is_kept');
      await run(pool(), `update quote set valid_until = '2020-01-01' where job_id = $1`, [lapsed]);
      await run(pool(), 'alter table quote enable trigger quote_is_kept');
      const say = (token: string, json: object) => stage.ask('POST', `/q/${token}/answer`, { json });
      const asked = await say(late, { kind: 'ask', words: 'Is it still to be had?' });
      const statuses = new Map<number, number>();
      for (let nr = 0; nr < 60; nr++) {
        const { status } = await say(no, { kind: 'decline', words: `no ${nr}` });
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
      }
      const stored = await many(
        pool(),
        `select from quote_answer join quote on quote.id = quote_id where job_id = $1`,
        [declined],
      );
      const large = await say(no, { kind: 'ask', words: 'x'.repeat(17_000) });
      return held(
        asked.status === 409 && stored.length === 1 && statuses.has(429) && large.status === 413,
        `question to a lapsed one ${asked.status}; 60 declines: ${stored.length} stored, ${statuses.get(429) ?? 0} told to wait; 17 kB ${large.status}`,
      );
    },
  },
  {
    point: 10,
    what: 'the secret of a link stands in the log',
    run: async (stage) => {
      const token = await jobLink(7);
      await run(pool(), 'alter table quote rename to quote_away');
      const broken = await stage.ask('GET', `/q/${token}/pdf`);
      const page = await stage.ask('GET', `/q/${token}`);
      await run(pool(), 'alter table quote_away rename to quote');
      const log = stage.app.log();
      const isThere = log.includes(token);
      const wasLogged = log.includes('/q/[link]') && /request failed/.test(log);
      return held(
        broken.status === 500 && page.status === 500 && !isThere && wasLogged,
        `failed with ${broken.status}; the log has the path ${wasLogged ? 'without' : 'not, nor'} the secret${isThere ? ', AND THE SECRET' : ''}`,
      );
    },
  },
  {
    point: 11,
    what: 'a forged Origin or Host becomes the link in a mail',
    run: async (stage) => {
      const teo = await as('teo');
      const job = await sentTill(teo);
      await run(
        pool(),
        `update customer set email = 'rough@skerrow.example' where id = (select customer_id from job where id = $1)`,
        [job],
      );
      const forged = { origin: 'http://evil.example', host: 'evil.example', 'x-forwarded-host': 'evil.example' };
      const mailed = await stage.ask('POST', `/api/jobs/${job}/quote/mail`, {
        role: 'technician',
        json: { version: 1 },
        headers: forged,
      });
      const rows = await many<{ base: string }>(pool(), 'select base from mail where job_id = $1', [job]);
      const bases = rows.map(({ base }) => base);
      return held(
        bases.every((base) => base === stage.app.base),
        `answered ${mailed.status}; links begin with ${bases.join(', ') || 'nothing: none was queued'}`,
      );
    },
  },
  {
    point: 12,
    what: 'the application’s database role makes, empties or alters tables',
    run: async (stage) => {
      const pg = (await import('pg')).default;
      const client = new pg.Client({ connectionString: stage.app.applicationUrl });
      await client.connect();
      const tried: string[] = [];
      for (const statement of [
        'create table rough (id integer)',
        'truncate event',
        'alter table quote disable trigger quote_is_kept',
        'drop table session',
        'insert into migration (number, name, sha256) values (999, $$x$$, $$x$$)',
        'set session_replication_role = replica',
        'create role rough superuser',
        'copy shop to program $$true$$',
      ]) {
        const worked = await client.query(statement).then(
          () => true,
          () => false,
        );
        if (worked) tried.push(statement);
      }
      const { rows } = await client.query('select rolsuper from pg_roles where rolname = current_user');
      await client.end();
      return held(
        tried.length === 0 && rows[0]?.rolsuper === false,
        tried.length === 0 ? 'all eight refused' : `worked: ${tried.join('; ')}`,
      );
    },
  },
  {
    point: 12,
    what: 'JSON that says it is something else',
    run: async (stage) => {
      const plain = await stage.ask('PUT', '/api/best-rule', {
        role: 'owner',
        body: '{"toleranceBp":1}',
        headers: { 'content-type': 'text/plain' },
      });
      const named = await stage.ask('PUT', '/api/best-rule', {
        role: 'owner',
        body: '{"toleranceBp":1}',
        headers: { 'content-type': 'application/jsonx' },
      });
      return held(
        plain.status === 415 && named.status === 415,
        `text ${plain.status}, something like it ${named.status}`,
      );
    },
  },
  {
    point: 13,
    what: '20 writers of one Intake field',
    run: async (stage) => {
      const job = Number(Stage.json(await stage.ask('POST', '/api/jobs', { role: 'counter' }))?.id);
      const write = (_: unknown, nr: number) =>
        stage.ask('PATCH', `/api/jobs/${job}/intake`, {
          role: nr % 2 === 0 ? 'counter' : 'technician',
          json: { set: { complaint: `writer ${nr}` }, seen: { complaint: '' } },
        });
      const answers = await Promise.all(Array.from({ length: 20 }, write));
      const saved = answers.filter(({ status }) => status === 200).length;
      const told = answers.filter((one) => one.status === 409 && Stage.json(one)?.theirs !== undefined).length;
      return held(saved === 1 && told === 19, `${saved} told "saved", ${told} told what the other wrote`);
    },
  },
  {
    point: 14,
    what: 'a process with another key takes mail that it cannot link',
    run: async () => {
      await run(pool(), `update mail set next_at = now() - interval '1 minute' where state = 'waiting'`);
      const waiting = await many(pool(), `select from mail where state = 'waiting' and quote_id is not null`);
      const taken = await takeDueMail(pool(), Buffer.from('otherkey'));
      return held(
        waiting.length > 0 && taken === null,
        `${waiting.length} waiting, ${taken === null ? 'none' : 'one'} taken`,
      );
    },
  },
  {
    point: 14,
    what: 'the mail stand-in on a folder that cannot be written',
    run: async () => {
      const server = await openMailServer('/etc/hostname/mail');
      const { sendMail } = await import('../../outward/send-mail');
      const mail = {
        from: { name: 'a', address: 'a@a.example' },
        to: { name: 'b', address: 'b@b.example' },
        messageId: '<1@a.example>',
        subject: 's',
        text: 't',
        attachment: { name: 'a.csv', bytes: Buffer.from('a'), type: 'text/csv' as const },
        language: 'en',
      };
      const kinds = [
        (await sendMail(`smtp://127.0.0.1:${server.port}`, mail)).kind,
        (await sendMail(`smtp://127.0.0.1:${server.port}`, mail)).kind,
      ];
      await server.close();
      return held(
        kinds.every((kind) => kind === 'later'),
        `asks to come later, twice: ${kinds.join(', ')}`,
      );
    },
  },
];
