import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { READING_FORMATS } from '../core/reading/reading';
import { reportText } from '../demo/report';
import { STORIES } from '../demo/stories';
import { ROOT } from '../scripts/setup.mjs';
import { bundlePrograms } from '../scripts/start/programs';
import { seeds } from '../testing/fuzz/seeds';

/** As it is built, which starts faster than from its sources; one test takes those. */
const BUILT = join(ROOT, 'node_modules', '.cache', 'fenbrik', 'bin-test');
const COMMAND = join(BUILT, 'fenbrik.mjs');
const FROM_SOURCE = join(__dirname, 'fenbrik.mjs');
const CASES = join(__dirname, '..', 'core', 'planning', 'cases');
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-bin-'));

function write(name: string, content: string | Uint8Array): string {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
}

/** Runs the command from another folder, as anyone would. */
function run(command: string, args: readonly string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [command, ...args], { cwd: folder, encoding: 'utf8' });
  return { status, stdout, lines: stderr.split('\n').filter(Boolean) };
}
const fenbrik = (...args: string[]) => run(COMMAND, args);

beforeAll(async () => void (await bundlePrograms(BUILT)), 60_000);

describe('plan', () => {
  it('answers several cases, one object a line, in order', () => {
    const cases = ['library-kiosk', 'choir-laptop'].map((name) => join(CASES, `${name}.case.json`));
    const { status, stdout, lines } = fenbrik('plan', ...cases);
    expect(run(FROM_SOURCE, ['plan', ...cases])).toEqual({ status, stdout, lines });
    const answers = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect([status, lines]).toEqual([0, []]);
    expect(answers.map((one) => one.baseline.totalMiB)).toEqual([2048, 12288]);
    const want = JSON.parse(readFileSync(join(CASES, 'library-kiosk.answer.json'), 'utf8'));
    expect(answers[0].refusedOffers).toEqual(want.refusedOffers);
    expect(answers[0].plans[0]).toMatchObject(want.plans[0]);
  });

  it('prints a table for people, the smallest total first', () => {
    const { status, stdout } = fenbrik('plan', '--format', 'table', join(CASES, 'library-kiosk.case.json'));
    expect(status).toBe(0);
    const [head, empty, headings = '', ...rows] = stdout.split('\n');
    expect(head).toMatch(/: today 2 GB at \d+ MT\/s$/);
    expect(empty).toBe('');
    expect(headings.trim().split(/ {2,}/)).toEqual([
      ...['total', 'price', 'saving', 'rate', 'channels', 'open', 'care', 'lane', 'old ones', 'buy'],
    ]);
    const totals = rows.map((row) => Number(/^ *(\d+) GB/.exec(row)?.[1] ?? 0)).filter((total) => total > 0);
    expect(totals.length).toBeGreaterThan(1);
    expect(totals).toEqual([...totals].sort((a, b) => a - b));
    expect(fenbrik('plan', '--format', 'poem', join(CASES, 'library-kiosk.case.json')).status).not.toBe(0);
  });

  it('refuses a case that is larger than any that is planned, a line a fault', () => {
    const kiosk = JSON.parse(readFileSync(join(CASES, 'library-kiosk.case.json'), 'utf8'));
    const [slot] = kiosk.machine.slots;
    kiosk.machine.slots = Array.from({ length: 33 }, (_, at) => ({
      ...slot,
      id: `S${at}`,
      channel: `C${at % 17}`,
      bank: at,
    }));
    kiosk.installed = [];
    kiosk.offers = kiosk.offers
      .slice(0, 2)
      .map((offer: object, at: number) => ({ ...offer, modules: at === 0 ? 17 : 1 }));
    kiosk.goal = { maxOffers: 4 };
    const file = write('large.json', JSON.stringify(kiosk));
    const { status, lines } = fenbrik('plan', file);
    expect(status).toBe(2);
    expect(lines).toEqual([
      `${file}: offers[0].modules: a pack has at most 16 modules`,
      `${file}: goal.maxOffers: a plan has at most 3 different offers`,
      `${file}: machine.slots: at most 32 slots`,
      `${file}: machine.slots: at most 16 channels`,
    ]);
  });

  it('tells faults by file and path, answers the others, and ends with 2', () => {
    const kiosk = JSON.parse(readFileSync(join(CASES, 'library-kiosk.case.json'), 'utf8'));
    kiosk.machine.slots.push(kiosk.machine.slots[0]);
    const bad = write('kiosk.json', JSON.stringify(kiosk));
    const noJson = write('half.json', '{"fenbrik": ');
    const { status, stdout, lines } = fenbrik(
      'plan',
      'kiosk.json',
      noJson,
      'absent.json',
      join(CASES, 'library-kiosk.case.json'),
    );
    expect(status).toBe(2);
    expect(lines).toEqual([
      'kiosk.json: machine.slots[1].id: used twice',
      `${noJson}: (document): this is no JSON`,
      'absent.json: this file cannot be read',
    ]);
    expect(stdout.trim().split('\n')).toHaveLength(1);
    expect(bad).toContain('kiosk.json');
  });
});

