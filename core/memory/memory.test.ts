import { capacityText } from './capacity';
import { GENERATION_FACTS, GENERATIONS } from './generation';
import { moduleSchema } from './module';
import { generationText, kindWords, moduleText, pinCount } from './module-words';
import { parseCapacity } from './parse-capacity';
import { printedRate } from './printed-rate';

const sample = moduleSchema.parse({
  generation: 'DDR4',
  form: 'SO-DIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityMiB: 16384,
  rateMTs: 2666,
  casLatency: 19,
  voltagesMv: [1200],
});

describe('rates as the trade prints them', () => {
  test.each([
    [267, 266],
    [534, 533],
    [666, 667],
    [1067, 1066],
    [1334, 1333],
    [1867, 1866],
    [2134, 2133],
    [2667, 2666],
    [2934, 2933],
    [3200, 3200],
    [5600, 5600],
  ])('%i is %i', (told, printed) => {
    expect(printedRate(told)).toBe(printed);
  });

  it('leaves alone what no table holds', () => {
    expect(printedRate(3000)).toBe(3000);
    expect(printedRate(2500)).toBe(2500);
  });

  it('keeps every standard rate as it is', () => {
    for (const name of GENERATIONS)
      for (const rate of GENERATION_FACTS[name].ratesMTs) expect(printedRate(rate)).toBe(rate);
  });
});

describe('capacities', () => {
  test.each([
    [0, '0 GB'],
    [512, '512 MB'],
    [1024, '1 GB'],
    [1536, '1.5 GB'],
    [16384, '16 GB'],
    [1048576, '1 TB'],
    [1572864, '1536 GB'],
  ])('%i MiB reads %s', (mib, text) => {
    expect(capacityText(mib)).toBe(text);
  });

  test.each([
    ['16', 16384],
    ['16 GB', 16384],
    [' 16gb ', 16384],
    ['512mb', 512],
    ['1.5 GB', 1536],
    ['1,5', 1536],
    ['2T', 2097152],
  ])('typed "%s" is %i MiB', (typed, mib) => {
    expect(parseCapacity(typed)).toBe(mib);
  });

  test.each(['', '0', '-4', 'lots', '8 XB', '0.0001', '8 8', '1e3', '99999999999'])('typed "%s" is none', (typed) => {
    expect(parseCapacity(typed)).toBeNull();
  });

  it('reads back what it writes', () => {
    for (const mib of [512, 1024, 1536, 8192, 49152, 2097152]) expect(parseCapacity(capacityText(mib))).toBe(mib);
  });
});

describe('a module in words', () => {
  it('names capacity, generation, rate, CL and form', () => {
    expect(moduleText(sample)).toBe('16 GB DDR4-2666 CL19 SO-DIMM');
    expect(moduleText({ ...sample, casLatency: null, ecc: true })).toBe('16 GB DDR4-2666 SO-DIMM, ECC');
    expect(moduleText({ ...sample, buffering: 'registered', ecc: true })).toBe(
      '16 GB DDR4-2666 CL19 SO-DIMM, registered ECC',
    );
  });

  it('marks low-voltage DDR3, and only that', () => {
    expect(generationText({ generation: 'DDR3', voltagesMv: [1350, 1500] })).toBe('DDR3L');
    expect(generationText({ generation: 'DDR3', voltagesMv: [1500] })).toBe('DDR3');
    expect(generationText({ generation: 'DDR4', voltagesMv: [1350] })).toBe('DDR4');
  });

  it('needs no word for the plain kind', () => {
    expect(kindWords('unbuffered', false)).toBe('');
    expect(kindWords('registered', false)).toBe('registered');
  });

  it('counts pins by generation and form', () => {
    expect(pinCount({ generation: 'DDR2', form: 'DIMM' })).toBe(240);
    expect(pinCount({ generation: 'DDR3', form: 'SO-DIMM' })).toBe(204);
    expect(pinCount({ generation: 'DDR5', form: 'SO-DIMM' })).toBe(262);
    expect(pinCount({ generation: 'DDR5', form: 'CAMM2' })).toBeNull();
  });

  it('refuses a module with a field nobody knows, no capacity, or no voltage', () => {
    expect(moduleSchema.safeParse({ ...sample, colour: 'green' }).success).toBe(false);
    expect(moduleSchema.safeParse({ ...sample, capacityMiB: 0 }).success).toBe(false);
    expect(moduleSchema.safeParse({ ...sample, voltagesMv: [] }).success).toBe(false);
    expect(moduleSchema.safeParse({ ...sample, ranks: null, maker: undefined }).success).toBe(true);
  });
});
