import { many, pool } from '../../../store/database';
import { sentTill } from '../../../testing/bench';
import { READER } from '../../../testing/reader';
import { as, must, openTestShop, stateOf } from '../../../testing/shop';
import { papersSchema, savePapers, showPapers } from '../../shop/papers';
import { changeLink } from './change-link';
import { answerQuote, replyTo } from './quote-answers';
import { quotePaper } from './quote-files';
import { showQuotePage } from './quote-page';

const shop = openTestShop();

async function sent(): Promise<{ job: number; token: string }> {
  const job = await sentTill(shop.teo);
  return { job, token: (await stateOf(job)).links.values().next().value?.token ?? '' };
}

describe('the PDF of a sent quote', () => {
  it('is made once, however many ask at once, and is the same ever after', async () => {
    const { token } = await sent();
    const asked = await Promise.all(Array.from({ length: 10 }, () => quotePaper(token)));
    const [first] = asked;
    if (first == null) throw new Error('no paper');
    for (const one of asked) expect(one?.bytes.equals(first.bytes)).toBe(true);
    const rows = await many(pool(), 'select quote_id from quote_paper where pdf = $1', [first.bytes]);
    expect(rows).toHaveLength(1);
    // The shop prints on other paper from now on: what was sent stays as it was.
    const { hasLogo: _, ...papers } = await showPapers(READER);
    must(await savePapers(await as('runa'), { ...papers, paper: papers.paper === 'A4' ? 'Letter' : 'A4' }));
    expect((await quotePaper(token))?.bytes.equals(first.bytes)).toBe(true);
    const another = await quotePaper((await sent()).token);
    expect(another?.bytes.includes('/MediaBox [0 0 612 792]')).toBe(true);
    must(await savePapers(await as('runa'), papers));
    await expect(pool().query('delete from quote_paper')).rejects.toThrow(/is kept/);
  });

  it('is not handed out by a link that was withdrawn, though it is kept', async () => {
    const { job, token } = await sent();
    expect(await quotePaper(token)).not.toBeNull();
    must(await changeLink(shop.teo, job, { version: 1, to: 'withdrawn' }));
    expect(await quotePaper(token)).toBeNull();
    expect(await quotePaper('short')).toBeNull();
  });
});

describe('the customer’s page', () => {
  it('has the button’s words as the shop set them, at once', async () => {
    const { token } = await sent();
    const before = await showQuotePage(token, true);
    expect(before.text).toContain('<button class="act">Accept</button>');
    const { hasLogo: _, ...papers } = await showPapers(READER);
    const acceptWords = { en: 'Order with obligation to pay', de: '', fr: '' };
    must(await savePapers(await as('runa'), { ...papers, acceptWords }));
    const after = await showQuotePage(token, true);
    expect(after.text).toContain('<button class="act">Order with obligation to pay</button>');
    expect(after.etag).not.toBe(before.etag);
    expect((await showPapers(READER)).acceptWords).toEqual(acceptWords);
    must(await savePapers(await as('runa'), papers));
    expect((await showQuotePage(token, true)).etag).toBe(before.etag);
  });

  it.each([
    [{ en: 'x'.repeat(61) }, 'A button has at most 60 characters.'],
    [{ es: 'Aceptar' }, /./],
    // What does not say them does not wipe them either.
    [undefined, /./],
  ])('takes no words such as %j', (acceptWords, sentence) => {
    const papers = { language: 'en', paper: 'A4', mailFrom: '', remindDays: 3, acceptWords };
    expect(papersSchema.safeParse(papers).error?.issues[0]?.message).toMatch(sentence);
  });

  it('has the same etag while nothing changes, and another as soon as something does', async () => {
    const { job, token } = await sent();
    const etag = async () => (await showQuotePage(token, true)).etag;
    const first = await etag();
    expect(first).toMatch(/^"[\w-]{27}"$/);
    expect(await etag()).toBe(first);
    must(await answerQuote(token, { kind: 'ask', words: 'When is it here?' }));
    const asked = await showQuotePage(token, true);
    expect(asked.etag).not.toBe(first);
    expect(asked.text).toContain('When is it here?');
    const question = (await stateOf(job)).answers[0]?.id ?? 0;
    must(await replyTo(shop.teo, job, { question, words: 'On Friday.' }));
    const replied = await showQuotePage(token, true);
    expect(replied.text).toContain('On Friday.');
    expect(replied.etag).not.toBe(asked.etag);
    must(await answerQuote(token, { kind: 'accept', place: 1, signed: 'Hedda Vane', ticked: [] }));
    expect((await showQuotePage(token, true)).text).toContain('was accepted by Hedda Vane');
    must(await changeLink(shop.teo, job, { version: 1, to: 'withdrawn' }));
    expect(await showQuotePage(token, true)).toMatchObject({ status: 404 });
  });
});
