import { type NewTrial, partKey } from '../core/machine/model';
import { reportText } from '../demo/report';
import { must, openTestShop, readTill, stateOf } from '../scripts/test-shop';
import { textInput } from '../scripts/text-input';
import { many, pool } from '../store/database';
import { takeEarlier } from './earlier';
import { addClaim, addTestedList, recordTrial, removeClaim, takeTrialBack } from './evidence';
import { find } from './find';
import { newJob, pickModel, saveIntake, takeReadings } from './intake';
import {
  exportModels,
  importModels,
  keepAsModel,
  likelyTwins,
  mergeTwins,
  modelLibrary,
  saveModel,
  showModel,
} from './library';
import { decideLimits } from './limits';
import { saveNeeds, showNeeds } from './needs';
import { addPhoto, showPhoto, takePhotoOut } from './photos';

const shop = openTestShop();
const GB = 1024;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const HEAD = 'maker,name,year_from,model_ids,slots,source_kind,source,total';

async function modelId(name: string, yearFrom = 0): Promise<number> {
  const [found] = await many<{ id: number }>(
    pool(),
    'select id from model where name = $1 and (year_from = $2 or $2 = 0) order by id limit 1',
    [name, yearFrom],
  );
  if (found === undefined) throw new Error(`no model ${name}`);
  return found.id;
}

const trial: NewTrial = {
  moduleMiB: 32 * GB,
  generation: 'DDR4',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 2666,
  modules: 2,
  slots: ['A2', 'B2'],
  totalMiB: 64 * GB,
  firmware: '1.14',
  cpu: '',
  outcome: 'works',
  depth: 'loaded',
  note: '',
  on: '2026-11-20',
};

describe('a file of models', () => {
  it('of 2,000 rows with five bad ones: the good ones are in, the bad ones named, none half', async () => {
    const rows = Array.from({ length: 2000 }, (_, index) => {
      if (index % 400 === 7) return `Corrin,Row ${index},2015,,A1;A1,maker-page,page,8 GB`;
      return `Corrin,Row ${index},2015,CR-${index},A1;B1,maker-page,page,${8 + (index % 4) * 8} GB`;
    });
    const before = (await modelLibrary()).count;
    const told = must(await importModels(shop.teo, bytes([HEAD, ...rows].join('\r\n'))));
    expect(told).toMatchObject({ added: 1995, merged: 0, same: 0, counts: 'line', left: [] });
    expect(told.refused).toEqual(
      [7, 407, 807, 1207, 1607].map((index) => ({ at: index + 2, sentence: 'slots: Two slots are called A1.' })),
    );
    expect((await modelLibrary()).count).toBe(before + 1995);
    const [{ count } = { count: -1 }] = await many<{ count: number }>(
      pool(),
      "select count(*) as count from model where name in ('Row 7', 'Row 407')",
    );
    expect(count).toBe(0);
    // The same file again changes nothing.
    expect(must(await importModels(shop.teo, bytes([HEAD, rows[0]].join('\n'))))).toMatchObject({ added: 0, same: 1 });
  }, 120_000);

  it('teaches a model that is known, and says what it left', async () => {
    const row = 'Tarnholt,Counter 5,2021,TC5-2177,X1;Y1,lid-label,label in the lid,32 GB';
    expect(must(await importModels(shop.teo, bytes([HEAD, row].join('\n'))))).toMatchObject({
      added: 0,
      merged: 1,
      left: [{ at: 2, sentence: 'its slots differ (X1 Y1) and were not taken' }],
    });
    const page = await showModel(await modelId('Counter 5'));
    expect(page?.model.modelIds).toContain('TC5-2177');
    expect(page?.model.slots.map(({ name }) => name)).toEqual(['A1', 'B1']);
    expect(page?.claims.map(({ sourceName }) => sourceName)).toContain('label in the lid');
    expect((await find({ text: 'tc5 2177', jobId: 0 })).models[0]?.name).toBe('Counter 5');
  });

  it('goes out and comes back the same, everything that stands on the models', async () => {
    const json = await exportModels('json');
    const told = must(await importModels(shop.teo, bytes(json)));
    expect(told).toMatchObject({ added: 0, merged: 0, refused: [], left: [] });
    expect(await exportModels('json')).toBe(json);
    const csv = await exportModels('csv');
    expect(must(await importModels(shop.teo, bytes(csv)))).toMatchObject({ added: 0, refused: [] });
    expect(await exportModels('json')).toBe(json);
  }, 180_000);

  it('taken in twice at once waits for the other, and what would outgrow a model is left', async () => {
    const row = 'Corrin,At Once,2015,AO-1,A1,maker-page,page,8 GB';
    const both = await Promise.all([1, 2].map(() => importModels(shop.teo, bytes([HEAD, row].join('\n')))));
    expect(both.map((told) => must(told).added).sort()).toEqual([0, 1]);
    const ids = Array.from({ length: 50 }, (_, at) => `MORE-${at}`).join(';');
    const more = `Corrin,At Once,2015,${ids},A1,maker-page,page,8 GB`;
    expect(must(await importModels(shop.teo, bytes([HEAD, more].join('\n')))).refused).toMatchObject([
      { at: 2, sentence: expect.stringMatching(/^merged with what is there: modelIds/) },
    ]);
    expect((await showModel(await modelId('At Once')))?.model.modelIds).toEqual(['AO-1']);
  });

  it('that is none is told so', async () => {
    expect(await importModels(shop.teo, bytes('hello'))).toMatchObject({ ok: false, code: 'bad-input' });
  });
});