describe('plan --explain', () => {
  const photo = join(CASES, 'photo-club-box.case.json');

  it('says in the answer why an offer is in no plan, or in which', () => {
    const { status, stdout } = fenbrik('plan', photo, '--explain', 'tp-48');
    expect(status).toBe(0);
    const { explained, plans } = JSON.parse(stdout);
    expect(plans.length).toBeGreaterThan(0);
    expect(explained).toEqual({
      offer: 'tp-48',
      kind: 'refused',
      because: [{ code: 'module-failed', is: 49152, takes: null }],
    });
  });

  it('says it in words below the table', () => {
    const { stdout } = fenbrik('plan', photo, '--format', 'table', '--explain', 'tp-24');
    expect(stdout).toContain('tp-24 (tp-24): It is in 3 plans, such as:');
    expect(stdout).toContain('Runs at 5200 MT/s: the CPU’s limit is 5200.');
    expect(stdout).toContain('Faster than it can run here: tp-24 is rated 5600.');
  });

  it('says that there is no such offer', () => {
    const { status, stdout, lines } = fenbrik('plan', photo, '--explain', 'nothing');
    expect([status, stdout]).toEqual([2, '']);
    expect(lines).toEqual([`${photo}: offers: none has the id "nothing"`]);
  });

  it('tells a sold out offer as such, and the nearest plans where nothing meets the goal', () => {
    const planCase = JSON.parse(readFileSync(photo, 'utf8'));
    planCase.offers[0].stock = 0;
    planCase.goal = { minMiB: 48 * 1024, maxPriceCents: 100 };
    const file = write('sold-out.json', JSON.stringify(planCase));
    const { stdout } = fenbrik('plan', file, '--format', 'table', '--explain', planCase.offers[0].id);
    expect(stdout).toContain('is sold out.');
    expect(stdout).toContain('Those that miss one wish of it least:');
    expect(stdout).toMatch(/over the budget: \d+ GB for/);
  });
});

describe('plan with bad numbers', () => {
  it('names each with its place, one line a fault, and hangs on none', () => {
    const planCase = JSON.parse(readFileSync(join(CASES, 'photo-club-box.case.json'), 'utf8'));
    const [offer] = planCase.offers;
    const [installed] = planCase.installed;
    planCase.offers = [
      { ...offer, id: 'a', priceCents: -1 },
      { ...offer, id: 'b', module: { ...offer.module, capacityMiB: 0 } },
      { ...offer, id: 'c', colour: 'green' },
    ];
    planCase.installed = Array.from({ length: 10_000 }, () => installed);
    const file = write('bad-numbers.json', JSON.stringify(planCase).replace('"modules":1', '"modules":NaN'));
    expect(fenbrik('plan', file).lines).toEqual([`${file}: (document): this is no JSON`]);
    const other = write('bad-places.json', JSON.stringify(planCase));
    const { status, stdout, lines } = fenbrik('plan', other);
    expect([status, stdout]).toEqual([2, '']);
    expect(lines).toEqual(
      expect.arrayContaining([
        expect.stringContaining(`${other}: offers[0].priceCents: `),
        expect.stringContaining(`${other}: offers[1].module.capacityMiB: `),
        `${other}: offers[2].colour: unknown field`,
        `${other}: installed: at most 32 installed modules`,
      ]),
    );
    expect(lines.join(' ')).not.toMatch(/ at .*:\d+:\d+/);
  });
});

describe('read', () => {
  it('prints what a report says', () => {
    const story = STORIES.find((one) => one.report !== null)?.report;
    if (story == null) throw new Error('no story has a report');
    const { status, stdout } = fenbrik('read', write('report.txt', reportText(story)));
    const reading = JSON.parse(stdout);
    expect(status).toBe(0);
    expect(reading).toMatchObject({
      format: 'smbios-text',
      machine: { maker: story.maker, model: story.product },
      warnings: [],
    });
    expect(reading.machine.memory.slots).toHaveLength(story.devices.length);
  });

  it('answers for every format, several files a line each, whatever they are called', () => {
    const formats = [...new Set(seeds().map(({ kind }) => kind))];
    const files = formats.map((kind, index) => {
      const seed = seeds().find((one) => one.kind === kind);
      return write(`input-${index}`, seed?.bytes ?? new Uint8Array());
    });
    const { status, stdout, lines } = fenbrik('read', ...files);
    expect([status, lines]).toEqual([0, []]);
    const readings = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect(readings.map(({ format }) => format)).toEqual(formats);
    expect(formats.toSorted()).toEqual([...READING_FORMATS].sort());
    for (const reading of readings) {
      expect(Array.isArray(reading.warnings)).toBe(true);
      const told = [reading.machine, reading.module, reading.claims].filter((one) => one !== undefined);
      expect(told.length).toBeGreaterThan(0);
    }
  });

  it('reads a damaged file as far as it goes, and says where', () => {
    const dump = seeds().find(({ kind }) => kind === 'smbios')?.bytes ?? new Uint8Array();
    const { status, stdout } = fenbrik('read', write('cut.bin', dump.slice(0, dump.length - 40)));
    expect(status).toBe(0);
    expect(JSON.parse(stdout).warnings[0]).toMatch(/^truncated/);
  });

  it('says one line and ends with 2 for anything else', () => {
    const { status, stdout, lines } = fenbrik('read', write('letter.txt', 'Dear shop, my computer is slow.'));
    expect([status, stdout]).toEqual([2, '']);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toContain('Fenbrik cannot read this');
  });
});

test('an unknown command is told', () => {
  const { status, lines } = fenbrik('dance');
  expect(status).not.toBe(0);
  expect(lines.join(' ')).toContain('dance');
});
