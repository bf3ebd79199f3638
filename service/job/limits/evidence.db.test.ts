import { partKey } from '../../../core/machine/models/model';
import { reportText } from '../../../demo/report';
import { textInput } from '../../../scripts/text-input';
import { many, pool } from '../../../store/database';
import { READER } from '../../../testing/reader';
import { modelId, must, openTestShop, readTill, stateOf, loadedTrial as trial } from '../../../testing/shop';
import { keepAsModel, showModel } from '../../library/library';
import { saveNeeds, showNeeds } from '../../shop/needs';
import { takeEarlier } from '../earlier';
import { find } from '../find';
import { newJob, pickModel, saveIntake, takeReadings } from '../intake/intake';
import { addTestedList, recordTrial, removeClaim } from './evidence';
import { decideLimits } from './limits';

const shop = openTestShop();
const GB = 1024;

describe('evidence', () => {
  it('lifts what was proven, in sisters of the same board too, and never averages', async () => {
    const { id } = must(await newJob(shop.teo));
    must(await pickModel(shop.teo, id, await modelId('Counter 5')));
    expect((await stateOf(id)).limits.provenTotalMiB).toBeNull();
    must(await recordTrial(shop.teo, await modelId('Counter 4', 2021), { ...trial, totalMiB: 96 * GB, modules: 2 }));
    const { limits, trials } = await stateOf(id);
    expect(limits.provenTotalMiB).toMatchObject({ value: 96 * GB, source: { name: 'worked in 1 test' } });
    expect(trials).toMatchObject([{ sister: 'board', model: 'Tarnholt Counter 4', by: 'Teo Marsh' }]);
    must(
      await recordTrial(shop.teo, await modelId('Counter 5'), {
        ...trial,
        outcome: 'fails-to-start',
        depth: 'started',
      }),
    );
    expect((await stateOf(id)).limits.failedModuleMiB).toBeNull();
    must(
      await recordTrial(shop.teo, await modelId('Counter 5'), {
        ...trial,
        moduleMiB: 48 * GB,
        totalMiB: 96 * GB,
        outcome: 'fails-to-start',
        depth: 'started',
      }),
    );
    expect((await stateOf(id)).limits.failedModuleMiB?.value).toEqual([48 * GB]);
  });

  it('about parts is kept with the model, and offers of these parts say whose list it is', async () => {
    const { id } = must(await newJob(shop.teo));
    const model = await modelId('Counter 4', 2018);
    must(await pickModel(shop.teo, id, model));
    const { market } = await stateOf(id);
    const part = market.offers.map((offer) => offer.module.part).find((one) => one != null) ?? '';
    must(await addTestedList(shop.teo, model, { list: 'Vellamo, spring', parts: `${part.toLowerCase()}\nXX-1` }));
    const named = [...(await stateOf(id)).market.supplies.values()].filter(({ testedBy }) => testedBy.length > 0);
    const same = market.offers.filter(
      (offer) => offer.module.part != null && partKey(offer.module.part) === partKey(part),
    );
    expect(named).toHaveLength(same.length);
    expect(named[0]?.testedBy).toEqual(['Vellamo, spring']);
    expect(await addTestedList(shop.teo, model, { list: 'x', parts: '--' })).toMatchObject({ ok: false });
    expect(await addTestedList(shop.teo, model, { list: 'x', parts: ' \n' })).toMatchObject({ ok: false });
  });
});

describe('a decision', () => {
  it('keeps who, when and why, and can be made part of the model', async () => {
    const id = await readTill(shop.teo);
    const input = {
      decisions: [{ limit: 'totalMiB', value: 32 * GB }],
      why: 'seen on its sister',
      intoModel: true,
    } as const;
    must(await decideLimits(shop.teo, id, { ...input, decisions: [...input.decisions] }));
    expect((await stateOf(id)).limits.totalMiB?.source).toMatchObject({
      kind: 'technician',
      name: 'Teo Marsh',
      note: 'seen on its sister',
      on: new Date().toISOString().slice(0, 10),
    });
    const { id: next } = must(await newJob(shop.teo));
    must(await pickModel(shop.teo, next, await modelId('Counter 4', 2018)));
    expect((await stateOf(next)).limits.totalMiB).toMatchObject({
      value: 32 * GB,
      source: { kind: 'technician', note: 'seen on its sister', by: 'Teo Marsh' },
    });
    const events = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1', [id]);
    expect(events.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['limit-decided', 'model-learned']));
    must(
      await removeClaim(shop.teo, await modelId('Counter 4', 2018), {
        limit: 'totalMiB',
        kind: 'technician',
        name: 'Teo Marsh',
      }),
    );
  });

  it('on several limits is all or nothing, and needs a model to become part of one', async () => {
    const { id } = must(await newJob(shop.teo));
    const both = [
      { limit: 'totalMiB', value: 8 * GB },
      { limit: 'moduleMiB', value: -1 },
    ] as const;
    expect(await decideLimits(shop.teo, id, { decisions: [...both] })).toMatchObject({ ok: false, code: 'bad-input' });
    expect((await stateOf(id)).limits.totalMiB).toBeNull();
    const [first] = both;
    expect(await decideLimits(shop.teo, id, { decisions: [first], intoModel: true })).toMatchObject({
      ok: false,
      code: 'conflict',
    });
    expect((await stateOf(id)).limits.totalMiB).toBeNull();
  });
});

