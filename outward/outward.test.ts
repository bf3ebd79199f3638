import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import type { CustomerOption, CustomerQuote } from '../core/quoting/customer-view';
import { codeText } from '../core/quoting/paper/content-code';
import type { PhotoCode } from '../core/reading/photo/photo-words';
import { type PaperStyle, quotePdf } from './papers/quote-pdf';
import { pictureThread } from './pictures/open-picture';
import { fetchSellerFeed } from './seller-feed';

const option: CustomerOption = {
  place: 1,
  lane: 'third-party',
  reuse: 'add',
  care: 'heads-up',
  totalMiB: 16384,
  addedMiB: 8192,
  rateMTs: 2400,
  channelsText: 'dual channel',
  openSlots: 2,
  before: [
    { slot: 'A1', capacityMiB: 8192, text: '8 GB DDR4-2400 CL17 DIMM', fate: 'today' },
    { slot: 'B1', capacityMiB: null, text: null, fate: 'today' },
  ],
  after: [
    { slot: 'A1', capacityMiB: 8192, text: '8 GB DDR4-2400 CL17 DIMM', fate: 'stays' },
    { slot: 'B1', capacityMiB: 8192, text: '8 GB DDR4-2400 CL17 DIMM', fate: 'new' },
  ],
  oldModules: 'Your module stays in.',
  warnings: ['Your operating system can use only 8 GB of this memory.'],
  leadDays: 2,
  lines: [
    {
      kind: 'part',
      text: '8 GB DDR4-2400 CL17 DIMM',
      origin: 'third-party',
      quantity: 1,
      eachCents: 2450,
      totalCents: 2450,
    },
    { kind: 'labour', text: 'Fitting and test', origin: null, quantity: 1, eachCents: 2500, totalCents: 2500 },
  ],
  totalCents: 4950,
  taxCents: 825,
  savingCents: 5450,
  savingPercent: 52,
};

const quote: CustomerQuote = {
  fenbrik: 'quote/1',
  number: '2026-0007',
  sentOn: '2026-11-25',
  validUntil: '2026-12-09',
  currency: 'EUR',
  taxBp: 2000,
  shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '14 Petrel Street, Skerrow' },
  customer: { name: 'Łucja Őrsi' },
  machine: { name: 'Tarnholt Counter 4', totalMiB: 8192 },
  suggested: 2,
  options: [option, { ...option, place: 2, totalCents: 12345 }, { ...option, place: 3 }],
};

const CODE = '0123456789abcdef'.repeat(4);

async function paper(of: CustomerQuote, style: PaperStyle = { paper: 'A4', logo: null }) {
  const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-paper-')), 'quote.pdf');
  writeFileSync(file, await quotePdf(of, CODE, style));
  const run = (program: string, ...args: string[]) => execFileSync(program, args, { encoding: 'utf8' });
  return {
    file,
    text: run('pdftotext', '-layout', file, '-'),
    info: run('pdfinfo', file),
    fonts: run('pdffonts', file),
    structure: run('pdfinfo', '-struct-text', file),
    check: run('qpdf', '--check', file),
    plain: run('qpdf', '--qdf', '--object-streams=disable', file, '-'),
  };
}

