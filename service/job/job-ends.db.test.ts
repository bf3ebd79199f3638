import { many, pool, run } from '../../store/database';
import { openOwnShop, ownModel } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { must, stateOf } from '../../testing/shop';
import { counterJobs } from './counter';
import { newJob, pickModel, saveIntake } from './intake/intake';
import { closedJobs, closeSchema, endJob, removeJob, takeUpJob } from './job-ends';

const shop = openOwnShop();

const listed = async () => (await counterJobs(READER)).jobs.map(({ id }) => id);
const begun = async (name: string): Promise<number> => {
  const { id } = must(await newJob(shop.tam));
  must(await saveIntake(shop.tam, id, { customerName: name }));
  return id;
};

describe('a job', () => {
  it('is on the list once something is in it, and forgotten where nothing ever is', async () => {
    const { id: empty } = must(await newJob(shop.tam));
    expect(await listed()).toEqual([]);
    const id = await begun('Ada');
    expect(await listed()).toEqual([id]);
    await run(pool(), "update job set created_at = now() - interval '2 days' where id = $1", [empty]);
    must(await newJob(shop.tam));
    expect(await many(pool(), 'select 1 from job where id = $1', [empty])).toEqual([]);
    expect(await listed()).toEqual([id]);
  });

  it('is deleted while it is empty, else it says to close it', async () => {
    const { id } = must(await newJob(shop.tam));
    must(await removeJob(shop.tam, id));
    expect(await removeJob(shop.tam, id)).toMatchObject({ ok: false, code: 'not-found' });
    const named = await begun('Bo');
    expect(await removeJob(shop.tam, named)).toMatchObject({
      ok: false,
      sentence: 'Something is in this job: close it with a reason instead.',
    });
    // What is emptied again can go.
    must(await saveIntake(shop.tam, named, { customerName: '' }));
    must(await removeJob(shop.tam, named));
    const modelled = must(await newJob(shop.tam)).id;
    must(await pickModel(shop.tam, modelled, await ownModel('Ends 1')));
    expect(await removeJob(shop.tam, modelled)).toMatchObject({ ok: false, code: 'conflict' });
  });

  it('is closed with a reason, found among the closed ones, and reopened', async () => {
    const id = await begun('Cy');
    expect(closeSchema.safeParse({ as: 'dropped' }).error?.issues[0]?.message).toBe('Enter the reason in a few words.');
    must(await endJob(shop.tam, id, closeSchema.parse({ as: 'not-possible', why: 'all of it is soldered' })));
    expect(await listed()).not.toContain(id);
    expect((await closedJobs(READER, 1)).jobs[0]).toMatchObject({
      id,
      customer: 'Cy',
      closedAs: 'not-possible',
      closedWhy: 'all of it is soldered',
    });
    expect(await endJob(shop.tam, id, { as: 'done', why: '' })).toMatchObject({ ok: false, code: 'conflict' });
    must(await takeUpJob(shop.tam, id));
    expect(await listed()).toContain(id);
    expect((await stateOf(id)).job).toMatchObject({ closedAt: null, closedAs: null, closedWhy: '' });
    expect(await takeUpJob(shop.tam, id)).toMatchObject({ ok: false, code: 'conflict' });
  });
});
