import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { PLAIN_TERMS } from '../../../core/quoting/terms';
import type { QuoteTerms } from '../../../core/quoting/terms-schema';
import { many, pool, run } from '../../../store/database';
import { READER } from '../../../testing/reader';
import {
  as,
  choose,
  must,
  openTestShop,
  original16,
  readTill,
  seen,
  stateOf,
  thirdParty16,
} from '../../../testing/shop';
import { saveCharges, showCharges } from '../../shop/charges';
import { saveLogo, showLogo } from '../../shop/logo';
import { savePapers, showPapers } from '../../shop/papers';
import { approveTexts, showTexts } from '../../shop/shop-texts';
import { intakeSchema, saveIntake } from '../intake/intake';
import { draftOptions } from '../options/draft-options';
import { changePrice } from '../options/prices';
import { changeLink } from './change-link';
import { dropPlan, openQuote, sendQuote } from './quote';
import { answerSchema } from './quote-answers';
import { quoteJson, quotePaper, quoteTable, quoteXml } from './quote-files';
import { showQuotePage } from './quote-page';
import { writeLine, writeTerms } from './quote-terms';
import { renewQuote } from './renew-quote';

const shop = openTestShop();
const agree = (job: number, more: Partial<QuoteTerms>, before: QuoteTerms | null = null) =>
  writeTerms(shop.teo, job, { terms: { ...PLAIN_TERMS, ...more }, seen: before });
const REGULAR = { kind: 'share', bp: 1000, reason: 'regular customer' } as const;

async function till(): Promise<number> {
  const job = await readTill(shop.teo);
  await choose(shop.teo, job, 1, thirdParty16);
  await choose(shop.teo, job, 2, original16);
  return job;
}
const send = async (job: number) => must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
const options = async (job: number) => draftOptions(await stateOf(job)).flatMap((one) => (one.ok ? [one.option] : []));

describe('what is agreed', () => {
  it('is in every option, goes out as it is, and stands in the next version but for its day', async () => {
    const job = await till();
    must(
      await agree(job, {
        discount: REGULAR,
        extras: [{ text: 'Old battery', quantity: 1, eachCents: 250, taxBp: null }],
        note: 'Thank you.',
      }),
    );
    must(await agree(job, { discount: REGULAR, deposit: { kind: 'share', bp: 2000 }, note: 'Thank you.' }));
    for (const { lines, depositCents = 0 } of await options(job)) {
      expect(lines.at(-1)?.text).toBe('Discount: regular customer');
      expect(depositCents).toBeGreaterThan(0);
    }
    const { token } = await send(job);
    expect((await openQuote(token))?.quote).toMatchObject({ note: 'Thank you.', language: 'en', taxWay: 'contained' });
    must(await renewQuote(shop.teo, job));
    expect((await stateOf(job)).terms).toMatchObject({ discount: REGULAR, note: 'Thank you.', validUntil: null });
  });

  it('is refused where it makes no sense, and nothing of it is kept', async () => {
    const job = await till();
    const wrong = async (more: Partial<QuoteTerms>) => {
      const result = await agree(job, more);
      return result.ok ? null : result.sentence;
    };
    expect(await wrong({ discount: { kind: 'amount', cents: 999_999, reason: 'r' } })).toContain('as much as option');
    expect(await wrong({ deposit: { kind: 'amount', cents: 999_999 } })).toContain('The deposit is more than option 1');
    expect(await wrong({ validUntil: '2020-01-01' })).toBe('The prices cannot be valid until a day in the past.');
    expect((await stateOf(job)).terms).toEqual(PLAIN_TERMS);
  });

  it('by two windows at once is told to the second, and what the first said stays', async () => {
    const job = await till();
    const before = (await stateOf(job)).terms;
    must(await agree(job, { discount: REGULAR }, before));
    expect(await agree(job, { note: 'other' }, before)).toMatchObject({ code: 'conflict' });
    expect((await stateOf(job)).terms.discount).toEqual(REGULAR);
  });

  it('sent in one window is told in the other', async () => {
    const job = await till();
    const looked = await seen(job);
    const { number } = await send(job);
    expect(await sendQuote(shop.teo, job, { seen: looked })).toMatchObject({
      code: 'conflict',
      sentence: `It was sent a moment ago as ${number}, from another window.`,
    });
  });
});

