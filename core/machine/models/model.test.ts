import { GB } from '../samples';
import { disambiguate, type Likely } from './disambiguate';
import { type LibraryRow, modelOfRow, rowsOfModel } from './library-rows';
import { mergeModels } from './merge-models';
import { boardFault, chosenCpu, claimsOfCpu, type FullModel, type ModelInput, modelSchema, partKey } from './model';

const model = (more: Partial<ModelInput> = {}): FullModel =>
  modelSchema.parse({ maker: 'Tarnholt', name: 'Counter 4', yearFrom: 2018, yearTo: 2020, ...more });
const slots = (names: string) =>
  names.split(' ').map((name) => ({ name, channel: name.slice(0, 1), bank: Number(name.slice(1)) }));
const said = (limit: 'totalMiB' | 'moduleMiB', gb: number, name: string, on: string | null = null) => ({
  limit,
  value: gb * GB,
  source: { kind: 'maker-page' as const, name, on },
});

describe('a model', () => {
  test.each<[string, Partial<ModelInput>, RegExp]>([
    ['a name twice', { slots: [...slots('A1 B1'), { name: 'A1', channel: 'C', bank: 1 }] }, /Two slots are called A1/],
    [
      'a place twice',
      { slots: [...slots('A1'), { name: 'X', channel: 'A', bank: 1 }] },
      /both stand at channel A, bank 1/,
    ],
    ['a crowded channel', { slots: slots('A1 A2 A3 A4 A5 A6 A7 A8 A9') }, /more than the 8 slots/],
    ['years the wrong way round', { yearFrom: 2020, yearTo: 2018 }, /ended before it began/],
    ['a claim without number', { claims: [{ ...said('totalMiB', 4, 'page'), value: null }] }, /needs a value/],
    ['a claim of nonsense', { claims: [{ ...said('totalMiB', 4, 'page'), value: 'lots' }] }, /no value of totalMiB/],
    [
      'a fill order of other slots',
      { slots: slots('A1'), claims: [{ ...said('totalMiB', 1, 'p'), limit: 'fillOrder', value: ['A1', 'Z9'] }] },
      /names Z9/,
    ],
    ['nothing of its maker', { maker: ' ' }, /name is missing/],
  ])('is refused with %s', (_, more, why) => {
    const parsed = modelSchema.safeParse({ maker: 'T', name: 'C', yearFrom: 2018, ...more });
    expect(parsed.success ? '' : JSON.stringify(parsed.error.issues)).toMatch(why);
  });

  it('fills what a file leaves out, of soldered memory too', () => {
    const full = model({ slots: [{ name: 'ON', channel: 'A', bank: 0, soldered: { capacityMiB: 8 * GB } }] });
    expect(full).toMatchObject({ kind: 'machine', cpus: [], trials: [] });
    expect(full.slots[0]).toMatchObject({ lidName: null, soldered: { capacityMiB: 8 * GB, rateMTs: null } });
    expect(boardFault(full.slots)).toBeNull();
  });

  it('knows a part by its number, however it is written', () => {
    expect(partKey('ve4s-16 3200/b')).toBe('VE4S163200B');
  });
});

describe('which CPU a machine has', () => {
  const cpus = [
    { name: 'Merle 430', maxMiB: 32 * GB, maxRateMTs: null },
    { name: 'Merle 4300', maxMiB: 64 * GB, maxRateMTs: 2400 },
  ];
  it('is the one a report names, the only one, or nobody’s guess', () => {
    expect(chosenCpu(cpus, 'Skerry(R) Merle-4300 @ 3.2 GHz')?.name).toBe('Merle 4300');
    expect(chosenCpu(cpus, 'Merle 43')).toBeNull();
    expect(chosenCpu(cpus, '')).toBeNull();
    expect(chosenCpu(cpus.slice(0, 1), '')?.name).toBe('Merle 430');
  });
  it('claims what its data say', () => {
    expect(cpus.flatMap((cpu) => claimsOfCpu(cpu).map(({ limit, value }) => [limit, value]))).toEqual([
      ['cpuMaxMiB', 32 * GB],
      ['cpuMaxMiB', 64 * GB],
      ['cpuMaxRateMTs', 2400],
    ]);
  });
});