describe('the customer’s paper', () => {
  it('says what the page says, option by option', async () => {
    const { text } = await paper(quote);
    for (const words of [
      'Quote 2026-0007',
      '25 November 2026',
      'More memory for your Tarnholt Counter 4',
      '9 December 2026',
      'Fitting and test',
      'Your module stays in.',
    ]) {
      expect(text).toContain(words);
    }
    expect(text).toMatch(/Option 1: 16 GB of memory\n/);
    expect(text).toMatch(/Option 2: 16 GB of memory \(we suggest this one\)/);
    expect(text).toMatch(/Total +€49\.50/);
    expect(text).toMatch(/Total +€123\.45/);
    expect(text).toMatch(/of which 20% tax +€8\.25/);
    expect(text).toContain('You save €54.50 (52%)');
    expect(text.replace(/\s+/g, ' ')).toContain(`(SHA-256): ${codeText(CODE)}`);
    const agreed = { ...option, statements: option.warnings };
    expect((await paper({ ...quote, options: [agreed] })).text).toContain('Needs your consent: Your operating system');
    expect(text).toContain('Please note: Your operating system can use only 8 GB');
  });

  it('sets letters of the neighbours’ alphabets, with its fonts embedded as subsets', async () => {
    const { text, fonts } = await paper(quote);
    expect(text).toContain('Łucja Őrsi');
    const rows = fonts.trim().split('\n').slice(2);
    expect(rows.length).toBeGreaterThan(1);
    for (const row of rows) expect(row).toMatch(/^[A-Z]{6}\+(Archivo|NotoSans).* yes yes yes/);
  });

  it('begins a page rather than tear an option', async () => {
    const long = { ...option, warnings: Array.from({ length: 6 }, (_, index) => `Mind this, point ${index}.`) };
    const { text, info } = await paper({ ...quote, options: [long, { ...long, place: 2 }, { ...long, place: 3 }] });
    expect(info).toMatch(/Pages: +2/);
    const [first = '', second = ''] = text.split('\f');
    for (const page of [first, second]) {
      const begun = page.match(/Option \d:/g)?.length ?? 0;
      expect(begun).toBeGreaterThan(0);
      expect(page.match(/Mind this, point 5/g)).toHaveLength(begun);
    }
  });

  it('has its number as a code that a scanner reads', async () => {
    const { file } = await paper(quote);
    execFileSync('pdftoppm', ['-r', '150', '-f', '1', '-l', '1', '-png', '-singlefile', file, file]);
    const page = readFileSync(`${file}.png`);
    const { width, height } = await sharp(page).metadata();
    const codes = await pictureThread.work<PhotoCode[]>('codes', page, width, height);
    expect(codes.map(({ text, symbology }) => [symbology, text])).toEqual([['QRCode', '2026-0007']]);
  });

  it('is tagged and has a title', async () => {
    const { info } = await paper(quote);
    expect(info).toMatch(/Tagged: +yes/);
    expect(info).toMatch(/Title: +Quote 2026-0007/);
    expect(info).toMatch(/Page size: +595\.28 x 841\.89 pts \(A4\)/);
  });

  it('passes the check of its syntax, has a structure tree with heads and tables, and says what its drawings show', async () => {
    const { check, structure, plain } = await paper(quote);
    expect(check).toContain('No syntax or stream encoding errors found');
    for (const tag of ['Document', 'H1', 'H2', 'Table', 'TR', 'TH', 'TD', 'Figure', 'P'])
      expect({ tag, found: new RegExp(`^\\s*${tag}\\b`, 'm').test(structure) }).toEqual({ tag, found: true });
    expect(plain).toContain('/Alt (Today: A1: 8 GB DDR4-2400 CL17 DIMM; B1: free)');
    expect(plain).toContain('/Alt (After: A1: 8 GB DDR4-2400 CL17 DIMM; B1: 8 GB DDR4-2400 CL17 DIMM)');
    expect(structure.replace(/\s+/g, ' ')).toContain('All prices include tax and fitting.');
    expect(structure.match(/^ *Figure/gm)).toHaveLength(6);
  });

  it('is on Letter where the shop prints on that, in the quote’s language', async () => {
    const { text, info } = await paper({ ...quote, language: 'fr' }, { paper: 'Letter', logo: null });
    expect(info).toMatch(/Page size: +612 x 792 pts \(letter\)/);
    expect(text).toContain('Devis 2026-0007');
    expect(text).toMatch(/Total +49,50 €/);
    expect(text).toContain('16 Go de mémoire');
  });

  it('sets names that are read from right to left, are put together from marks, or are pictures', async () => {
    const name = 'סמי לוי (2), Ngu\u0079\u0065\u0302\u0303n, Ωμέγα, Жанна 👩‍🔧';
    const { text, fonts, check } = await paper({ ...quote, customer: { name } });
    for (const words of ['Nguyễn', 'Ωμέγα', 'Жанна']) expect(text).toContain(words);
    // The reader gives right-to-left words back in the order in which they are read.
    expect(text.replace(/[\u200e\u200f\u202a-\u202e]/g, '')).toMatch(/סמי/);
    expect(fonts).toMatch(/NotoSansHebrew/);
    expect(fonts).toMatch(/NotoEmoji/);
    expect(check).toContain('No syntax or stream encoding errors found');
  });

  it('shows a machine of 32 slots, a note of many lines and a name without end on whole pages', async () => {
    const board = Array.from({ length: 32 }, (_, nr) => ({
      slot: `CPU${1 + (nr >> 4)} A${nr}`,
      capacityMiB: 32_768,
      text: '32 GB',
      fate: 'new' as const,
    }));
    const wide = { ...option, before: board, after: board };
    const note = 'A word to the customer that goes on. '.repeat(25).trim();
    const { text, info, check } = await paper({
      ...quote,
      note,
      customer: { name: 'Ó'.repeat(120) },
      options: [wide, { ...wide, place: 2 }],
    });
    expect(check).toContain('No syntax or stream encoding errors found');
    expect(Number(/Pages: +(\d+)/.exec(info)?.[1])).toBeLessThanOrEqual(3);
    expect(text.replace(/\s+/g, '')).toContain('Ó'.repeat(120));
  });

  it('has one option without a number', async () => {
    const { text } = await paper({ ...quote, options: [option] });
    expect(text).not.toContain('Option 1');
  });
});

describe('a seller’s feed', () => {
  let server: Server;
  let url: string;
  let answer: (response: ServerResponse) => void;

  beforeAll(async () => {
    server = createServer((_, response) => answer(response));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  });
  afterAll(() => server.close());

  const says = (body: unknown, status = 200) => {
    answer = (response) => {
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(typeof body === 'string' ? body : JSON.stringify(body));
    };
  };
  const item = { part: 'VE4D8', costCents: 1900, stock: null };

  it('is read when it makes sense', async () => {
    says({ fenbrik: 'feed/1', currency: 'EUR', items: [item] });
    expect(await fetchSellerFeed(url, null, true)).toEqual({
      ok: true,
      changed: true,
      etag: null,
      fenbrik: 'feed/1',
      currency: 'EUR',
      items: [item],
    });
  });

  test.each([
    ['an error', 'down for today', 500],
    ['nonsense', '{"hello":', 200],
    ['a negative price', { fenbrik: 'feed/1', currency: 'EUR', items: [{ ...item, costCents: -1 }] }, 200],
    ['another format', { items: [item] }, 200],
    ['a redirect', '', 302],
  ])('is told in a sentence when it answers %s', async (_, body, status) => {
    says(body, status);
    const feed = await fetchSellerFeed(url, null, true);
    expect(feed).toMatchObject({ ok: false, sentence: expect.stringMatching(/prices stay as they were\.$/) });
  });

  it('is told in a sentence when nobody is there', async () => {
    expect(await fetchSellerFeed('http://127.0.0.1:9/', null, true)).toMatchObject({ ok: false });
    expect(await fetchSellerFeed('no address', null)).toMatchObject({ ok: false });
  });
});
