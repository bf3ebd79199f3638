import { many, one, pool, run } from '../../../store/database';
import { READER } from '../../../testing/reader';
import { choose, must, openTestShop, original16, readTill, seen, stateOf, thirdParty16 } from '../../../testing/shop';
import { counterJobs } from '../counter';
import { saveIntake } from '../intake/intake';
import { agreeLimits } from '../limits/limits';
import { openQuote, sendQuote } from './quote';
import { type AnswerInput, answerQuote, answerSchema, replyTo } from './quote-answers';
import { quotePaper } from './quote-files';
import { takeForm } from './quote-page';

const shop = openTestShop();

/** A job with two options that are sent, and the link's token. */
async function sent(cover: 'warranty' | null = null, agreed = true): Promise<{ job: number; token: string }> {
  const job = await readTill(shop.teo);
  if (cover !== null) must(await saveIntake(shop.teo, job, { cover }));
  if (agreed) must(await agreeLimits(shop.teo, job, true));
  await choose(shop.teo, job, 1, thirdParty16);
  await choose(shop.teo, job, 2, original16);
  const { token } = must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
  return { job, token };
}

const yes = (place: number, signed = 'Hedda Vane', ticked: string[] = []): AnswerInput => ({
  kind: 'accept',
  place,
  signed,
  ticked,
});
const lapse = async (job: number) => {
  // A sent quote never changes: its day is moved behind the trigger's back.
  await run(pool(), 'alter table quote disable trigger quote_is_kept');
  await run(pool(), "update quote set valid_until = '2020-01-01' where job_id = $1", [job]);
  await run(pool(), 'alter table quote enable trigger quote_is_kept');
};
const standing = async (token: string) => (await openQuote(token))?.standing;

describe('a form that a browser sends without the page’s script', () => {
  const form = (said: [string, string][]) => new URLSearchParams(said);

  it('is kept like any other word, and of what was ticked only what belongs to the option', async () => {
    const { job, token } = await sent('warranty');
    const [first] = (await openQuote(token))?.quote.options ?? [];
    const statements = first?.statements ?? [];
    const typed: [string, string][] = [
      ['kind', 'accept'],
      ['place', '1'],
      ['signed', ' Hedda Vane '],
    ];
    const refused = await takeForm(token, form([...typed, ['ticked', 'Something else']]));
    expect(refused?.status).toBe(422);
    expect(refused?.text).toContain('One statement is not ticked yet');
    expect(refused?.text).toContain('value=" Hedda Vane "');
    expect(await standing(token)).toBe('open');
    const all = [...typed, ...['Something else', ...statements].map((one): [string, string] => ['ticked', one])];
    expect(await takeForm(token, form(all))).toBeNull();
    expect((await stateOf(job)).answers).toMatchObject([
      { kind: 'accepted', signed: 'Hedda Vane', ticked: statements },
    ]);
    const second = await takeForm(
      token,
      form([
        ['kind', 'accept'],
        ['place', '2'],
        ['signed', 'Ada Vane'],
      ]),
    );
    expect(second?.status).toBe(409);
    expect(second?.text).toContain('was accepted by Hedda Vane');
  });

  it('says what is missing: an option, a name, a question; and opens nothing by another link', async () => {
    const { job, token } = await sent();
    const said = async (...typed: [string, string][]) => takeForm(token, form(typed));
    expect((await said(['kind', 'accept'], ['signed', 'Hedda']))?.text).toContain('Choose an option first.');
    expect((await said(['kind', 'accept'], ['place', '1'], ['signed', ' ']))?.text).toContain('Type your name');
    expect((await said(['kind', 'ask'], ['words', ' ']))?.text).toContain('Type your question first.');
    expect((await stateOf(job)).answers).toEqual([]);
    expect(await said(['kind', 'ask'], ['words', 'When?'])).toBeNull();
    expect(await said(['kind', 'decline'], ['words', 'too dear'])).toBeNull();
    expect((await stateOf(job)).answers.map(({ kind, words }) => [kind, words])).toEqual([
      ['question', 'When?'],
      ['declined', 'too dear'],
    ]);
    expect((await takeForm('A'.repeat(43), form([['kind', 'decline']])))?.status).toBe(404);
  });
});

