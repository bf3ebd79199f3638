import { textInput } from '../../../scripts/text-input';
import { must, openTestShop, plansOf, readTill, stateOf } from '../../../testing/shop';
import { newJob, putReadingAside, takeReadings } from './intake';
import { takeSpecification } from './specification';

const shop = openTestShop();

const NOTE = `Corvin Ledger 14
Memory: 8 GB DDR4-2666 SO-DIMM (1 x 8 GB)
Memory slots: 2
Maximum memory: 32 GB
Memory speed: up to 2666 MT/s
Storage: 512 GB SSD`;

async function readNote(text = NOTE): Promise<{ id: number; reading: number }> {
  const { id } = must(await newJob(shop.teo));
  must(await takeReadings(shop.teo, id, [textInput('pasted text', text)]));
  const [last] = (await stateOf(id)).readings;
  return { id, reading: last?.id ?? 0 };
}

const TAKEN = {
  source: { kind: 'maker-page' as const, name: 'Maker’s page for Ledger 14' },
  claims: [
    { limit: 'generations' as const, value: ['DDR4'], quote: 'Memory: 8 GB DDR4-2666 SO-DIMM (1 x 8 GB)' },
    { limit: 'form' as const, value: 'SO-DIMM', quote: 'Memory: 8 GB DDR4-2666 SO-DIMM (1 x 8 GB)' },
    { limit: 'totalMiB' as const, value: 32768, quote: 'Maximum memory: 32 GB' },
  ],
  inside: { capacityMiB: 8192, modules: 1 },
};

describe('a specification that is read into a job', () => {
  it('installs nothing and claims nothing before somebody takes it', async () => {
    const { id } = await readNote();
    const { slots, claims, readings, job } = await stateOf(id);
    expect(readings[0]?.result).toMatchObject({ format: 'specification', slotCount: 2 });
    expect(slots).toEqual([]);
    expect(claims.filter(({ source }) => source.kind === 'maker-page')).toEqual([]);
    expect(job.machineName).toBe('');
  });

  it('gives an unknown machine its board, its name and limits with the words they came from', async () => {
    const { id, reading } = await readNote();
    must(await takeSpecification(shop.teo, id, { reading, taken: TAKEN, intoModel: false }));
    const { slots, limits, job, gaps } = await stateOf(id);
    expect(job).toMatchObject({ machineMaker: 'Corvin', machineName: 'Ledger 14' });
    expect(slots.map(({ name, placeSource, module }) => [name, placeSource, module?.capacityMiB ?? null])).toEqual([
      ['A', 'specification', 8192],
      ['B', 'specification', null],
    ]);
    expect(limits.totalMiB).toMatchObject({
      value: 32768,
      source: {
        kind: 'maker-page',
        name: 'Maker’s page for Ledger 14',
        note: 'Maximum memory: 32 GB',
        by: 'Teo Marsh',
      },
    });
    // What was left is not claimed.
    expect(limits.ratesMTs?.source.kind).toBe('standard');
    expect(gaps).toEqual([{ what: 'module', slot: 'A', fields: ['rateMTs'] }]);
  });

  it('yields to what a report says is in the machine', async () => {
    const { id, reading } = await readNote();
    must(await takeSpecification(shop.teo, id, { reading, taken: TAKEN, intoModel: false }));
    const panel = 'Memory\t16 GB DDR4\nSpeed:\t2400 MT/s\nSlots used:\t2 of 2\nForm factor:\tSODIMM';
    must(await takeReadings(shop.teo, id, [textInput('typed from the screen', panel)]));
    const { slots, joined } = await stateOf(id);
    expect(slots.map(({ name, module }) => [name, module?.generation ?? null])).toEqual([
      ['A', 'DDR4'],
      ['B', 'DDR4'],
    ]);
    expect(joined.machine?.memory.installedMiB).toBe(16384);
  });

  it('is taken back, and counts no more while it is set aside', async () => {
    const { id, reading } = await readNote();
    must(await takeSpecification(shop.teo, id, { reading, taken: TAKEN, intoModel: false }));
    must(await putReadingAside(shop.teo, id, { id: reading, aside: true }));
    expect((await stateOf(id)).limits.totalMiB?.source.kind).not.toBe('maker-page');
    expect(await takeSpecification(shop.teo, id, { reading, taken: TAKEN, intoModel: false })).toMatchObject({
      code: 'conflict',
    });
    must(await putReadingAside(shop.teo, id, { id: reading, aside: false }));
    expect((await stateOf(id)).limits.totalMiB?.source.kind).toBe('maker-page');
    must(await takeSpecification(shop.teo, id, { reading, taken: null, intoModel: false }));
    const { limits, slots } = await stateOf(id);
    expect(limits.totalMiB).toBeNull();
    expect(slots).toEqual([]);
  });

  it('of a CPU names the CPU and bounds the total', async () => {
    const { id, reading } = await readNote(
      'Ostrin X7-9400 Processor\nCores: 8\nTDP: 65 W\nMax memory size: 64 GB\nMemory types: DDR4-2933',
    );
    const taken = {
      source: { kind: 'cpu-page' as const, name: 'CPU data' },
      claims: [{ limit: 'cpuMaxMiB' as const, value: 65536, quote: 'Max memory size: 64 GB' }],
      inside: null,
    };
    must(await takeSpecification(shop.teo, id, { reading, taken, intoModel: false }));
    const { job, limits, slots } = await stateOf(id);
    expect(job.cpu).toBe('Ostrin X7-9400');
    expect(limits.cpuMaxMiB).toMatchObject({ value: 65536, source: { kind: 'cpu-page' } });
    expect(slots).toEqual([]);
  });

  it('completes a model of the library where its reader says so', async () => {
    const id = await readTill(shop.teo);
    must(await takeReadings(shop.teo, id, [textInput('pasted text', NOTE)]));
    const reading = (await stateOf(id)).readings.find(({ result }) => result.format === 'specification')?.id ?? 0;
    const taken = {
      ...TAKEN,
      claims: [{ limit: 'clearanceMm' as const, value: 31, quote: 'height 31 mm' }],
      inside: null,
    };
    must(await takeSpecification(shop.teo, id, { reading, taken, intoModel: true }));
    const other = await readTill(shop.teo);
    expect((await stateOf(other)).limits.clearanceMm).toMatchObject({
      value: 31,
      source: { kind: 'maker-page', note: 'height 31 mm' },
    });
  });

  it('is refused where the job has none of that number', async () => {
    const id = await readTill(shop.teo);
    const [report] = (await stateOf(id)).readings;
    for (const reading of [report?.id ?? 0, 999_999])
      expect(await takeSpecification(shop.teo, id, { reading, taken: TAKEN, intoModel: false })).toMatchObject({
        code: 'not-found',
      });
  });

  it('leads to plans once the one thing that it leaves open is told', async () => {
    const { id, reading } = await readNote();
    must(await takeSpecification(shop.teo, id, { reading, taken: TAKEN, intoModel: false }));
    const { slots, job } = await stateOf(id);
    const { saveSlots } = await import('./intake');
    const known = slots.map((slot) =>
      slot.module === null
        ? slot
        : { ...slot, module: { ...slot.module, rateMTs: 2666 }, moduleSource: 'typed' as const },
    );
    must(await saveSlots(shop.teo, id, { version: job.slotsVersion, slots: known }));
    const plans = await plansOf(id);
    expect(plans.some(({ totalMiB }) => totalMiB === 16384)).toBe(true);
    expect(plans.every(({ totalMiB }) => totalMiB <= 32768)).toBe(true);
  });
});

