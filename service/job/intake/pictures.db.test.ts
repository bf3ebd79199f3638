import sharp from 'sharp';
import { endPhotoThread } from '../../../outward/pictures/photo-text';
import { drawn, labelPhoto } from '../../../outward/testing/made-photo';
import { one, pool } from '../../../store/database';
import { deleteEmptyJob } from '../../../store/job/jobs';
import { READER } from '../../../testing/reader';
import { as, must, openTestShop, stateOf } from '../../../testing/shop';
import { opensOf } from '../codes';
import { linksOf } from '../quote/quote-links';
import { newJob } from './intake';
import { changePicture, removePicture, showPicture, takePicture } from './pictures';

const shop = openTestShop();
afterAll(endPhotoThread);

const LABEL = ['Vellamo', '8GB 1Rx8 PC4-2666V-SE1-11'];
const sent = (input: Uint8Array, more: { plain?: boolean; station?: 'intake' | 'fitting' | 'proof' } = {}) => ({
  name: 'label.png',
  input,
  station: more.station ?? ('intake' as const),
  plain: more.plain ?? false,
});

const events = async (jobId: number): Promise<string[]> =>
  (
    await one<{ kinds: string[] }>(
      pool(),
      "select coalesce(array_agg(kind order by id), '{}') as kinds from event where job_id = $1 and kind like 'picture%'",
      [jobId],
    )
  ).kinds;

describe('a photograph of a job', () => {
  it('is kept with its words, which change nothing before somebody reads them', async () => {
    const { id } = must(await newJob(shop.teo));
    const taken = must(await takePicture(shop.teo, id, sent(await labelPhoto(LABEL))));
    expect(taken.sentence).toBe(null);
    const { pictures, slots, readings } = await stateOf(id);
    expect([slots, readings]).toEqual([[], []]);
    expect(pictures).toMatchObject([
      { id: taken.id, station: 'intake', name: 'label.png', caption: '', inFitting: false },
    ]);
    expect(pictures[0]?.words?.lines.map((line) => line.map(({ text }) => text).join(' '))).toEqual(LABEL);
    const bytes = await showPicture(READER, id, taken.id);
    expect((await sharp(bytes ?? Buffer.alloc(0)).metadata()).format).toBe('jpeg');
    must(await changePicture(shop.teo, id, taken.id, { settled: 'read' }));
    must(await changePicture(shop.teo, id, taken.id, { caption: 'the label in the lid', inFitting: true }));
    expect((await stateOf(id)).pictures).toMatchObject([
      { words: null, caption: 'the label in the lid', inFitting: true },
    ]);
    must(await removePicture(shop.teo, id, taken.id));
    expect((await stateOf(id)).pictures).toEqual([]);
    expect(await events(id)).toEqual(['picture-added', 'picture-changed', 'picture-changed', 'picture-removed']);
  }, 60_000);

  it('is kept without words too, and one for the bench is shown there at once', async () => {
    const { id } = must(await newJob(shop.teo));
    const ground = { width: 300, height: 200, channels: 3, background: '#ccc' } as const;
    const plain = await sharp({ create: ground }).jpeg().toBuffer();
    expect(must(await takePicture(shop.teo, id, sent(plain))).sentence).toMatch(/^No words were found.*is kept\.$/);
    must(await takePicture(shop.teo, id, sent(plain, { plain: true, station: 'fitting' })));
    expect((await stateOf(id)).pictures.map(({ words, inFitting }) => [words, inFitting])).toEqual([
      [null, false],
      [null, true],
    ]);
    // Somebody took the trouble: the job is not empty.
    expect(await deleteEmptyJob(pool(), id)).toBe(false);
  }, 60_000);

  it('is refused where it is none, where there are enough, and where the job is not', async () => {
    const { id } = must(await newJob(shop.teo));
    expect(await takePicture(shop.teo, id, sent(Buffer.from('hello')))).toMatchObject({ code: 'bad-input' });
    expect(await takePicture(shop.teo, 999_999, sent(Buffer.from('hello')))).toMatchObject({ code: 'not-found' });
    await pool().query(
      `insert into job_picture (job_id, station, name, bytes, width, height, words, settled)
       select $1, 'intake', 'x', '\\x00', 1, 1, '{}', 'left' from generate_series(1, 24)`,
      [id],
    );
    const picture = sent(await labelPhoto(['8GB']), { plain: true });
    expect(await takePicture(shop.teo, id, picture)).toMatchObject({ code: 'conflict' });
    expect((await stateOf(id)).pictures).toHaveLength(24);
  });

  it('is its own job’s alone', async () => {
    const { id } = must(await newJob(shop.teo));
    const other = must(await newJob(await as('edda'))).id;
    const { id: picture } = must(await takePicture(shop.teo, id, sent(await labelPhoto(['8GB']), { plain: true })));
    expect(await showPicture(READER, other, picture)).toBe(null);
    expect(await changePicture(shop.teo, other, picture, { settled: 'left' })).toMatchObject({ code: 'not-found' });
    expect(await removePicture(shop.teo, other, picture)).toMatchObject({ code: 'not-found' });
    expect(await showPicture(READER, id, picture)).not.toBe(null);
  });

  it('shows a code of a job with the words around it', async () => {
    const { id } = must(await newJob(shop.teo));
    const text = `http://shop.example:4200/jobs/${id}/intake`;
    const picture = await drawn({ lines: ['Petrel Street'], codes: [{ text, symbology: 'QRCode' }] });
    must(await takePicture(shop.teo, id, sent(picture)));
    const [kept] = (await stateOf(id)).pictures;
    expect(kept?.words?.codes.map((code) => code.text)).toEqual([text]);
  }, 60_000);
});

describe('a code of the shop’s own', () => {
  const HOSTS = ['shop.example', '10.0.0.5:4200'];

  it('opens its job at the station that it names', async () => {
    const { id } = must(await newJob(shop.teo));
    expect(await opensOf(READER, `http://10.0.0.5:4200/jobs/${id}/fitting`, HOSTS)).toEqual({
      path: `/jobs/${id}/fitting`,
      text: `Open job ${id}`,
    });
    expect(await opensOf(READER, `https://shop.example/jobs/${id}`, HOSTS)).toMatchObject({ path: `/jobs/${id}` });
    expect(await opensOf(READER, `https://shop.example/jobs/${id}/anything`, HOSTS)).toMatchObject({
      path: `/jobs/${id}`,
    });
  });

  test.each([
    'https://elsewhere.example/jobs/1/intake',
    'https://shop.example/jobs/999999',
    'https://shop.example/models/1',
    'https://shop.example/q/AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA',
    'javascript:alert(1)',
    '2026-9999',
    'VE4D8-2400',
    '',
  ])('is none: %s', async (text) => {
    expect(await opensOf(READER, text, HOSTS)).toBe(null);
  });

  it('opens a quote by its number and by the customer’s link', async () => {
    const sentQuote = await one<{ id: number; number: string; jobId: number }>(
      pool(),
      `select id, number, job_id as "jobId" from quote where state = 'sent' order by id limit 1`,
    );
    const opens = { path: `/jobs/${sentQuote.jobId}/quote`, text: `Open quote ${sentQuote.number}` };
    expect(await opensOf(READER, ` ${sentQuote.number} `, HOSTS)).toEqual(opens);
    const link = (await linksOf(pool(), [sentQuote.id])).get(sentQuote.id);
    expect(await opensOf(READER, `https://shop.example/q/${link?.token}`, HOSTS)).toEqual(opens);
  });
});
