import { DEMO_PASSWORD } from '../../demo/load-shop';
import { reportText } from '../../demo/report';
import { jobLink } from '../job-link';
import { type Attack, held, MIB, Stage, wait } from './stage';

const CAP = 1024 * MIB;
const mib = (bytes: number): string => `${Math.round(bytes / MIB)} MiB`;

/** A customer's link of the demo shop that opens. */
const OPEN_JOB = 7;

const post = (path: string, length: number, more = ''): string =>
  `POST ${path} HTTP/1.1\r\nhost: shop\r\nx-forwarded-for: 10.9.9.9\r\ncontent-type: application/json\r\n${more}content-length: ${length}\r\n\r\n`;

/** Points 1 to 3: nobody ends the application, nor holds it up. */
export const ENDS: readonly Attack[] = [
  {
    point: 1,
    what: '210 unfinished POSTs of 19 MB to a link that opens nothing',
    run: async (stage) => {
      const pieces = Array.from({ length: 2 }, () => Buffer.alloc(MIB, 97));
      const { answers, end } = await stage.unfinished(210, post(`/q/${'A'.repeat(43)}/answer`, 19_000_000), pieces);
      const pulse = await stage.pulse();
      end();
      const refused = answers.filter((status) => status === '413').length;
      return held(
        refused === 210 && pulse < 1_000 && stage.peak() < CAP,
        `${refused} of 210 refused unread, alive in ${pulse.toFixed(0)} ms, peak ${mib(stage.peak())}`,
      );
    },
  },
  {
    point: 1,
    what: '80 unfinished reports of 32 MB by somebody who is signed in',
    run: async (stage) => {
      const more = `cookie: ${await stage.session('technician')}\r\n`;
      const head = post('/api/jobs/1/reading', 32 * MIB, more).replace(
        'application/json',
        'multipart/form-data; boundary=x',
      );
      const start = Buffer.from('--x\r\ncontent-disposition: form-data; name="file"; filename="a"\r\n\r\n');
      const pieces = [start, ...Array.from({ length: 7 }, () => Buffer.alloc(MIB, 97))];
      const { answers, end } = await stage.unfinished(80, head, pieces, 20_000, 76);
      const pulse = await stage.pulse();
      end();
      const busy = answers.filter((status) => status === '503').length;
      return held(
        busy >= 76 && pulse < 1_000 && stage.peak() < CAP,
        `${busy} of 80 asked to come later, alive in ${pulse.toFixed(0)} ms, peak ${mib(stage.peak())}`,
      );
    },
  },
  {
    point: 1,
    what: 'slow bodies and slow heads are ended',
    isLong: true,
    run: async (stage) => {
      const token = await jobLink(OPEN_JOB);
      const bodies = stage.unfinished(60, post(`/q/${token}/answer`, 16_000), [Buffer.from('{"kind":')]);
      const heads = stage.unfinished(60, 'GET /counter HTTP/1.1\r\nhost: sh', []);
      const both = await Promise.all([bodies, heads]);
      await wait(14_000);
      // Anyone who was ended was told so, or the connection is gone: asked by what the operating system still has.
      const { readFileSync } = await import('node:fs');
      const port = stage.port.toString(16).toUpperCase().padStart(4, '0');
      const open = readFileSync('/proc/net/tcp', 'utf8')
        .split('\n')
        .filter((line) => new RegExp(`^\\s*\\d+: 0100007F:${port} \\S+ 01 `).test(line)).length;
      for (const { end } of both) end();
      return held(open < 10, `${120 - open} of 120 connections ended within 17 s`);
    },
  },
  {
    point: 1,
    what: 'forms, files and lists that break off in the middle',
    run: async (stage) => {
      const pid = stage.app.pid;
      const headers = { 'content-type': 'multipart/form-data; boundary=x' };
      const half = '--x\r\ncontent-disposition: form-data; name="file"; filename="a"\r\n\r\nhalf a fi';
      const cut = await stage.ask('POST', '/api/jobs/1/reading', { role: 'technician', headers, body: half });
      const more = `cookie: ${await stage.session('technician')}\r\n`;
      const begin = Buffer.from(half);
      for (const [path, type] of [
        ['/api/jobs/1/reading', 'multipart/form-data; boundary=x'],
        ['/api/models/1/photos', 'multipart/form-data; boundary=x'],
        ['/api/jobs/1/proof', 'text/plain'],
        ['/api/sellers/1/lists', 'text/csv'],
        ['/api/jobs/1/intake', 'application/json'],
      ] as const) {
        const head = post(path, 100_000, more).replace('application/json', type);
        const { end } = await stage.unfinished(5, head, [begin], 300);
        end();
      }
      await wait(500);
      const pulse = await stage.pulse();
      return held(
        cut.status === 422 && pulse < 1_000 && stage.app.pid === pid,
        `told in words (${cut.status}), 25 connections dropped, alive in ${pulse.toFixed(0)} ms`,
      );
    },
  },
  {
    point: 1,
    what: 'inputs of the documented size go through',
    run: async (stage) => {
      const job = Number(Stage.json(await stage.ask('POST', '/api/jobs', { role: 'technician' }))?.id);
      const report = reportText({
        maker: 'Nobody',
        product: 'Rough 1',
        serial: 'R-1',
        cpu: 'Merle 4300',
        maxGb: 64,
        devices: [{ locator: 'A1', mb: 8192, rate: 2400 }],
      });
      const large = `${report}\n${'# a comment of a long-winded program\n'.repeat(225_000)}`.slice(0, 8 * MIB - 1);
      const form = (files: number) =>
        `${`--x\r\ncontent-disposition: form-data; name="file"; filename="a.txt"\r\n\r\n${large}\r\n`.repeat(files)}--x--\r\n`;
      const headers = { 'content-type': 'multipart/form-data; boundary=x' };
      const read = (files: number) =>
        stage.ask('POST', `/api/jobs/${job}/reading`, { role: 'technician', headers, body: form(files) });
      const one = await read(1);
      const three = await read(3);
      return held(
        one.status === 200 && three.status === 200,
        `8 MiB: ${one.status}, three of them at once: ${three.status}`,
      );
    },
  },
  {
    point: 2,
    what: 'JSON of nested lists holds nobody up',
    run: async (stage) => {
      const nested = '['.repeat(250_000);
      const flat = `[${'0,'.repeat(100_000)}0]`;
      const attacks = Promise.all(
        [nested, flat, nested, flat].map((body) =>
          stage.ask('PATCH', '/api/jobs/1/intake', {
            role: 'technician',
            body,
            headers: { 'content-type': 'application/json' },
          }),
        ),
      );
      const pulse = await stage.pulseDuring(attacks);
      const statuses = (await attacks).map(({ status }) => status);
      const large = await stage.ask('PATCH', '/api/jobs/1/intake', {
        role: 'technician',
        body: '['.repeat(19_000_000),
        headers: { 'content-type': 'application/json' },
      });
      return held(
        statuses.every((status) => status === 422) && [413, 0].includes(large.status) && pulse < 300,
        `refused (${statuses.join(', ')}; 19 MB: ${large.status || 'cut off'}), others wait ${pulse.toFixed(0)} ms at most`,
      );
    },
  },
  {
    point: 2,
    what: 'a dropped file of nested lists is read beside the others',
    run: async (stage) => {
      const body = `--x\r\ncontent-disposition: form-data; name="file"; filename="a.json"\r\n\r\n${'['.repeat(5_000_000)}\r\n--x--\r\n`;
      const headers = { 'content-type': 'multipart/form-data; boundary=x' };
      const read = stage.ask('POST', '/api/jobs/1/reading', { role: 'technician', headers, body });
      const pulse = await stage.pulseDuring(read);
      const { status } = await read;
      return held(
        status === 422 && pulse < 500,
        `told in words (${status}), others wait ${pulse.toFixed(0)} ms at most`,
      );
    },
  },
  {
    point: 3,
    what: '120 parallel guesses under one name',
    run: async (stage) => {
      const guess = () => stage.ask('POST', '/api/sign-in', { json: { name: 'runa', password: 'a guess' } });
      const statuses = (await Promise.all(Array.from({ length: 120 }, guess))).map(({ status }) => status);
      const weighed = statuses.filter((status) => status === 401).length;
      return held(
        weighed <= 8,
        `${weighed} weighed, ${statuses.filter((status) => status === 429 || status === 503).length} told to wait`,
      );
    },
  },
  {
    point: 3,
    what: 'the owner’s own browser is not locked out by them',
    run: async (stage) => {
      const known = await stage.session('technician');
      const browser = known.split('; ').find((one) => one.startsWith('fenbrik-browser=')) ?? '';
      for (let nr = 0; nr < 12; nr++)
        await stage.ask('POST', '/api/sign-in', { json: { name: 'teo', password: 'a guess' } });
      const json = { name: 'teo', password: DEMO_PASSWORD };
      const stranger = await stage.ask('POST', '/api/sign-in', { json });
      const own = await stage.ask('POST', '/api/sign-in', { json, headers: { cookie: browser } });
      return held(
        stranger.status === 429 && own.status === 200,
        `another browser: ${stranger.status}, the known one: ${own.status}`,
      );
    },
  },
  {
    point: 3,
    what: '150 guesses under many names leave the others alone',
    run: async (stage) => {
      await stage.session('technician');
      // What its first request loads is not what the guesses cost.
      await stage.ask('GET', '/counter', { role: 'technician' });
      const guess = (_: unknown, nr: number) =>
        stage.ask('POST', '/api/sign-in', { json: { name: `nobody${nr}`, password: 'a guess' } });
      const all = Promise.all(Array.from({ length: 150 }, guess));
      await wait(50);
      const { status, ms } = await stage.ask('GET', '/counter', { role: 'technician' });
      const weighed = (await all).filter((one) => one.status === 401).length;
      return held(status === 200 && ms < 1_500, `the list of jobs meanwhile: ${ms.toFixed(0)} ms; ${weighed} weighed`);
    },
  },
];
