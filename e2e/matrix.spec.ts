import { readdirSync, readFileSync, statSync } from 'node:fs';
import { request } from 'node:http';
import { join, relative } from 'node:path';
import { DEMO_PASSWORD } from '../demo/load-shop';
import { changeLink } from '../service/job/quote/change-link';
import { sendQuote } from '../service/job/quote/quote';
import { answerQuote } from '../service/job/quote/quote-answers';
import { renewQuote } from '../service/job/quote/renew-quote';
import { type Caller, mayDo, type Right } from '../service/staff/access';
import { signIn } from '../service/staff/sign-in';
import { pool, run } from '../store/database';
import type { Role } from '../store/staff/staff';
import { acceptedTill, sentTill } from '../testing/bench';
import { App } from '../testing/browser/app';
import { as, must, seen, stateOf } from '../testing/shop';
import { DOORS, NO_IDS, PARTS } from './matrix-table';

const ROOT = join(__dirname, '..', 'app');
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;

function files(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
}

/** The doors as the source has them: `METHOD /path` of each handler, `page /path` of each page. */
const found = files(ROOT).flatMap((file) => {
  const path = `/${relative(ROOT, join(file, '..'))}`;
  if (file.endsWith('/page.tsx')) return [`page ${path}`];
  if (!file.endsWith('/route.ts')) return [];
  const source = readFileSync(file, 'utf8');
  const methods = source.matchAll(/export (?:const|async function|function) (GET|POST|PUT|PATCH|DELETE)\b/g);
  return [...methods].map(([, method]) => `${method} ${path}`);
});

interface Answer {
  status: number;
  location: string;
  text: string;
}

let app: App;
const tokens = new Map<Role | 'ended', string>();
/** links of quotes in every state that one can be in */
const links = new Map<string, string>();

let nr = 0;

interface Asked {
  cookie?: string | undefined;
  headers?: Record<string, string>;
  body?: string | Buffer;
}

/** Asks without following anything, and with paths as they are written. */
function ask(method: string, path: string, { cookie, headers = {}, body }: Asked = {}): Promise<Answer> {
  const { hostname, port } = new URL(app.base);
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        hostname,
        port,
        method,
        path,
        agent: false,
        headers: {
          ...(body !== undefined && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
          'x-forwarded-for': `10.${(nr++ >> 16) & 255}.${(nr >> 8) & 255}.${nr & 255}`,
          ...(cookie !== undefined && { cookie: `fenbrik-session=${cookie}` }),
          ...headers,
        },
      },
      (response) => {
        let text = '';
        response.on('data', (piece: Buffer) => {
          text += piece.toString();
        });
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, location: response.headers.location ?? '', text }),
        );
      },
    );
    sent.on('error', (cause) => reject(new Error(`${method} ${path}: ${cause.message}`)));
    if (body !== undefined) sent.write(body);
    sent.end();
  });
}

const partsOf = (door: string): { method: string; path: string } => {
  const [method = '', path = ''] = door.split(' ');
  return { method: method === 'page' ? 'GET' : method, path };
};
const filled = (path: string, own: Record<string, string> = {}): string =>
  path.replace(/\[(\w+)\]/g, (_, name: string) => own[name] ?? PARTS[name] ?? '1');

const FORM = 'multipart/form-data; boundary=x';
const PARTED = new Set([
  'POST /api/jobs/[id]/reading',
  'POST /api/models/[id]/photos',
  'POST /api/moving-in',
  'POST /api/moving-in/look',
]);

/** Something that a handler reads and does not take: so nothing changes, and who may is told from who may not. */
const nothingMuch = (door: string): Asked => {
  if (door.startsWith('GET') || door.startsWith('page')) return {};
  return PARTED.has(door) ? { body: '--x--\r\n', headers: { 'content-type': FORM } } : { body: '{}' };
};

beforeAll(async () => {
  // Each question comes from an address of its own, or there would be too many of them.
  app = await App.open({ FENBRIK_PROXIES: 'loopback' });
  for (const [role, name] of [
    ['owner', 'runa'],
    ['technician', 'teo'],
    ['counter', 'edda'],
  ] as const)
    tokens.set(role, must(await signIn(name, DEMO_PASSWORD)).token);
  const ended = must(await signIn('teo', DEMO_PASSWORD)).token;
  tokens.set('ended', ended);
  await ask('POST', '/api/sign-out', { cookie: ended });
  await makeLinks(await as('teo'));
});
afterAll(() => app.close());