describe('a line that is typed over', () => {
  it('is what the customer gets, until it is as computed again', async () => {
    const job = await till();
    const [first] = await options(job);
    const key = first?.shop.computed?.[0]?.key ?? '';
    const line = (text: string | null, eachCents: number | null, place = 1) =>
      writeLine(shop.teo, job, place, { key, text, eachCents });
    must(await line('A matched pair', 5000));
    expect((await options(job))[0]?.lines[0]).toMatchObject({ text: 'A matched pair', eachCents: 5000 });
    must(await line(null, null));
    expect((await options(job))[0]?.lines[0]).toEqual(first?.lines[0]);
    expect(await line('x', 1, 3)).toMatchObject({ code: 'conflict' });
    expect(await writeLine(shop.teo, job, 1, { key: 'part:none', text: 'x', eachCents: null })).toMatchObject({
      code: 'not-found',
    });
  });

  it('keeps what work costs when another plan takes its place, and through a new version', async () => {
    const job = await till();
    must(await writeLine(shop.teo, job, 1, { key: 'labour', text: 'While you wait', eachCents: 1500 }));
    await choose(shop.teo, job, 1, original16);
    const labour = async () => (await options(job))[0]?.lines.find(({ kind }) => kind === 'labour');
    expect(await labour()).toMatchObject({ text: 'While you wait', eachCents: 1500 });
    await send(job);
    must(await renewQuote(shop.teo, job));
    expect(await labour()).toMatchObject({ text: 'While you wait', eachCents: 1500 });
  });
});

describe('languages, taxes and texts', () => {
  it('follow the quote, else the customer, else the shop', async () => {
    const owner = await as('runa');
    const job = await till();
    const { hasLogo: _, ...papers } = await showPapers(READER);
    const language = async () => (await stateOf(job)).language;
    must(await savePapers(owner, { ...papers, language: 'fr', paper: 'Letter' }));
    expect(await language()).toBe('fr');
    must(await saveIntake(shop.teo, job, { language: 'de' }));
    expect(await language()).toBe('de');
    must(await agree(job, { language: 'en' }));
    expect(await language()).toBe('en');
    must(await savePapers(owner, papers));
  });

  it('leave the tax off for anyone who pays none, on the ladder as on the quote', async () => {
    const job = await till();
    const [before] = await options(job);
    must(await saveIntake(shop.teo, job, { taxExempt: 'public body' }));
    const [after] = await options(job);
    expect(after?.taxCents).toBe(0);
    expect(Math.abs((after?.totalCents ?? 0) * 1.2 - (before?.totalCents ?? 0))).toBeLessThan(4);
    const { token } = await send(job);
    expect((await openQuote(token))?.quote.exempt).toBe('public body');
  });

  it('go by the shop’s charges: work by the hour, its own rate, tax added', async () => {
    const owner = await as('runa');
    const { charges } = await showCharges(READER);
    const job = await till();
    const changed = { labourHourCents: 6000, labourStepMinutes: 15, labourTaxBp: 1000, taxWay: 'added' } as const;
    must(await saveCharges(owner, { ...charges, ...changed }));
    const { labour, model } = await stateOf(job);
    expect(labour).toMatchObject(model?.opening.length ? { by: 'time' } : { by: 'flat' });
    const [option] = await options(job);
    expect(option?.taxes?.map(({ taxBp }) => taxBp)).toEqual([2000, 1000]);
    expect(option?.totalCents).toBeGreaterThan(option?.lines.reduce((sum, line) => sum + line.totalCents, 0) ?? 0);
    must(await saveCharges(owner, charges));
  });

  it('a text that is not approved goes out with no quote; the shop’s own words go as they are approved', async () => {
    const owner = await as('runa');
    const job = await readTill(shop.teo);
    must(await saveIntake(shop.teo, job, { cover: 'warranty' }));
    await choose(shop.teo, job, 1, thirdParty16);
    await run(pool(), "delete from shop_text where key = 'cover-warranty' and language = 'en'");
    expect(await sendQuote(shop.teo, job, { seen: await seen(job) })).toMatchObject({
      code: 'conflict',
      sentence: expect.stringContaining('is not approved yet'),
    });
    const words = 'Under warranty: keep the old ones.';
    must(await approveTexts(owner, { language: 'en', texts: [{ key: 'cover-warranty', words }] }));
    const { token } = await send(job);
    expect((await openQuote(token))?.quote.options[0]?.statements).toEqual([words]);
    const shown = (await showTexts(READER)).en.find(({ key }) => key === 'cover-warranty');
    expect(shown).toMatchObject({ words, approved: { by: 'Runa Petrel' } });
    expect(await approveTexts(owner, { language: 'en', texts: [{ key: 'ecc-lost', words: '{price}' }] })).toMatchObject(
      { code: 'bad-input' },
    );
  });
});

