import { openOwnShop, ownModel } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { must } from '../../testing/shop';
import { importModels, modelLibrary, saveModel, showModel } from './library';
import { completeModel } from './model-specification';
import { makeModel, newModelSchema } from './new-model';

const shop = openOwnShop();

const typed = (name: string, from: object, more: object = {}) =>
  newModelSchema.parse({
    maker: 'Tarnholt',
    name,
    yearFrom: 2019,
    from,
    said: { kind: 'maker-page', name: 'the maker’s page' },
    ...more,
  });
const template = (name: string, generation = 'DDR4') => ({ kind: 'template', template: name, generation });

const wordsOf = async (id: number) =>
  ((await showModel(READER, id))?.claims ?? []).map(({ limitName, value, sourceKind }) => [
    limitName,
    value,
    sourceKind,
  ]);

it('a model of a template has its slots, what is usual as such, and what was said as said', async () => {
  const { id } = must(await makeModel(shop.tam, typed('Heron 1', template('desktop'), { moduleMiB: 32_768 })));
  const page = await showModel(READER, id);
  expect(page?.model.slots.map(({ name }) => name)).toEqual(['A1', 'B1', 'A2', 'B2']);
  const words = await wordsOf(id);
  expect(words).toContainEqual(['form', 'DIMM', 'standard']);
  expect(words).toContainEqual(['moduleMiB', 32_768, 'maker-page']);
  expect(words.filter(([, , kind]) => kind === 'maker-page')).toHaveLength(1);
});

it('a copy has its sister’s slots and steps; what is said of the sister is usual here, and no photograph comes along', async () => {
  const sister = await ownModel('Heron 5');
  must(await saveModel(shop.tam, sister, { opening: [{ text: 'Open the door', photo: 7 }] }));
  const { id } = must(
    await makeModel(shop.tam, typed('Heron 6', { kind: 'copy', modelId: sister }, { totalMiB: 65_536 })),
  );
  const page = await showModel(READER, id);
  expect(page?.model.slots.map(({ name }) => name)).toEqual(['A', 'B']);
  expect(page?.model.opening).toMatchObject([{ text: 'Open the door' }]);
  expect(page?.model.opening[0]?.photo ?? null).toBeNull();
  const words = await wordsOf(id);
  expect(words).toContainEqual(['moduleMiB', 16_384, 'standard']);
  expect(words).toContainEqual(['totalMiB', 65_536, 'maker-page']);
});

it('is refused in a sentence where it is there already, or of nothing that there is', async () => {
  must(await makeModel(shop.tam, typed('Heron 9', template('laptop'))));
  const again = await makeModel(shop.tam, typed('HERON 9', template('laptop')));
  expect(again).toMatchObject({ ok: false, sentence: 'The library has a model of this name and year already.' });
  expect(await makeModel(shop.tam, typed('Heron 10', template('server', 'DDR5')))).toMatchObject({
    ok: false,
    sentence: 'There is no such board of DDR5.',
  });
  expect(await makeModel(shop.tam, typed('Heron 11', { kind: 'copy', modelId: 99_999 }))).toMatchObject({ ok: false });
});

it('a file of models is looked at before it is taken in', async () => {
  const file = new TextEncoder().encode(
    [
      'maker,name,year_from,slots',
      'Osprey,Perch 1,2019,A1;B1',
      'Tarnholt,Heron 9,2019,A@A/1;B@B/1',
      'Osprey,Perch 2,soon,A1',
    ].join('\r\n'),
  );
  const before = (await modelLibrary(READER)).count;
  const would = must(await importModels(shop.tam, file, true));
  expect(would).toMatchObject({ added: 1, refused: [{ at: 4 }] });
  expect(would.named).toContainEqual({ name: 'Osprey Perch 1', fate: 'added' });
  expect((await modelLibrary(READER)).count).toBe(before);
  expect(must(await importModels(shop.tam, file))).toMatchObject({ added: would.added, merged: would.merged });
  expect((await modelLibrary(READER)).count).toBe(before + 1);
});

const PAGE = `Corvin Bureau 9
Memory slots: 4 DIMM
Memory type: DDR4-2666, non-ECC, un-buffered
Maximum memory: 64 GB`;

describe('a model of a pasted specification', () => {
  const source = { kind: 'maker-page' as const, name: 'Maker’s page' };
  const claims = [
    { limit: 'generations' as const, value: ['DDR4'], quote: 'Memory type: DDR4-2666, non-ECC, un-buffered' },
    { limit: 'totalMiB' as const, value: 65536, quote: 'Maximum memory: 64 GB' },
  ];
  const pasted = {
    maker: 'Corvin',
    name: 'Bureau 9',
    yearFrom: 2020,
    from: { kind: 'specification' as const, text: PAGE },
    moduleMiB: null,
    totalMiB: null,
    claims,
    said: source,
  };

  it('has its slots and its claims, each with the words it came from, and nothing that was left', async () => {
    const { id } = must(await makeModel(shop.tam, newModelSchema.parse(pasted)));
    const page = await showModel(READER, id);
    expect(page?.model.slots.map(({ name }) => name)).toEqual(['A1', 'B1', 'A2', 'B2']);
    expect(page?.claims.map(({ limitName, sourceKind, note }) => [limitName, sourceKind, note])).toEqual([
      ['generations', 'maker-page', 'Memory type: DDR4-2666, non-ECC, un-buffered'],
      ['totalMiB', 'maker-page', 'Maximum memory: 64 GB'],
    ]);
  });

  it('is completed by another one, all of it or nothing', async () => {
    const { id } = must(await makeModel(shop.tam, newModelSchema.parse({ ...pasted, name: 'Bureau 10' })));
    const more = [{ limit: 'moduleMiB' as const, value: 16384, quote: 'up to 16 GB per slot' }];
    must(await completeModel(shop.tam, id, { source: { kind: 'board-manual', name: 'Manual' }, claims: more }));
    const page = await showModel(READER, id);
    expect(page?.claims.find(({ limitName }) => limitName === 'moduleMiB')).toMatchObject({
      value: 16384,
      sourceKind: 'board-manual',
      note: 'up to 16 GB per slot',
    });
    expect(await completeModel(shop.tam, 999_999, { source, claims: more })).toMatchObject({ code: 'not-found' });
    expect(await completeModel(shop.tam, id, { source, claims: [] })).toMatchObject({ code: 'bad-input' });
  });
});