async function makeLinks(teo: Caller<Right>): Promise<void> {
  const linkOf = async (job: number): Promise<string> => (await stateOf(job)).links.values().next().value?.token ?? '';
  links.set('open', await linkOf(await sentTill(teo)));
  const accepted = await acceptedTill(teo);
  links.set('accepted', await linkOf(accepted));
  const declined = await linkOf(await sentTill(teo));
  must(await answerQuote(declined, { kind: 'decline', words: 'too dear' }));
  links.set('declined', declined);
  const replaced = await sentTill(teo);
  links.set('replaced', await linkOf(replaced));
  must(await renewQuote(teo, replaced));
  must(await sendQuote(teo, replaced, { seen: await seen(replaced) }));
  const withdrawn = await sentTill(teo);
  links.set('withdrawn', await linkOf(withdrawn));
  must(await changeLink(teo, withdrawn, { version: 1, to: 'withdrawn' }));
  const lapsed = await sentTill(teo);
  links.set('lapsed', await linkOf(lapsed));
  await run(pool(), 'alter table quote disable trigger quote_is_kept');
  await run(pool(), `update quote set valid_until = '2020-01-01' where job_id = $1`, [lapsed]);
  await run(pool(), 'alter table quote enable trigger quote_is_kept');
  links.set('made up', 'A'.repeat(43));
  links.set('too short', 'short');
}

test('every door of the source is in the table, and every door of the table is there', () => {
  expect(found.length).toBeGreaterThan(100);
  expect([...found].sort()).toEqual(Object.keys(DOORS).sort());
});

const guarded = Object.entries(DOORS).filter(
  (entry): entry is [string, Right] => entry[1] !== 'open' && entry[1] !== 'link',
);
const ROLES: readonly Role[] = ['owner', 'technician', 'counter'];