describe('models', () => {
  it('that share an identifier are named as perhaps the same, and become one with all that stood on both', async () => {
    const row = 'Tarnholt,Counter Four,2018,TC4-1920,A1;B1;A2;B2,maker-page,old page,32 GB';
    must(await importModels(shop.teo, bytes([HEAD, row].join('\n'))));
    const twin = await modelId('Counter Four');
    const keep = await modelId('Counter 4', 2018);
    expect((await likelyTwins()).map(({ a, b }) => [a, b].sort())).toContainEqual([keep, twin].sort());
    const { id: job } = must(await newJob(shop.teo));
    must(await pickModel(shop.teo, job, twin));
    must(await recordTrial(shop.teo, twin, trial));
    const seen = (await showModel(twin))?.trials.map(({ sister }) => sister);
    expect(seen).toContain(null);

    must(await mergeTwins(shop.teo, { keep, drop: twin }));
    expect(await showModel(twin)).toBeNull();
    const merged = await showModel(keep);
    expect(merged?.model).toMatchObject({ name: 'Counter 4', modelIds: ['TC4-1900', 'TC4-1920'] });
    expect(merged?.claims.map(({ sourceName }) => sourceName)).toContain('old page');
    expect(merged?.trials.filter(({ sister }) => sister === null)).toHaveLength(1);
    expect((await stateOf(job)).job.modelId).toBe(keep);
    const [own] = merged?.trials ?? [];
    must(await takeTrialBack(shop.teo, keep, own?.id ?? 0));
    expect(await takeTrialBack(shop.teo, keep, own?.id ?? 0)).toMatchObject({ ok: false, code: 'not-found' });
    expect(await mergeTwins(shop.teo, { keep, drop: keep })).toMatchObject({ ok: false });
  });

  it('are changed field by field; what cannot be is refused', async () => {
    const id = await modelId('Drift');
    must(await saveModel(shop.teo, id, { note: 'Runs 8 GB here.', serialPrefixes: ['TD9'] }));
    expect((await showModel(id))?.model).toMatchObject({ note: 'Runs 8 GB here.', serialPrefixes: ['TD9'] });
    expect(await saveModel(shop.teo, id, { yearTo: 1990 })).toMatchObject({ ok: false, code: 'bad-input' });
    expect(
      await saveModel(shop.teo, id, { maker: 'Ostrell', name: 'Perch', yearFrom: 2012, yearTo: null }),
    ).toMatchObject({
      ok: false,
      code: 'conflict',
    });
    expect(await saveModel(shop.teo, 999_999, {})).toMatchObject({ ok: false, code: 'not-found' });
  });

  it('are found by slips of the pen, and near-equal ones come as one question', async () => {
    const found = await find({ text: 'tarnhlt countr 4', jobId: 0 });
    expect(found.question).toMatchObject({ text: 'Which year is on the label?' });
    expect(found.question?.answers.map(({ text }) => text).sort()).toEqual(['2018 to 2020', '2021']);
    expect((await find({ text: 'TC4-1900', jobId: 0 })).models[0]).toMatchObject({
      name: 'Counter 4',
      years: '2018 to 2020',
    });
    expect((await find({ text: 'line\nbreak', jobId: 0 })).models).toEqual([]);
    expect((await find({ text: '', jobId: 0 })).models.length).toBeGreaterThan(0);
  });

  it('hold claims with who noted them, and a technician’s may be taken out', async () => {
    const id = await modelId('Perch');
    const claim = { limit: 'totalMiB', kind: 'lid-label', name: 'label', value: 16 * GB, note: 'handwritten' } as const;
    must(await addClaim(shop.teo, id, claim));
    expect((await showModel(id))?.claims.at(-1)).toMatchObject({ note: 'handwritten', enteredBy: 'Teo Marsh' });
    expect(await addClaim(shop.teo, id, { ...claim, value: null })).toMatchObject({
      ok: false,
      sentence: 'A claim needs its value.',
    });
    expect(await addClaim(shop.teo, id, { ...claim, value: -1 })).toMatchObject({ ok: false, code: 'bad-input' });
    const name = { limit: 'totalMiB', kind: 'lid-label', name: 'label' } as const;
    must(await removeClaim(shop.teo, id, name));
    expect(await removeClaim(shop.teo, id, name)).toMatchObject({ ok: false, code: 'not-found' });
  });
});

