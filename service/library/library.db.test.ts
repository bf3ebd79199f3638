import { reportText } from '../../demo/report';
import { textInput } from '../../scripts/text-input';
import { many, pool } from '../../store/database';
import { amount } from '../../testing/amount';
import { READER } from '../../testing/reader';
import { modelId, must, openTestShop, stateOf, loadedTrial as trial } from '../../testing/shop';
import { find } from '../job/find';
import { newJob, pickModel, takeReadings } from '../job/intake/intake';
import { addClaim, recordTrial, removeClaim, takeTrialBack } from '../job/limits/evidence';
import { exportModels, importModels, likelyTwins, mergeTwins, modelLibrary, saveModel, showModel } from './library';
import { addPhoto, showPhoto, takePhotoOut } from './photos';

const shop = openTestShop();
const GB = 1024;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
/** Each 400th row is a bad one. */
const ROWS = amount(500, 2_000);
const BAD = Array.from({ length: ROWS }, (_, index) => index).filter((index) => index % 400 === 7);
const HEAD = 'maker,name,year_from,model_ids,slots,source_kind,source,total';

describe('a file of models', () => {
  it(`of ${ROWS} rows with ${BAD.length} bad ones: the good ones are in, the bad ones named, none half`, async () => {
    const rows = Array.from({ length: ROWS }, (_, index) => {
      if (index % 400 === 7) return `Corrin,Row ${index},2015,,A1;A1,maker-page,page,8 GB`;
      return `Corrin,Row ${index},2015,CR-${index},A1;B1,maker-page,page,${8 + (index % 4) * 8} GB`;
    });
    const before = (await modelLibrary(READER)).count;
    const told = must(await importModels(shop.teo, bytes([HEAD, ...rows].join('\r\n'))));
    expect(told).toMatchObject({ added: ROWS - BAD.length, merged: 0, same: 0, counts: 'line', left: [] });
    expect(told.refused).toEqual(BAD.map((index) => ({ at: index + 2, sentence: 'slots: Two slots are called A1.' })));
    expect((await modelLibrary(READER)).count).toBe(before + ROWS - BAD.length);
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
    const page = await showModel(READER, await modelId('Counter 5'));
    expect(page?.model.modelIds).toContain('TC5-2177');
    expect(page?.model.slots.map(({ name }) => name)).toEqual(['A1', 'B1']);
    expect(page?.claims.map(({ sourceName }) => sourceName)).toContain('label in the lid');
    expect((await find(READER, { text: 'tc5 2177', jobId: 0 })).models[0]?.name).toBe('Counter 5');
  });

  it('goes out and comes back the same, everything that stands on the models', async () => {
    const json = await exportModels(READER, 'json');
    const told = must(await importModels(shop.teo, bytes(json)));
    expect(told).toMatchObject({ added: 0, merged: 0, refused: [], left: [] });
    expect(await exportModels(READER, 'json')).toBe(json);
    const csv = await exportModels(READER, 'csv');
    expect(must(await importModels(shop.teo, bytes(csv)))).toMatchObject({ added: 0, refused: [] });
    expect(await exportModels(READER, 'json')).toBe(json);
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
    expect((await showModel(READER, await modelId('At Once')))?.model.modelIds).toEqual(['AO-1']);
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
    expect((await likelyTwins(READER)).map(({ a, b }) => [a, b].sort())).toContainEqual([keep, twin].sort());
    const { id: job } = must(await newJob(shop.teo));
    must(await pickModel(shop.teo, job, twin));
    must(await recordTrial(shop.teo, twin, trial));
    const seen = (await showModel(READER, twin))?.trials.map(({ sister }) => sister);
    expect(seen).toContain(null);

    must(await mergeTwins(shop.teo, { keep, drop: twin }));
    expect(await showModel(READER, twin)).toBeNull();
    const merged = await showModel(READER, keep);
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
    expect((await showModel(READER, id))?.model).toMatchObject({ note: 'Runs 8 GB here.', serialPrefixes: ['TD9'] });
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
    const found = await find(READER, { text: 'tarnhlt countr 4', jobId: 0 });
    expect(found.question).toMatchObject({ text: 'Which year is on the label?' });
    expect(found.question?.answers.map(({ text }) => text).sort()).toEqual(['2018–2020', '2021']);
    expect((await find(READER, { text: 'TC4-1900', jobId: 0 })).models[0]).toMatchObject({
      name: 'Counter 4',
      years: '2018–2020',
    });
    expect((await find(READER, { text: 'line\nbreak', jobId: 0 })).models).toEqual([]);
    expect((await find(READER, { text: '', jobId: 0 })).models.length).toBeGreaterThan(0);
  });

  it('hold claims with who noted them, and a technician’s may be taken out', async () => {
    const id = await modelId('Perch');
    const claim = { limit: 'totalMiB', kind: 'lid-label', name: 'label', value: 16 * GB, note: 'handwritten' } as const;
    must(await addClaim(shop.teo, id, claim));
    expect((await showModel(READER, id))?.claims.at(-1)).toMatchObject({ note: 'handwritten', enteredBy: 'Teo Marsh' });
    expect(await addClaim(shop.teo, id, { ...claim, value: null })).toMatchObject({
      ok: false,
      sentence: 'A limit needs a value.',
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
    must(await addPhoto(shop.teo, drop, { caption: 'the label', bytes: png }));
    must(await addPhoto(shop.teo, keep, { caption: 'the door', bytes: jpeg }));
    must(await mergeTwins(shop.teo, { keep, drop }));
    const photos = (await showModel(READER, keep))?.photos ?? [];
    expect(photos.map(({ caption }) => caption)).toEqual(['the label', 'the door']);
    expect(await showPhoto(READER, keep, photos[0]?.id ?? 0)).toMatchObject({ kind: 'image/png', bytes: png });
    expect(await showPhoto(READER, keep, photos[1]?.id ?? 0)).toMatchObject({ kind: 'image/jpeg', bytes: jpeg });
    expect(await showPhoto(READER, drop, photos[0]?.id ?? 0)).toBeNull();
    must(await takePhotoOut(shop.teo, keep, photos[0]?.id ?? 0));
    expect(await takePhotoOut(shop.teo, keep, photos[0]?.id ?? 0)).toMatchObject({ ok: false, code: 'not-found' });
  });

  it('taken out leave the steps that they showed without them, in their order', async () => {
    const id = await modelId('Row 4');
    must(await addPhoto(shop.teo, id, { caption: 'the door', bytes: png }));
    const [photo] = (await showModel(READER, id))?.photos ?? [];
    const steps = [
      { text: 'Open the door', photo: photo?.id },
      { text: 'Lift the shield', photo: null },
    ];
    await pool().query('update model set opening = $2 where id = $1', [id, JSON.stringify(steps)]);
    must(await takePhotoOut(shop.teo, id, photo?.id ?? 0));
    const opening = (await showModel(READER, id))?.model.opening ?? [];
    expect(opening.map((step) => [step.text, step.photo])).toEqual([
      ['Open the door', null],
      ['Lift the shield', null],
    ]);
  });

  it('are refused where they are none, and past a dozen', async () => {
    const id = await modelId('Row 3');
    const markup = Buffer.from('<svg onload="alert(1)">');
    expect(await addPhoto(shop.teo, id, { caption: 'x', bytes: markup })).toMatchObject({
      ok: false,
      sentence: 'This is no picture: a PNG or a JPEG is kept.',
    });
    for (let at = 0; at < 12; at++) must(await addPhoto(shop.teo, id, { caption: `${at}`, bytes: jpeg }));
    expect(await addPhoto(shop.teo, id, { caption: '13', bytes: jpeg })).toMatchObject({
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
      ['since 2015', '1 slot · 8 GB in total'],
      ['since 2018', '2 slots · 16 GB in total'],
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