describe('a yes', () => {
  it('is kept with the option, the name and the day, and is an event of the job', async () => {
    const { job, token } = await sent();
    must(await answerQuote(token, yes(2)));
    const opened = await openQuote(token);
    expect(opened).toMatchObject({
      standing: 'accepted',
      answer: { kind: 'accepted', place: 2, signed: 'Hedda Vane' },
    });
    const { answers } = await stateOf(job);
    expect(answers).toMatchObject([{ kind: 'accepted', place: 2 }]);
    const events = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1 order by id', [job]);
    expect(events.at(-1)).toEqual({ kind: 'quote-accepted' });
  });

  it('that comes twice is one yes; another one is told kindly what was accepted', async () => {
    const { job, token } = await sent();
    must(await answerQuote(token, yes(1)));
    must(await answerQuote(token, yes(1)));
    expect((await stateOf(job)).answers.length).toBe(1);
    const other = await answerQuote(token, yes(2, 'Ada Vane'));
    expect(other).toMatchObject({ ok: false, code: 'conflict' });
    if (!other.ok) expect(other.sentence).toMatch(/^Option 1 was accepted already, by Hedda Vane on .*call us\.$/);
  });

  it('of ten windows at once is one', async () => {
    const { job, token } = await sent();
    const said = await Promise.all(
      Array.from({ length: 10 }, (_, nr) => answerQuote(token, yes(1 + (nr % 2), `Name ${nr}`))),
    );
    expect(said.filter(({ ok }) => ok).length).toBe(1);
    expect((await stateOf(job)).answers.length).toBe(1);
  });

  it('needs every statement of its option ticked, as it reads', async () => {
    const { job, token } = await sent('warranty');
    const [first] = (await openQuote(token))?.quote.options ?? [];
    const statements = first?.statements ?? [];
    expect(statements).toEqual([expect.stringContaining('under warranty')]);
    expect(first?.warnings).toEqual(expect.arrayContaining(statements));
    expect(await answerQuote(token, yes(1))).toMatchObject({
      code: 'bad-input',
      sentence: expect.stringContaining('not ticked'),
    });
    expect(await answerQuote(token, yes(1, 'Hedda Vane', ['I agree.']))).toMatchObject({ code: 'bad-input' });
    must(await answerQuote(token, yes(1, 'Hedda Vane', [...statements])));
    expect((await stateOf(job)).answers).toMatchObject([{ ticked: statements }]);
  });

  it('to an option that is not there, to a lapsed quote or a replaced one is refused', async () => {
    const { job, token } = await sent();
    expect(await answerQuote(token, yes(3))).toMatchObject({ code: 'bad-input' });
    await choose(shop.teo, job, 1, thirdParty16);
    const { token: newer } = must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
    expect(await answerQuote(token, yes(1))).toMatchObject({
      code: 'conflict',
      sentence: expect.stringContaining('newer'),
    });
    await lapse(job);
    expect(await standing(newer)).toBe('lapsed');
    expect(await answerQuote(newer, yes(1))).toMatchObject({
      code: 'conflict',
      sentence: expect.stringContaining('no longer'),
    });
  });

  it('holds after its day, and nobody can take it back or change it', async () => {
    const { job, token } = await sent();
    must(await answerQuote(token, yes(1)));
    await lapse(job);
    expect(await standing(token)).toBe('accepted');
    expect(await answerQuote(token, { kind: 'decline', words: '' })).toMatchObject({ code: 'conflict' });
    await expect(run(pool(), 'delete from quote_answer')).rejects.toThrow('what a customer said stays');
    await expect(run(pool(), "update quote_answer set signed = 'x'")).rejects.toThrow('what a customer said stays');
  });
});

describe('a no', () => {
  it('is kept with its reason, and a yes may still come', async () => {
    const { token } = await sent();
    must(await answerQuote(token, { kind: 'decline', words: 'too dear' }));
    expect(await openQuote(token)).toMatchObject({
      standing: 'declined',
      answer: { kind: 'declined', words: 'too dear' },
    });
    must(await answerQuote(token, yes(1)));
    expect(await standing(token)).toBe('accepted');
  });
});

describe('a question', () => {
  it('reaches the job and decides nothing; after twenty the telephone is better', async () => {
    const { job, token } = await sent();
    for (let nr = 0; nr < 20; nr++) must(await answerQuote(token, { kind: 'ask', words: `Question ${nr}?` }));
    expect(await answerQuote(token, { kind: 'ask', words: 'One more?' })).toMatchObject({ code: 'conflict' });
    expect(await standing(token)).toBe('open');
    expect((await stateOf(job)).answers.map(({ words }) => words)[0]).toBe('Question 0?');
  });
});