describe('photographs', () => {
  const png = Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), Buffer.alloc(20)]);
  const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]);

  it('are kept by what they are, and go along when two models become one', async () => {
    const [keep, drop] = [await modelId('Row 1'), await modelId('Row 2')];
    must(await addPhoto(shop.teo, drop, { caption: 'the label', base64: png.toString('base64') }));
    must(await addPhoto(shop.teo, keep, { caption: 'the door', base64: jpeg.toString('base64') }));
    must(await mergeTwins(shop.teo, { keep, drop }));
    const photos = (await showModel(keep))?.photos ?? [];
    expect(photos.map(({ caption }) => caption)).toEqual(['the label', 'the door']);
    expect(await showPhoto(keep, photos[0]?.id ?? 0)).toMatchObject({ kind: 'image/png', bytes: png });
    expect(await showPhoto(keep, photos[1]?.id ?? 0)).toMatchObject({ kind: 'image/jpeg', bytes: jpeg });
    expect(await showPhoto(drop, photos[0]?.id ?? 0)).toBeNull();
    must(await takePhotoOut(shop.teo, keep, photos[0]?.id ?? 0));
    expect(await takePhotoOut(shop.teo, keep, photos[0]?.id ?? 0)).toMatchObject({ ok: false, code: 'not-found' });
  });

  it('are refused where they are none, and past a dozen', async () => {
    const id = await modelId('Row 3');
    const markup = Buffer.from('<svg onload="alert(1)">');
    expect(await addPhoto(shop.teo, id, { caption: 'x', base64: markup.toString('base64') })).toMatchObject({
      ok: false,
      sentence: 'This is no picture: a PNG or a JPEG is kept.',
    });
    for (let at = 0; at < 12; at++)
      must(await addPhoto(shop.teo, id, { caption: `${at}`, base64: jpeg.toString('base64') }));
    expect(await addPhoto(shop.teo, id, { caption: '13', base64: jpeg.toString('base64') })).toMatchObject({
      ok: false,
      code: 'conflict',
    });
  });
});