describe('a machine that nobody knows', () => {
  const report = reportText({
    maker: 'Halvern',
    product: 'HV-77',
    serial: 'HV-1',
    cpu: 'Tern 9',
    maxGb: 32,
    devices: [
      { locator: 'ChannelA-DIMM0', mb: 8192, rate: 2666, configured: 2400, ranks: 1 },
      { locator: 'ChannelB-DIMM0', mb: null },
    ],
  });

  it('has a total that only informs and a rate that holds, and is kept as a model for the next', async () => {
    const { id } = must(await newJob(shop.teo));
    must(await takeReadings(shop.teo, id, [textInput('report', report)]));
    const { limits, claims } = await stateOf(id);
    expect(limits.totalMiB).toBeNull();
    expect(claims.filter(({ limit }) => limit === 'totalMiB')).toMatchObject([{ value: 32 * GB }]);
    expect(limits.cpuMaxRateMTs).toMatchObject({ value: 2400, source: { kind: 'reading' } });

    const named = { maker: 'Halvern', name: 'Vane 77', yearFrom: 2019 };
    const { modelId: kept } = must(await keepAsModel(shop.teo, id, named));
    expect(await keepAsModel(shop.teo, id, named)).toMatchObject({ ok: false, code: 'conflict' });
    expect((await showModel(READER, kept))?.model).toMatchObject({
      productStrings: ['hv-77'],
      cpus: [{ name: 'Tern 9' }],
    });
    const { id: next } = must(await newJob(shop.teo));
    must(await takeReadings(shop.teo, next, [textInput('report', report.replace('HV-1', 'HV-2'))]));
    const state = await stateOf(next);
    expect(state.job).toMatchObject({ modelId: kept, machineName: 'Vane 77' });
    expect(state.limits.generations).toMatchObject({ value: ['DDR4'], source: { kind: 'technician' } });
    const { id: blank } = must(await newJob(shop.teo));
    expect(await keepAsModel(shop.teo, blank, { ...named, name: 'Blank' })).toMatchObject({
      ok: false,
      code: 'conflict',
    });
  });

  it('whose model has several CPUs is held to the tightest until somebody says which', async () => {
    const { id } = must(await newJob(shop.teo));
    must(await pickModel(shop.teo, id, await modelId('Keystone B5')));
    expect((await stateOf(id)).limits.cpuMaxMiB).toMatchObject({ value: 64 * GB, contested: true });
    must(await saveIntake(shop.teo, id, { cpu: 'Merle 7700' }));
    expect((await stateOf(id)).limits.cpuMaxMiB).toMatchObject({ value: 192 * GB, contested: false });
    must(await saveIntake(shop.teo, id, { cpu: 'something else' }));
    expect((await stateOf(id)).limits.cpuMaxMiB).toBeNull();
    must(await saveIntake(shop.teo, id, { osBits: 32 }));
    expect((await stateOf(id)).limits.osVisibleMiB).toMatchObject({ value: 3584, source: { kind: 'system' } });
  });
});

describe('somebody who was here before', () => {
  it('is known by telephone, e-mail, serial or name, and the job goes on from there', async () => {
    const first = await readTill(shop.teo);
    must(
      await saveIntake(shop.teo, first, { customerName: 'Runa Holm', phone: '0555-0177', email: 'runa@holm.example' }),
    );
    const { id } = must(await newJob(shop.teo));
    expect((await find(READER, { text: '0555 0177', jobId: id })).jobs).toMatchObject([{ id: first, by: 'phone' }]);
    expect((await find(READER, { text: 'Runa@Holm.example', jobId: id })).jobs).toMatchObject([
      { id: first, by: 'email' },
    ]);
    expect((await find(READER, { text: 'runa hollm', jobId: id })).jobs).toMatchObject([{ id: first, by: 'name' }]);
    must(await saveIntake(shop.teo, id, { serial: 's-1' }));
    expect((await stateOf(id)).earlier.map((one) => [one.id, one.by])).toContainEqual([first, 'serial']);

    must(await takeEarlier(shop.teo, id, { from: first, what: 'machine' }));
    const { job, slots, earlier } = await stateOf(id);
    expect(job.customer).toMatchObject({ name: 'Runa Holm', phone: '0555-0177' });
    expect(job).toMatchObject({ machineName: 'Counter 4', serial: 'S-1' });
    expect(
      slots.map(({ name, module, moduleSource }) => [name, module?.capacityMiB ?? null, moduleSource]),
    ).toContainEqual(['A2', 8 * GB, 'earlier']);
    expect(earlier.find((one) => one.id === first)?.by).toBe('serial');
    expect(await takeEarlier(shop.teo, id, { from: id, what: 'machine' })).toMatchObject({
      ok: false,
      code: 'not-found',
    });
  });
});

describe('what the shop holds people to need', () => {
  it('is a table of its own, with no name twice', async () => {
    const needs = await showNeeds(READER);
    expect(needs.uses.length).toBe(8);
    must(await saveNeeds(shop.teo, { ...needs, floorMiB: 4 * GB, uses: needs.uses.slice(1) }));
    expect(await showNeeds(READER)).toMatchObject({ floorMiB: 4 * GB, uses: needs.uses.slice(1) });
    const [first] = needs.uses;
    if (first === undefined) throw new Error('no use');
    expect(await saveNeeds(shop.teo, { ...needs, uses: [first, first] })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
  });
});
