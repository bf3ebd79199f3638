import { pool } from '../../store/database';
import { READER } from '../../testing/reader';
import { as, choose, must, openTestShop, readTill, stateOf, thirdParty16 } from '../../testing/shop';
import type { Caller, Right } from '../staff/access';
import { counterJobs } from './counter';
import { newJob, saveIntake, slotsSchema, takeReadings } from './intake/intake';
import { decideLimits } from './limits/limits';
import { saveSteering } from './options/steering';
import { writeLine } from './quote/quote-terms';

const shop = openTestShop();
let edda: Caller<Right>;
beforeAll(async () => {
  edda = await as('edda');
});

describe('two who write the same', () => {
  it('in an Intake field: the later one is told what the other wrote, and nothing is written over', async () => {
    const { id } = must(await newJob(shop.teo));
    const write = (caller: Caller<Right>, name: string, seen: string) =>
      saveIntake(caller, id, { customerName: name }, { customerName: seen });
    must(await write(shop.teo, 'Hedda Vane', ''));
    expect(await write(edda, 'Hedda Wane', '')).toEqual({
      ok: false,
      code: 'conflict',
      sentence: 'Somebody else changed this meanwhile. Choose which value stays.',
      theirs: { customerName: 'Hedda Vane' },
    });
    expect((await stateOf(id)).job.customer.name).toBe('Hedda Vane');
    must(await write(edda, 'Hedda Wane', 'Hedda Vane'));
    expect((await stateOf(id)).job.customer.name).toBe('Hedda Wane');
  });

  it('twenty at once: one is saved, nineteen are told', async () => {
    const { id } = must(await newJob(shop.teo));
    const all = await Promise.all(
      Array.from({ length: 20 }, (_, nr) => saveIntake(edda, id, { phone: `0555 ${nr}` }, { phone: '' })),
    );
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
    const [saved] = all.flatMap((one, nr) => (one.ok ? [`0555 ${nr}`] : []));
    expect((await stateOf(id)).job.customer.phone).toBe(saved);
    for (const one of all) if (!one.ok) expect(one.theirs).toEqual({ phone: saved });
  });

  it('in different fields: both keep theirs', async () => {
    const { id } = must(await newJob(shop.teo));
    const [phone, need] = await Promise.all([
      saveIntake(edda, id, { phone: '0555 1' }, { phone: '' }),
      saveIntake(shop.teo, id, { needMiB: 16384, uses: ['photos'] }, { needMiB: null, uses: [] }),
    ]);
    expect([phone.ok, need.ok]).toEqual([true, true]);
    expect((await stateOf(id)).job).toMatchObject({ customer: { phone: '0555 1' }, needMiB: 16384, uses: ['photos'] });
  });

  it('in a line of an option', async () => {
    const id = await readTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    const write = (caller: Caller<Right>, eachCents: number, seen: number | null) =>
      writeLine(caller, id, 1, { key: 'labour', text: null, eachCents, seen: { text: null, eachCents: seen } });
    must(await write(shop.teo, 1500, null));
    expect(await write(edda, 2500, null)).toMatchObject({ code: 'conflict', theirs: { eachCents: 1500 } });
    must(await write(edda, 2500, 1500));
  });

  it('in a decision on a limit', async () => {
    const id = await readTill(shop.teo);
    const decide = (value: number, seen: number | null) =>
      decideLimits(shop.teo, id, { decisions: [{ limit: 'totalMiB', value, seen }] });
    must(await decide(32_768, null));
    expect(await decide(16_384, null)).toMatchObject({ code: 'conflict', theirs: { totalMiB: 32_768 } });
    expect((await stateOf(id)).limits.totalMiB?.value).toBe(32_768);
    must(await decide(16_384, 32_768));
  });

  it('in how the ladder is steered: what each changed stays, the same thing is told', async () => {
    const id = await readTill(shop.teo);
    const { job } = await stateOf(id);
    const seen = { ...job.steering, needMiB: job.needMiB, budgetCents: job.budgetCents };
    must(await saveSteering(shop.teo, id, { ...seen, budgetCents: 9000 }, seen));
    const merged = must(await saveSteering(edda, id, { ...seen, freeSlots: 1 }, seen));
    expect(merged).toMatchObject({ budgetCents: 9000, freeSlots: 1 });
    expect(await saveSteering(edda, id, { ...seen, budgetCents: 8000 }, seen)).toMatchObject({
      code: 'conflict',
      theirs: { budgetCents: 9000 },
    });
    expect((await stateOf(id)).job).toMatchObject({ budgetCents: 9000, steering: { freeSlots: 1 } });
  });
});

describe('what cannot be', () => {
  const huge = (size: string) =>
    `Handle 0x0011, DMI type 17, 40 bytes\nMemory Device\n\tSize: ${size}\n\tLocator: DIMM_A1\n\tType: DDR4\n\tSpeed: 2400 MT/s\n`;

  it('in a report is left out with a warning, and asked', async () => {
    const { id } = must(await newJob(edda));
    const input = new TextEncoder().encode(huge('8000000000 TB'));
    const taken = must(await takeReadings(edda, id, [{ name: 'report', input }]));
    expect(taken.inputs[0]).toMatchObject({ ok: true });
    const { slots } = await stateOf(id);
    expect(slots[0]?.module?.capacityMiB ?? null).toBeNull();
    expect((await counterJobs(READER)).jobs.find((job) => job.id === id)?.totalMiB).toBe(0);
  });

  it('in a slot is refused by its bounds, at the door and in the database', async () => {
    const id = await readTill(shop.teo);
    const { slots } = await stateOf(id);
    const with16TiB = (capacityMiB: number) =>
      slots.map((slot) => (slot.module === null ? slot : { ...slot, module: { ...slot.module, capacityMiB } }));
    for (const capacityMiB of [Number.MAX_SAFE_INTEGER, 16_777_217])
      expect(slotsSchema.safeParse({ version: 1, slots: with16TiB(capacityMiB) }).success).toBe(false);
    expect(slotsSchema.safeParse({ version: 1, slots: with16TiB(16_777_216) }).success).toBe(true);
    expect(slotsSchema.safeParse({ version: 2 ** 31, slots }).success).toBe(false);
    const write = `update job_slot set module = jsonb_set(module, '{capacityMiB}', '9007199254740991') where job_id = $1 and module is not null`;
    await expect(pool().query(write, [id])).rejects.toThrow(/job_slot_module_is_bounded/);
  });

  it('and was let in before there were bounds shows as broken, and takes no other job away', async () => {
    const id = await readTill(shop.teo);
    const others = (await counterJobs(READER)).jobs.filter((job) => job.id !== id).length;
    await pool().query('alter table job_slot drop constraint job_slot_module_is_bounded');
    try {
      for (const capacity of ['9007199254740991', '16777217', '"20000000"']) {
        await pool().query(
          `update job_slot set module = jsonb_set(module, '{capacityMiB}', $2::jsonb) where job_id = $1 and module is not null`,
          [id, capacity],
        );
        const { jobs } = await counterJobs(READER);
        expect(jobs.filter((job) => job.id !== id)).toHaveLength(others);
        expect(jobs.find((job) => job.id === id)).toMatchObject({
          totalMiB: 0,
          waitsFor: { on: 'slots' },
        });
      }
    } finally {
      await pool().query(`delete from job_slot where job_id = ${id}`);
    }
  });
});