describe('who may', () => {
  test.each(guarded)('%s: %s', async (door, right) => {
    const { method, path } = partsOf(door);
    const isPage = door.startsWith('page');
    const at = filled(path);
    const asked = nothingMuch(door);
    for (const cookie of [undefined, tokens.get('ended'), 'x'.repeat(43), '']) {
      const { status, location } = await ask(method, at, { ...asked, cookie });
      expect([door, cookie, status]).toEqual([door, cookie, isPage ? 307 : 401]);
      if (isPage) expect(location).toMatch(/^\/sign-in\?next=/);
    }
    for (const role of ROLES) {
      const { status, location, text } = await ask(method, at, { ...asked, cookie: tokens.get(role) });
      const may = mayDo({ role, counterSeesCost: false }, right);
      const isBarred = isPage ? location.includes('may-not') : status === 403;
      expect([door, role, isBarred]).toEqual([door, role, !may]);
      expect([door, role, status < 500 && status !== 401]).toEqual([door, role, true]);
      // What a role may not see is not sent.
      if (role === 'counter') expect(text).not.toMatch(/(cost|margin|was|left|quoted|printed)Cents\\?":\d/i);
    }
  });
});

describe('what comes from elsewhere or is none', () => {
  const writes = Object.keys(DOORS).filter((door) => /^(POST|PUT|PATCH|DELETE)/.test(door));

  test.each(writes)('%s is not taken from another site’s page', async (door) => {
    const { method, path } = partsOf(door);
    const own = { token: links.get('open') ?? '' };
    const { body, headers = {} } = nothingMuch(door);
    const elsewheres: Record<string, string>[] = [
      { 'sec-fetch-site': 'cross-site' },
      { origin: 'https://elsewhere.example' },
      { origin: 'null' },
    ];
    for (const elsewhere of elsewheres) {
      const asked = { cookie: tokens.get('owner'), headers: { ...headers, ...elsewhere }, ...(body && { body }) };
      const { status } = await ask(
        method,
        filled(path, own),
        door === 'POST /api/sign-out' ? { ...asked, body: '' } : asked,
      );
      expect([door, elsewhere, status]).toEqual([door, elsewhere, 403]);
    }
  });

  test.each(writes)('%s takes no more than its limit, and nobody’s JSON in disguise', async (door) => {
    const { method, path } = partsOf(door);
    const at = filled(path, { token: links.get('open') ?? '' });
    const cookie = tokens.get('owner');
    const large = await ask(method, at, {
      cookie,
      headers: { 'content-length': String(2 ** 40), 'content-type': 'application/json' },
    });
    expect([door, large.status]).toEqual([door, 413]);
    if (PARTED.has(door)) return;
    const disguised = await ask(method, at, { cookie, body: '{}', headers: { 'content-type': 'text/plain' } });
    expect([door, [413, 415, 422].includes(disguised.status)]).toEqual([door, true]);
  });

  const paths = [...new Set(Object.keys(DOORS).map((door) => partsOf(door).path))];
  test.each(paths)('%s knows no other method', async (path) => {
    const own = Object.keys(DOORS).filter((door) => partsOf(door).path === path);
    const at = filled(path, { token: links.get('open') ?? '' });
    const known = new Set(own.map((door) => partsOf(door).method));
    for (const method of METHODS.filter((one) => !known.has(one))) {
      const { status } = await ask(method, at, { cookie: tokens.get('owner') });
      expect([path, method, status]).toEqual([path, method, 405]);
    }
    expect((await ask('TRACE', at)).status).toBe(405);
  });

  const withIds = Object.keys(DOORS).filter((door) => /\[(?!token)/.test(door));
  test.each(withIds)('%s is not broken by ids that are none', async (door) => {
    const { method, path } = partsOf(door);
    for (const id of NO_IDS) {
      const own = Object.fromEntries(Object.keys(PARTS).map((name) => [name, id]));
      const at = filled(path, { ...own, token: links.get('open') ?? '' });
      const { status } = await ask(method, at, { ...nothingMuch(door), cookie: tokens.get('owner') });
      expect([door, id, status < 500]).toEqual([door, id, true]);
    }
  });
});

describe('a customer’s link', () => {
  const OPENS: Record<string, boolean> = {
    open: true,
    accepted: true,
    declined: true,
    replaced: true,
    lapsed: true,
    withdrawn: false,
    'made up': false,
    'too short': false,
  };
  const reads = Object.keys(DOORS).filter((door) => DOORS[door] === 'link' && door.startsWith('GET'));

  test.each(reads)('%s opens in each state what it may', async (door) => {
    const { path } = partsOf(door);
    const isLater = path.includes('proof') || path.includes('invoice') || path.endsWith('/logo');
    for (const [state, opens] of Object.entries(OPENS)) {
      for (const cookie of [undefined, tokens.get('counter')]) {
        const { status, text } = await ask('GET', filled(path, { token: links.get(state) ?? '' }), { cookie });
        // There is no proof yet, no invoice and no logo.
        expect([door, state, status]).toEqual([door, state, opens && !isLater ? 200 : 404]);
        expect(text).not.toMatch(/(cost|margin)Cents|"shop":\{"kept"/i);
      }
    }
  });

  const say = (state: string, said: object) =>
    ask('POST', `/q/${links.get(state) ?? ''}/answer`, { body: JSON.stringify(said) });

  test.each([
    ['open', 200, 200],
    ['declined', 200, 200],
    ['accepted', 200, 409],
    ['lapsed', 409, 409],
    ['replaced', 409, 409],
    ['withdrawn', 404, 404],
    ['made up', 404, 404],
    ['too short', 404, 404],
  ])('%s: a question %i, a no %i', async (state, question, no) => {
    expect((await say(state, { kind: 'ask', words: 'When?' })).status).toBe(question);
    expect((await say(state, { kind: 'decline', words: '' })).status).toBe(no);
  });

  test('a no that is said sixty times is one no', async () => {
    for (let nr = 0; nr < 60; nr++) await say('declined', { kind: 'decline', words: `no ${nr}` });
    const { rows } = await pool().query(
      `select count(*)::int as count from quote_answer where kind = 'declined' and quote_id =
         (select quote_id from quote_link where token_hash = sha256(convert_to($1, 'UTF8')))`,
      [links.get('declined')],
    );
    expect(rows).toEqual([{ count: 1 }]);
  });
});
