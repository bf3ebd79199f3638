import { read } from './read';
import { NOTHING_TOLD, type Reading, type ReadModule, type ReadOffer, UNTOLD_MACHINE } from './reading';
import { readingLine, readModuleText } from './reading-line';

const told = (of: Partial<ReadModule>): ReadModule => ({ ...NOTHING_TOLD, ...of });
const reading = (told: Partial<Reading>): Reading => ({ format: 'listing', warnings: [], ...told }) as Reading;
const offer = (told: Partial<ReadOffer>) => ({ priceCents: null, currency: null, seller: null, ...told }) as ReadOffer;
const EIGHT = told({ capacityMiB: 8192, generation: 'DDR4', rateMTs: 2666, casLatency: 19, form: 'SO-DIMM' });

describe('a module in words', () => {
  it('is what is told of it and no more', () => {
    expect(readModuleText(EIGHT)).toBe('8 GB DDR4-2666 CL19 SO-DIMM');
    expect(readModuleText(told({}))).toBe('a module');
    expect(readModuleText(told({ rateMTs: 2400 }))).toBe('2400 MT/s');
    expect(readModuleText(told({ generation: 'DDR3', voltagesMv: [1350, 1500] }))).toBe('DDR3L');
    expect(readModuleText(told({ part: 'VE4S8' }))).toBe('a module, VE4S8');
  });

  it('has its ranks with the width of its chips where that is told, its kind and its profile', () => {
    expect(readModuleText({ ...EIGHT, ranks: 1, deviceWidth: 8 })).toBe('8 GB DDR4-2666 CL19 SO-DIMM, 1Rx8');
    expect(readModuleText({ ...EIGHT, ranks: 2 })).toBe('8 GB DDR4-2666 CL19 SO-DIMM, 2R');
    expect(readModuleText({ ...EIGHT, buffering: 'registered', ecc: true })).toMatch(/, registered ECC$/);
    expect(readModuleText({ ...EIGHT, ecc: true })).toMatch(/, ECC$/);
    const fast = { ...EIGHT, profiles: [{ rateMTs: 3600 } as ReadModule['profiles'][number]] };
    expect(readModuleText(fast)).toMatch(/, profile 3600$/);
  });
});

describe('an input in one line', () => {
  const slots = (sizes: (number | null)[]) =>
    sizes.map((capacityMiB, nr) => ({
      locator: `A${nr + 1}`,
      bank: null,
      installed: capacityMiB === null ? null : told({ capacityMiB }),
    }));
  const machine = (told: Partial<typeof UNTOLD_MACHINE>, sizes: (number | null)[] = [8192, null]) => ({
    ...UNTOLD_MACHINE,
    ...told,
    memory: { ...UNTOLD_MACHINE.memory, slots: slots(sizes) },
  });

  it('says of a machine what it is called, its slots and what they hold', () => {
    const of = (told: Partial<typeof UNTOLD_MACHINE>, sizes?: (number | null)[]) =>
      readingLine(reading({ format: 'smbios', machine: machine(told, sizes) }));
    expect(of({ maker: 'Tarnholt', model: 'Counter 4' })).toBe(
      'SMBIOS dump of Tarnholt Counter 4: 2 slots, 1 filled with 8 GB',
    );
    expect(of({ board: { maker: 'Tarnholt', model: 'Counter 4-MB' } }, [null])).toBe(
      'SMBIOS dump of Tarnholt Counter 4-MB: 1 slot, 0 filled',
    );
    expect(of({})).toContain('a machine that does not say its name');
  });

  it('counts slots that are told by number alone', () => {
    const told = { ...machine({}, [8192]), memory: { ...UNTOLD_MACHINE.memory, slotCount: 4, slots: slots([8192]) } };
    expect(readingLine(reading({ format: 'cim-json', machine: told }))).toContain(': 4 slots, 1 filled');
  });

  it('says of an SPD whether its check holds', () => {
    const spd = (ok: boolean) => ({ checks: [{ ok }] }) as Reading['spd'];
    const line = (ok: boolean) =>
      readingLine({ ...reading({ format: 'spd', module: EIGHT }), spd: spd(ok) } as Reading);
    expect(line(true)).toBe('SPD: 8 GB DDR4-2666 CL19 SO-DIMM');
    expect(line(false)).toBe('SPD: 8 GB DDR4-2666 CL19 SO-DIMM (its check does not hold)');
  });

  it('says of something to buy what it costs, of a pack how many it holds', () => {
    const line = (told: Partial<ReadOffer>, format: Reading['format'] = 'listing') =>
      readingLine(reading({ format, module: EIGHT, offer: offer(told) }));
    const eight = '8 GB DDR4-2666 CL19 SO-DIMM';
    expect(line({ priceCents: 3190, currency: 'EUR', seller: 'Quayside' })).toBe(
      `an offer: ${eight} at €31.90 from Quayside`,
    );
    // A sign that several currencies share names none.
    expect(line({ priceCents: 3190, modules: 2 })).toBe(`an offer: 2 × ${eight} at 31.90`);
    expect(line({}, 'product-page')).toBe(`an offer: ${eight} without a price`);
    expect(line({ modules: 2 })).toBe(`label or title: 2 × ${eight}`);
  });

  it('is the name of its kind where it says nothing', () => {
    expect(readingLine(reading({ format: 'hardware-tree' }))).toBe('hardware listing');
  });
});

describe('a specification and a system’s own text', () => {
  const lineOf = (text: string): string => {
    const result = read(text);
    return result.ok ? readingLine(result.reading) : result.code;
  };

  it('say in a line of what they are, and how much they tell', () => {
    expect(lineOf('Brimwick Note 14\nMemory slots: 2 SO-DIMM\nMaximum memory: 32 GB')).toBe(
      'specification of Brimwick Note 14: 2 slots, 2 limits',
    );
    expect(lineOf('Ostrin X7-9400 Processor\nCores: 8\nTDP: 65 W\nMax memory size: 64 GB')).toBe(
      'specification of Ostrin X7-9400: 1 limit',
    );
    expect(lineOf('16.0 GB DDR4 · Speed: 2667 MHz · Slots used: 2 of 4 · Form factor: SODIMM')).toBe(
      'text of the system of a machine that does not say its name: 4 slots, 2 filled with 16 GB in total',
    );
    expect(lineOf('System Manufacturer: Brimwick\nSystem Model: Note 14\nTotal Physical Memory: 16,384 MB')).toBe(
      'text of the system of Brimwick Note 14: 16 GB usable',
    );
  });
});