describe('two entries of one model', () => {
  it('become one: lists join, blanks are filled, the later word of one source holds', () => {
    const first = model({
      modelIds: ['TC4-1900'],
      slots: slots('A1 B1'),
      claims: [said('totalMiB', 32, 'service page', '2024-01-01')],
    });
    const second = model({
      family: 'Counter',
      yearFrom: 2017,
      yearTo: null,
      modelIds: ['tc4 1900', 'TC4-1920'],
      claims: [said('totalMiB', 64, 'Service page', '2025-01-01'), said('moduleMiB', 16, 'Service page')],
    });
    const { model: merged, left } = mergeModels(first, second);
    expect(left).toEqual([]);
    expect(merged).toMatchObject({
      family: 'Counter',
      yearFrom: 2017,
      yearTo: 2020,
      modelIds: ['TC4-1900', 'TC4-1920'],
    });
    expect(merged.claims.map(({ limit, value }) => [limit, value])).toEqual([
      ['totalMiB', 64 * GB],
      ['moduleMiB', 16 * GB],
    ]);
    expect(mergeModels(merged, second).model).toEqual(merged);
  });

  it('keep the first’s slots, and say what was not taken', () => {
    const order = { ...said('totalMiB', 1, 'page'), limit: 'fillOrder' as const, value: ['X1'] };
    const second = model({ slots: slots('X1 Y1'), claims: [order] });
    const { model: merged, left } = mergeModels(model({ slots: slots('A1 B1') }), second);
    expect(merged.slots.map(({ name }) => name)).toEqual(['A1', 'B1']);
    expect(merged.claims).toEqual([]);
    expect(left).toHaveLength(2);
    expect(mergeModels(model(), second).model.slots.map(({ name }) => name)).toEqual(['X1', 'Y1']);
  });
});