describe('a text that may be two things', () => {
  it('is read as nothing, and both readings are told', async () => {
    const { id } = must(await newJob(shop.teo));
    const told = must(await takeReadings(shop.teo, id, [textInput('typed line', 'Memory: 8 GB DDR4-2666 SO-DIMM')]));
    expect(told.inputs).toMatchObject([{ ok: false, either: [{ as: 'listing' }, { as: 'specification' }] }]);
    expect((await stateOf(id)).readings).toEqual([]);
  });

  it('is read as what a person says that it is', async () => {
    const { id } = must(await newJob(shop.teo));
    const input = textInput('pasted text', '8GB 1Rx8\nPC4-2666V-SE1-11\nVellamo');
    must(await takeReadings(shop.teo, id, [{ ...input, as: 'listing' }]));
    const { slots } = await stateOf(id);
    expect(slots.map(({ module }) => module?.capacityMiB)).toEqual([8192]);
  });
});

describe('a system’s own text', () => {
  it('that lists no slots still names the machine', async () => {
    const { id } = must(await newJob(shop.teo));
    const text = 'System Manufacturer: Tarnholt\nSystem Model: TC4-1900\nTotal Physical Memory: 16,221 MB';
    must(await takeReadings(shop.teo, id, [textInput('pasted text', text)]));
    const { job, slots } = await stateOf(id);
    expect(job.machineName).toBe('Counter 4');
    expect(slots).toHaveLength(4);
  });

  it('and a summary of the same machine do not push each other out', async () => {
    const { id } = must(await newJob(shop.teo));
    const table =
      'BANK 0/DIMM0: Size: 8 GB, Type: DDR4, Speed: 2667 MHz\nBANK 1/DIMM0: Size: 8 GB, Type: DDR4, Speed: 2667 MHz';
    must(await takeReadings(shop.teo, id, [textInput('slots', table)]));
    must(await takeReadings(shop.teo, id, [textInput('meminfo', 'MemTotal: 16265012 kB\nMemFree: 1203456 kB')]));
    const { slots, joined } = await stateOf(id);
    expect(slots.map(({ module }) => module?.capacityMiB)).toEqual([8192, 8192]);
    expect(joined.machine?.memory.visibleMiB).toBe(15883);
  });
});