describe('a report that may mean several models', () => {
  const report = (serial: string) =>
    textInput(
      'report',
      reportText({
        maker: 'Corrin',
        product: 'CX-9',
        serial,
        cpu: 'Tern 4',
        maxGb: 8,
        devices: [{ locator: 'A1', mb: null }],
      }),
    );

  it('asks the one thing that tells them apart, and takes no guess', async () => {
    const rows = ['Corrin,Nine,2015,CX-9,A1,maker-page,page,8 GB', 'Corrin,Nine,2018,CX 9,A1;B1,maker-page,page,16 GB'];
    must(await importModels(shop.teo, bytes([HEAD, ...rows].join('\n'))));
    const { id } = must(await newJob(shop.teo));
    must(await takeReadings(shop.teo, id, [report('Q-1')]));
    const { model, modelQuestion } = await stateOf(id);
    expect(model).toBeNull();
    expect(modelQuestion).toMatchObject({ text: 'Which year is on the label?' });
    expect(modelQuestion?.answers.map(({ text, memory }) => [text, memory])).toEqual([
      ['since 2015', '1 socket · 8 GB in all'],
      ['since 2018', '2 sockets · 16 GB in all'],
    ]);
    must(await pickModel(shop.teo, id, modelQuestion?.answers[1]?.id ?? 0));
    expect(await stateOf(id)).toMatchObject({ modelQuestion: null, job: { machineName: 'Nine' } });
  });

  it('is told apart by how its serial number begins', async () => {
    must(await saveModel(shop.teo, await modelId('Nine', 2018), { serialPrefixes: ['ZX'] }));
    const { id } = must(await newJob(shop.teo));
    must(await takeReadings(shop.teo, id, [report('zx-77')]));
    expect((await stateOf(id)).model).toMatchObject({ yearFrom: 2018 });
  });
});

describe('evidence', () => {
  it('lifts what was proven, in sisters of the same board too, and never averages', async () => {
    const { id } = must(await newJob(shop.teo));
    must(await pickModel(shop.teo, id, await modelId('Counter 5')));
    expect((await stateOf(id)).limits.provenTotalMiB).toBeNull();
    must(await recordTrial(shop.teo, await modelId('Counter 4', 2021), { ...trial, totalMiB: 96 * GB, modules: 2 }));
    const { limits, trials } = await stateOf(id);
    expect(limits.provenTotalMiB).toMatchObject({ value: 96 * GB, source: { name: 'worked in 1 trial' } });
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
    expect((await showModel(kept))?.model).toMatchObject({ productStrings: ['hv-77'], cpus: [{ name: 'Tern 9' }] });
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
    expect((await find({ text: '0555 0177', jobId: id })).jobs).toMatchObject([{ id: first, by: 'phone' }]);
    expect((await find({ text: 'Runa@Holm.example', jobId: id })).jobs).toMatchObject([{ id: first, by: 'email' }]);
    expect((await find({ text: 'runa hollm', jobId: id })).jobs).toMatchObject([{ id: first, by: 'name' }]);
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
    const needs = await showNeeds();
    expect(needs.uses.length).toBe(8);
    must(await saveNeeds(shop.teo, { ...needs, floorMiB: 4 * GB, uses: needs.uses.slice(1) }));
    expect(await showNeeds()).toMatchObject({ floorMiB: 4 * GB, uses: needs.uses.slice(1) });
    const [first] = needs.uses;
    if (first === undefined) throw new Error('no use');
    expect(await saveNeeds(shop.teo, { ...needs, uses: [first, first] })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
  });
});
