import { read } from '../../reading/read';
import { isSpecification, type SpecificationReading } from '../../reading/reading';
import { slotsOfModel } from '../slots/slots-of-reading';
import {
  boardOfSpecification,
  claimsOfTaken,
  insidesOf,
  likelySource,
  takenSpecificationSchema,
  withInside,
} from './taken-specification';

function specification(text: string): SpecificationReading {
  const result = read(text);
  if (!result.ok || !isSpecification(result.reading)) throw new Error('no specification');
  return result.reading;
}

const NOTE = `Brimwick Note 14
Memory: 8 GB DDR4-2666 SO-DIMM (1 x 8 GB)
Memory slots: 2
Maximum memory: 32 GB`;

describe('what is taken of a specification', () => {
  const taken = takenSpecificationSchema.parse({
    source: { kind: 'maker-page', name: 'Maker’s page' },
    claims: [{ limit: 'totalMiB', value: 32768, quote: 'Maximum memory: 32 GB' }],
    inside: { capacityMiB: 8192, modules: 1 },
  });

  it('are claims in its source’s name, each with its words', () => {
    expect(claimsOfTaken(taken, '2026-11-30', 'Teo Brandt')).toEqual([
      {
        limit: 'totalMiB',
        value: 32768,
        source: {
          kind: 'maker-page',
          name: 'Maker’s page',
          note: 'Maximum memory: 32 GB',
          on: '2026-11-30',
          by: 'Teo Brandt',
        },
      },
    ]);
  });

  test.each([
    [{ ...taken, source: { kind: 'technician', name: 'me' } }],
    [{ ...taken, source: { kind: 'maker-page', name: '  ' } }],
    [{ ...taken, claims: [{ limit: 'totalMiB', value: -1, quote: '' }] }],
    [{ ...taken, claims: [{ limit: 'colour', value: 1, quote: '' }] }],
    [{ ...taken, inside: { capacityMiB: 8192, modules: 3 } }],
  ])('%# is refused where it cannot be', (input) => {
    expect(takenSpecificationSchema.safeParse(input).success).toBe(false);
  });
});

describe('the board that a specification describes', () => {
  it('has its slots in two channels where nothing else is said, one slot in one', () => {
    expect(boardOfSpecification(specification(NOTE)).map(({ name }) => name)).toEqual(['A', 'B']);
    const four = specification('Memory slots: 4 DIMM\nMaximum memory: 64 GB');
    expect(boardOfSpecification(four).map(({ name }) => name)).toEqual(['A1', 'B1', 'A2', 'B2']);
    const one = specification('Memory slots: 1 SO-DIMM\nMaximum memory: 16 GB');
    expect(boardOfSpecification(one).map(({ name, channel }) => [name, channel])).toEqual([['A', 'A']]);
  });

  it('takes the channels that the text counts', () => {
    const quad = specification('Memory: quad channel DDR4, 8 DIMM slots, up to 256 GB');
    expect(new Set(boardOfSpecification(quad).map(({ channel }) => channel)).size).toBe(4);
  });

  it('holds what is soldered beside its slots', () => {
    const soldered = specification('RAM: 8 GB DDR4 soldered on board plus one SO-DIMM slot\nExpandable to 24 GB');
    expect(boardOfSpecification(soldered).map(({ name, soldered: own }) => [name, own?.capacityMiB ?? null])).toEqual([
      ['Soldered', 8192],
      ['A', null],
    ]);
  });
});

describe('what a machine was sold with', () => {
  it('is offered in as many modules as the text says, else in those that it may be', () => {
    expect(insidesOf(specification(NOTE))).toEqual([{ capacityMiB: 8192, modules: 1 }]);
    const unsaid = specification('Memory: 8 GB DDR4\nMemory slots: 2\nMaximum memory: 32 GB');
    expect(insidesOf(unsaid)).toEqual([
      { capacityMiB: 8192, modules: 1 },
      { capacityMiB: 8192, modules: 2 },
    ]);
  });

  it('goes into the first slots, and not where a reading tells what is in them', () => {
    const reading = specification(NOTE);
    const placed = slotsOfModel(boardOfSpecification(reading)).map((slot) => ({ slot, read: null, sure: null }));
    const filled = withInside(placed, { capacityMiB: 8192, modules: 1 }, reading);
    expect(filled.map(({ slot }) => slot.module?.capacityMiB ?? null)).toEqual([8192, null]);
    expect(filled[0]?.slot).toMatchObject({
      moduleSource: 'specification',
      module: { generation: 'DDR4', form: 'SO-DIMM', rateMTs: null },
    });
    const read = placed.map((one) => ({ ...one, read: 0 }));
    expect(withInside(read, { capacityMiB: 8192, modules: 1 }, reading)).toEqual(read);
  });
});

test.each([
  ['cpu-page', 'Ostrin X7-9400 Processor\nCores: 8\nTDP: 65 W\nMax memory size: 64 GB\nMemory types: DDR4-2933'],
  ['board-manual', 'Kestrin B460-A motherboard\nMemory: 4 x DIMM, max. 128GB, DDR4 2933/2666 MHz'],
  ['lid-label', 'Label in the lid\nDIMM1 DIMM2\nDDR4 2400\nMax 16 GB each'],
  ['maker-page', NOTE],
])('its source is most likely a %s', (kind, text) => {
  expect(likelySource(specification(text), text).kind).toBe(kind);
});