describe('a shop in a currency without minor units, and one with a thousand of them', () => {
  it.each([
    ['JPY', /¥[\d,]+(?![\d.,]*\.\d)/],
    ['BHD', /BHD\s?[\d,]+\.\d{3}\b/],
  ])('%s: figures have its decimals, and add up', async (currency, amount) => {
    await run(pool(), 'update shop set currency = $1', [currency]);
    const job = await till();
    must(await agree(job, { discount: REGULAR, deposit: { kind: 'share', bp: 3333 } }));
    const [option] = await options(job);
    expect(option?.lines.reduce((sum, line) => sum + line.totalCents, 0)).toBe(option?.totalCents);
    const { token } = await send(job);
    const { text } = await showQuotePage(token, true);
    expect(text).toMatch(amount);
    expect(text).not.toContain('€');
    const xml = (await quoteXml(token, 1))?.bytes.toString('utf8') ?? '';
    expect(xml).toContain(`<cbc:PricingCurrencyCode>${currency}</cbc:PricingCurrencyCode>`);
    expect(xml).toMatch(currency === 'JPY' ? /currencyID="JPY">\d+</ : /currencyID="BHD">\d+\.\d{3}</);
    await run(pool(), "update shop set currency = 'EUR'");
  });
});

describe('a link', () => {
  it('is not in the database, opens nothing once withdrawn, and a new one opens the same quote', async () => {
    const job = await till();
    const { token } = await send(job);
    const rows = await many(pool(), 'select * from quote_link');
    expect(JSON.stringify(rows)).not.toContain(token);
    const dumped = JSON.stringify(
      await many(pool(), 'select to_jsonb(quote) as q from quote where job_id = $1', [job]),
    );
    expect(dumped).not.toContain(token);
    must(await changeLink(shop.teo, job, { version: 1, to: 'withdrawn' }));
    expect(await openQuote(token)).toBeNull();
    expect(await quotePaper(token)).toBeNull();
    const { sent, links } = await stateOf(job);
    expect(links.get(sent[0]?.id ?? 0)).toBeUndefined();
    must(await changeLink(shop.teo, job, { version: 1, to: 'renewed' }));
    const renewed = (await stateOf(job)).links.get(sent[0]?.id ?? 0)?.token ?? '';
    expect(renewed).toMatch(/^[\w-]{43}$/);
    expect(renewed).not.toBe(token);
    expect((await openQuote(renewed))?.quote.number).toBe(sent[0]?.number);
    expect(await changeLink(shop.teo, job, { version: 9, to: 'renewed' })).toMatchObject({ code: 'not-found' });
  });

  it('made with another key still opens, but is not told to anybody', async () => {
    const job = await till();
    const { token } = await send(job);
    const key = process.env.FENBRIK_KEY;
    process.env.FENBRIK_KEY = 'cd'.repeat(32);
    const { sent, links } = await stateOf(job);
    expect(links.get(sent[0]?.id ?? 0)).toEqual({ token: null });
    expect(await openQuote(token)).not.toBeNull();
    process.env.FENBRIK_KEY = key;
  });
});

describe('what only the shop may know', () => {
  it('is in no byte of page data, JSON, CSV, XML or PDF', async () => {
    const job = await till();
    const cost = 7_777_333;
    const marked = 'Zanderkai Marked Seller';
    const [option] = await options(job);
    const offer = option?.shop.bought[0]?.offer.replace('offer-', '') ?? '';
    await run(pool(), 'update seller set name = $2 where id = (select seller_id from offer where id = $1)', [
      offer,
      marked,
    ]);
    // A price of which every figure would be known again wherever it came out.
    await run(pool(), 'update shop set mark_up_bp = 100');
    must(await changePrice(shop.teo, Number(offer), { costCents: cost }));
    must(await saveIntake(shop.teo, job, { complaint: 'INTERNAL-NOTE-5521' }));
    const drafted = (await options(job))[0];
    expect(drafted?.shop.costCents).toBeGreaterThanOrEqual(cost);
    const margin = drafted?.shop.marginCents ?? 0;
    expect(margin).toBeGreaterThan(10_000);
    const { token } = await send(job);
    const opened = await openQuote(token);
    const pdf = (await quotePaper(token))?.bytes ?? Buffer.alloc(0);
    const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-leak-')), 'quote.pdf');
    writeFileSync(file, pdf);
    const plain = execFileSync('qpdf', ['--qdf', '--object-streams=disable', file, '-'], { encoding: 'latin1' });
    const seenByCustomer: Record<string, string> = {
      opened: JSON.stringify(opened),
      page: (await showQuotePage(token, true)).text,
      json: (await quoteJson(token))?.bytes.toString('utf8') ?? '',
      csv: (await quoteTable(token))?.bytes.toString('utf8') ?? '',
      xml: (await quoteXml(token, 1))?.bytes.toString('utf8') ?? '',
      pdf: plain,
      pdfText: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }),
    };
    const ways = (minor: number): string[] => {
      const amount = (minor / 100).toFixed(2);
      return [String(minor), amount, amount.replace(/\B(?=(\d{3})+\.)/g, ',')];
    };
    const secrets = [
      marked,
      'INTERNAL-NOTE-5521',
      ...ways(cost),
      ...ways(drafted?.shop.costCents ?? 0),
      ...ways(margin),
    ];
    for (const [where, text] of Object.entries(seenByCustomer)) {
      expect(text.length).toBeGreaterThan(200);
      for (const secret of secrets)
        expect({ where, secret, found: text.includes(secret) }).toMatchObject({ found: false });
    }
    // The test would see them: the customer's own price is found in the same way.
    const total = ways(drafted?.totalCents ?? 0);
    expect(total.some((way) => seenByCustomer.json?.includes(way))).toBe(true);
    expect(total.some((way) => seenByCustomer.page?.includes(way))).toBe(true);
    expect(total.some((way) => seenByCustomer.pdfText?.includes(way))).toBe(true);
    await run(pool(), 'update shop set mark_up_bp = 1800');
  });
});

