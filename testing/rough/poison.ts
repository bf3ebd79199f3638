import sharp from 'sharp';
import { slot } from '../../core/machine/samples';
import { MODULE_OF_8_GB } from '../../core/memory/samples';
import { one, pool } from '../../store/database';
import { jobLink } from '../job-link';
import { type Attack, held, type Role, Stage } from './stage';

const ROLES: readonly Role[] = ['owner', 'technician', 'counter'];
const OPEN_JOB = 7;

async function newJob(stage: Stage): Promise<number> {
  return Number(Stage.json(await stage.ask('POST', '/api/jobs', { role: 'technician' }))?.id);
}

/** How the list of jobs answers each role. */
async function lists(stage: Stage): Promise<number[]> {
  return Promise.all(ROLES.map(async (role) => (await stage.ask('GET', '/counter', { role })).status));
}

const form = (text: string) => ({
  headers: { 'content-type': 'multipart/form-data; boundary=x' },
  body: `--x\r\ncontent-disposition: form-data; name="file"; filename="a.txt"\r\n\r\n${text}\r\n--x--\r\n`,
});

/** Points 5 and 6: what cannot be takes nothing away. */
export const POISON: readonly Attack[] = [
  {
    point: 5,
    what: 'a report with modules of 8000000000 TB',
    run: async (stage) => {
      const job = await newJob(stage);
      const block = (nr: number) =>
        `Handle 0x001${nr}, DMI type 17, 40 bytes\nMemory Device\n\tSize: 8000000000 TB\n\tLocator: A${nr}\n\tType: DDR4\n\tSpeed: 2400 MT/s\n\n`;
      const text = `Handle 0x0010, DMI type 16, 23 bytes\nPhysical Memory Array\n\tUse: System Memory\n\tNumber Of Devices: 2\n\n${block(1)}${block(2)}`;
      const read = await stage.ask('POST', `/api/jobs/${job}/reading`, { role: 'counter', ...form(text) });
      const after = await lists(stage);
      const pages = await Promise.all(
        ['intake', 'limits', 'options', 'quote'].map((one) =>
          stage.ask('GET', `/jobs/${job}/${one}`, { role: 'technician' }),
        ),
      );
      const statuses = pages.map(({ status }) => status);
      return held(
        read.status < 500 && [...after, ...statuses].every((status) => status === 200),
        `the report: ${read.status}; the list of jobs: ${after.join(', ')}; its own pages: ${statuses.join(', ')}`,
      );
    },
  },
  {
    point: 5,
    what: 'slots of 2^53−1 MiB, prices, counts and days that cannot be',
    run: async (stage) => {
      const job = await newJob(stage);
      const module = { ...MODULE_OF_8_GB, capacityMiB: 2 ** 53 - 1, maker: null, part: null };
      const poisoned = { ...slot('A1'), maxMiB: 2 ** 53 - 1, module };
      const asked = [
        await stage.ask('PUT', `/api/jobs/${job}/slots`, {
          role: 'technician',
          json: { version: 0, slots: [poisoned] },
        }),
        await stage.ask('PATCH', `/api/jobs/${job}/intake`, {
          role: 'technician',
          json: { set: { neededBy: '9999-12-31' }, seen: { neededBy: null } },
        }),
        await stage.ask('PUT', '/api/jobs/1/limits', {
          role: 'technician',
          json: { decisions: [{ limit: 'totalMiB', value: 2 ** 53 - 1 }] },
        }),
        await stage.ask('POST', '/api/offers/1/price', { role: 'owner', json: { costCents: 2 ** 53 - 1 } }),
      ].map(({ status }) => status);
      const after = await lists(stage);
      return held(
        asked.every((status) => status === 422) && after.every((status) => status === 200),
        `refused: ${asked.join(', ')}; the list of jobs: ${after.join(', ')}`,
      );
    },
  },
  {
    point: 5,
    what: 'ids over 2^31, __proto__, constructor, TRACE, an account opened again',
    run: async (stage) => {
      const wren = { name: 'Wren Hollis', signIn: 'wren', role: 'counter', password: 'long enough to pass' };
      const opened = Stage.json(await stage.ask('POST', '/api/staff', { role: 'owner', json: wren }));
      await stage.ask('DELETE', `/api/staff/${opened?.id}`, { role: 'owner' });
      const tried: [string, Promise<{ status: number }>][] = [
        [
          'reading id',
          stage.ask('PATCH', '/api/jobs/1/reading', { role: 'owner', json: { id: 2 ** 31, aside: true } }),
        ],
        ['seller id', stage.ask('POST', '/api/orders', { role: 'owner', json: { seller: 2 ** 53, parts: [] } })],
        ['models', stage.ask('POST', '/api/models/merge', { role: 'owner', json: { keep: 2 ** 31, drop: 2 ** 40 } })],
        ['family', stage.ask('POST', '/api/offers/find', { role: 'owner', json: { familyId: 2 ** 31 } })],
        ['path', stage.ask('GET', '/jobs/2147483648/intake', { role: 'owner' })],
        ['__proto__', stage.ask('GET', '/customer/__proto__')],
        ['constructor', stage.ask('GET', '/customer/constructor')],
        ['TRACE', stage.ask('TRACE', '/counter')],
        ['%E0%A4%A', stage.ask('GET', '/q/%E0%A4%A')],
        ['opened again', stage.ask('POST', '/api/staff', { role: 'owner', json: wren })],
      ];
      const statuses = await Promise.all(tried.map(async ([name, answer]) => `${name} ${(await answer).status}`));
      return held(
        statuses.every((one) => /4\d\d$/.test(one) || one === 'family 200'),
        statuses.join(', '),
      );
    },
  },
  {
    point: 6,
    what: 'a logo that is only a head, and one of 4000 × 4000 transparent pixels',
    run: async (stage) => {
      const background = { r: 10, g: 120, b: 90, alpha: 0.2 };
      const large = await sharp({ create: { width: 4000, height: 4000, channels: 4, background } })
        .png()
        .toBuffer();
      const head = large.subarray(0, 60);
      const put = (body: Buffer) =>
        stage.ask('PUT', '/api/logo', { role: 'owner', body, headers: { 'content-type': 'application/octet-stream' } });
      const refused = (await put(head)).status;
      const taken = (await put(large)).status;
      const token = await jobLink(OPEN_JOB);
      const first = await stage.ask('GET', `/q/${token}/pdf`);
      // A head that was kept before they were looked at.
      await pool().query('update shop set logo = $1', [head]);
      const other = await jobLink(6);
      const spoilt = await stage.ask('GET', `/q/${other}/pdf`);
      await stage.ask('DELETE', '/api/logo', { role: 'owner' });
      const { size } = await one<{ size: number }>(pool(), 'select coalesce(length(logo), 0) as size from shop');
      return held(
        refused === 422 &&
          taken === 200 &&
          first.status === 200 &&
          first.ms < 1_500 &&
          spoilt.status === 200 &&
          size === 0,
        `head ${refused}, large ${taken}; first PDF with it ${first.status} in ${first.ms.toFixed(0)} ms, with a spoilt one ${spoilt.status}`,
      );
    },
  },
];