describe('an answer', () => {
  it('stands beside its question on the customer’s page, once, and the job waits for it no more', async () => {
    // Anyone who asks is waiting, though the limits are still to be looked at.
    const { job, token } = await sent(null, false);
    must(await answerQuote(token, { kind: 'ask', words: 'May I keep the old ones?' }));
    const waits = async () => (await counterJobs(READER)).jobs.find(({ id }) => id === job);
    expect(await waits()).toMatchObject({ next: 'quote', waitsFor: { on: 'question' } });
    const [question] = (await stateOf(job)).answers;
    const reply = { question: question?.id ?? 0, words: 'Yes, they are yours.' };
    must(await replyTo(shop.teo, job, reply));
    expect(await replyTo(shop.teo, job, reply)).toMatchObject({ code: 'conflict' });
    expect((await openQuote(token))?.questions).toMatchObject([
      { words: 'May I keep the old ones?', reply: { words: 'Yes, they are yours.' } },
    ]);
    expect((await waits())?.waitsFor).toEqual({ on: 'limits' });
    await expect(run(pool(), 'delete from quote_reply')).rejects.toThrow('what a customer said stays');
  });

  it('is given in its own job, to questions alone', async () => {
    const [one, other] = [await sent(), await sent()];
    must(await answerQuote(one.token, { kind: 'ask', words: 'When?' }));
    must(await answerQuote(other.token, { kind: 'decline', words: '' }));
    const [question] = (await stateOf(one.job)).answers;
    const [no] = (await stateOf(other.job)).answers;
    const reply = (id: number | undefined) => ({ question: id ?? 0, words: 'Soon.' });
    expect(await replyTo(shop.teo, other.job, reply(question?.id))).toMatchObject({ code: 'not-found' });
    expect(await replyTo(shop.teo, other.job, reply(no?.id))).toMatchObject({ code: 'not-found' });
  });
});

test('the counter says what a job with a quote waits for', async () => {
  const { job, token } = await sent();
  const waits = async () => (await counterJobs(READER)).jobs.find(({ id }) => id === job)?.waitsFor;
  must(await answerQuote(token, { kind: 'decline', words: '' }));
  expect(await waits()).toMatchObject({ on: 'declined' });
  must(await answerQuote(token, yes(2)));
  expect(await waits()).toEqual({ on: 'parts', place: 2 });
  const late = await sent();
  await lapse(late.job);
  expect((await counterJobs(READER)).jobs.find(({ id }) => id === late.job)?.waitsFor).toMatchObject({ on: 'lapsed' });
  const left = async (days: number) => {
    await pool().query('alter table quote disable trigger quote_is_kept');
    await pool().query('update quote set valid_until = current_date + $2::integer where job_id = $1', [late.job, days]);
    await pool().query('alter table quote enable trigger quote_is_kept');
    return (await counterJobs(READER)).jobs.find(({ id }) => id === late.job)?.waitsFor;
  };
  expect(await left(0)).toMatchObject({ on: 'lapses', days: 0 });
  expect(await left(1)).toMatchObject({ on: 'lapses', days: 1 });
  expect(await left(3)).toMatchObject({ on: 'lapses', days: 3 });
  expect(await left(4)).toEqual({ on: 'answer', quote: expect.stringMatching(/^[\d-]+$/) });
});

describe('a link', () => {
  it('notes the day on which the customer first opened it, and only that', async () => {
    const { job, token } = await sent();
    await openQuote(token);
    await quotePaper(token);
    expect((await stateOf(job)).sent[0]?.openedOn).toBeNull();
    await openQuote(token, true);
    const { at } = await one<{ at: Date }>(pool(), 'select opened_at as at from quote where job_id = $1', [job]);
    await openQuote(token, true);
    expect(await one(pool(), 'select opened_at as at from quote where job_id = $1', [job])).toEqual({ at });
    const { sent: versions, today } = await stateOf(job);
    expect(versions[0]?.openedOn).toBe(today);
  });

  it('that opens nothing answers nothing', async () => {
    for (const token of ['', 'x', 'a'.repeat(43), "' or true --"]) {
      expect(await answerQuote(token, yes(1))).toMatchObject({ code: 'not-found' });
    }
  });
});

test.each([
  [{ kind: 'accept', place: 1, signed: '  ', ticked: [] }, 'Type your name: it is your signature.'],
  [{ kind: 'accept', place: 1, signed: 'x'.repeat(10_000), ticked: [] }, 'At most 120 characters, please.'],
  [{ kind: 'ask', words: ' ' }, 'Type your question first.'],
  [{ kind: 'decline', words: 'x'.repeat(2_001) }, 'At most 2000 characters, please.'],
])('%j is refused in one sentence', (wrong, sentence) => {
  expect(answerSchema.safeParse(wrong).error?.issues[0]?.message).toBe(sentence);
});

test.each(['חנה וגנר', 'Åse Ødegård', '👩‍🔧 Hedda', '<b>Hedda</b>'])(
  'the name %s is kept as it was typed',
  async (signed) => {
    const { job, token } = await sent();
    must(await answerQuote(token, yes(1, signed)));
    expect((await stateOf(job)).answers).toMatchObject([{ signed }]);
  },
);