describe('the logo', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 4, background: { r: 200, g: 30, b: 30, alpha: 0.4 } } })
      .png()
      .toBuffer();

  it('is decoded whole: what only begins like a picture is refused', async () => {
    const owner = await as('runa');
    const png = await picture(60, 20);
    const refused = async (bytes: Buffer) => {
      const result = await saveLogo(owner, bytes);
      return result.ok ? 'kept' : result.sentence;
    };
    expect(await refused(Buffer.alloc(0))).toBe('The file is empty.');
    expect(await refused(Buffer.from('GIF89a and more'))).toBe('This is neither a PNG nor a JPEG picture.');
    expect(await refused(Buffer.alloc(1_000_001))).toContain('more than 1 MB');
    expect(await refused(Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 0]))).toBe('The picture is damaged: save it again.');
    expect(await refused(png.subarray(0, 40))).toBe('The picture is damaged: save it again.');
    expect(await refused(png.subarray(0, png.length - 20))).toBe('The picture is damaged: save it again.');
    expect(await refused(await picture(4001, 2))).toContain('over 4000 pixels');
  });

  it('is kept at the size that is printed, however large it came', async () => {
    const owner = await as('runa');
    must(await saveLogo(owner, await picture(4000, 4000)));
    const kept = await showLogo(READER);
    expect(kept?.type).toBe('image/png');
    expect(await sharp(kept?.bytes).metadata()).toMatchObject({ width: 284, height: 284 });
  });

  it('is on the paper once it is kept, and off it again', async () => {
    const owner = await as('runa');
    must(await saveLogo(owner, null));
    const plain = (await quotePaper((await send(await till())).token))?.bytes.length ?? 0;
    must(await saveLogo(owner, await picture(600, 200)));
    expect((await quotePaper((await send(await till())).token))?.bytes.length).toBeGreaterThan(plain);
    must(await saveLogo(owner, null));
    expect(await showLogo(READER)).toBeNull();
  });

  it('that was kept before they were looked at never stops a paper', async () => {
    const { token } = await send(await till());
    await run(pool(), 'update shop set logo = $1', [(await picture(60, 20)).subarray(0, 33)]);
    expect((await quotePaper(token))?.bytes.subarray(0, 5).toString()).toBe('%PDF-');
    await run(pool(), 'update shop set logo = null');
  });
});

test('a name of 10,000 letters is refused in one sentence, wherever it is typed', () => {
  const name = 'Ó'.repeat(10_000);
  const most = 'At most 120 characters, please.';
  expect(intakeSchema.safeParse({ customerName: name }).error?.issues.map(({ message }) => message)).toEqual([most]);
  const yes = { kind: 'accept', place: 1, signed: name, ticked: [] };
  expect(answerSchema.safeParse(yes).error?.issues.map(({ message }) => message)).toEqual([most]);
});

test('an option taken off leaves what was agreed', async () => {
  const job = await till();
  must(await agree(job, { discount: REGULAR }));
  must(await dropPlan(shop.teo, job, 1));
  expect((await options(job)).map(({ place }) => place)).toEqual([2]);
  expect((await stateOf(job)).terms.discount).toEqual(REGULAR);
});