describe('a library’s rows', () => {
  const row: LibraryRow = {
    maker: 'Tarnholt',
    name: 'Counter 4',
    year_from: '2018',
    model_ids: 'TC4-1900; TC4-1920',
    cpus: 'Merle 4300 (64 GB, 2400 MT/s); Merle 4100',
    slots: 'A1; B1 (lid 2, max 16 GB, door, latch white); ON@C/3 (soldered 8 GB)',
    source_kind: 'board-manual',
    source: 'p. 31',
    generation: 'DDR4',
    form: 'DIMM',
    kinds: 'unbuffered; registered ECC',
    volts: '1.2',
    total: '64 GB',
    rates: '2133; 2400',
    fill_order: 'B1; A1',
  };

  it('are read into a model', () => {
    const read = modelOfRow(row);
    expect(read).toMatchObject({
      ok: true,
      model: {
        modelIds: ['TC4-1900', 'TC4-1920'],
        cpus: [
          { name: 'Merle 4300', maxMiB: 64 * GB, maxRateMTs: 2400 },
          { name: 'Merle 4100', maxMiB: null, maxRateMTs: null },
        ],
        slots: [
          { name: 'A1', channel: 'A', bank: 1 },
          { name: 'B1', lidName: '2', maxMiB: 16 * GB, place: 'door', latch: 'white' },
          { name: 'ON', channel: 'C', bank: 3, soldered: { capacityMiB: 8 * GB } },
        ],
      },
    });
    expect(read.ok && read.model.claims.map(({ limit, value }) => [limit, value])).toEqual([
      ['generations', ['DDR4']],
      ['form', 'DIMM'],
      [
        'kinds',
        [
          { buffering: 'unbuffered', ecc: false },
          { buffering: 'registered', ecc: true },
        ],
      ],
      ['voltagesMv', [1200]],
      ['totalMiB', 64 * GB],
      ['ratesMTs', [2133, 2400]],
      ['fillOrder', ['B1', 'A1']],
    ]);
  });

  it('come back as they were written, one for each source', () => {
    const read = modelOfRow(row);
    if (!read.ok) throw new Error(read.sentence);
    const extra = {
      ...read.model,
      claims: [...read.model.claims, ...model({ claims: [said('totalMiB', 32, 'page')] }).claims],
    };
    const rows = rowsOfModel(extra);
    expect(rows).toHaveLength(2);
    const again = rows.map(modelOfRow).flatMap((one) => (one.ok ? [one.model] : []));
    const [first, second] = again;
    if (first === undefined || second === undefined) throw new Error('a row is missing');
    expect(mergeModels(first, second).model.claims.map(({ limit, value }) => [limit, value])).toEqual(
      extra.claims.map(({ limit, value }) => [limit, value]),
    );
    expect(rowsOfModel(model())).toHaveLength(1);
  });

  test.each<[LibraryRow, RegExp]>([
    [{ maker: '' }, /maker: A name is missing/],
    [{ year_from: 'new' }, /year_from: "new" is no whole number/],
    [{ total: 'lots' }, /total: "lots" is no capacity/],
    [{ slots: 'Bottom' }, /"Bottom" does not tell its channel/],
    [{ slots: 'A1 (hidden)' }, /"hidden" of A1 is not understood/],
    [{ slots: 'A1; A1' }, /Two slots are called A1/],
    [{ kinds: 'fast ECC' }, /no kind such as registered ECC/],
    [{ volts: '12' }, /no voltage such as 1.35/],
    [{ source: '' }, /a limit needs its source_kind and source/],
    [{ source_kind: 'hearsay' }, /claims\.0\.source\.kind/],
    [{ generation: 'DDR9' }, /no value of generations/],
    [{ cpus: 'Merle (' }, /cpus: "Merle \(" is not written/],
  ])('are refused by the cell: %j', (more, why) => {
    const read = modelOfRow({ ...row, ...more });
    expect(read.ok ? '' : read.sentence).toMatch(why);
  });
});

describe('near-equal models', () => {
  const likely = (id: number, more: Partial<Likely> = {}): Likely => ({
    id,
    maker: 'Tarnholt',
    name: 'Counter 4',
    years: '2018–2020',
    kind: 'machine',
    cpus: ['Merle 4300'],
    modelIds: ['TC4-1900'],
    memory: 'DDR4 DIMM · 4 slots',
    ...more,
  });

  it('are told apart by one question, with what the answer means for memory', () => {
    expect(disambiguate([likely(1), likely(2, { years: '2021', memory: 'DDR4 SO-DIMM · 2 slots' })])).toEqual({
      text: 'Which year is on the label?',
      answers: [
        { id: 1, text: '2018–2020', memory: 'DDR4 DIMM · 4 slots' },
        { id: 2, text: '2021', memory: 'DDR4 SO-DIMM · 2 slots' },
      ],
    });
    expect(disambiguate([likely(1), likely(2, { name: 'Counter 5' })])?.text).toBe('Which name is printed on it?');
    expect(disambiguate([likely(1), likely(2, { cpus: ['Merle 4500'] })])?.text).toBe('Which CPU does it have?');
  });

  it('are asked by the mark on which most of them differ', () => {
    const three = [likely(1), likely(2, { years: '2021' }), likely(3, { years: '2021', modelIds: ['X'] })];
    expect(disambiguate([...three, likely(4, { years: '2022', modelIds: [] })])?.text).toBe(
      'Which year is on the label?',
    );
  });

  it('are no question where there is one, or nothing tells them apart', () => {
    expect(disambiguate([likely(1)])).toBeNull();
    expect(disambiguate([likely(1), likely(2)])).toBeNull();
  });
});
