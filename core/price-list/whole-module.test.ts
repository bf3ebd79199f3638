import { NOTHING_KNOWN } from '../machine/models/nothing-known';
import { wholeModule } from './whole-module';

test('a module of a list is completed by what is usual, never in what must be told', () => {
  const known = { capacityMiB: 8192, generation: 'DDR3', form: 'DIMM', rateMTs: 1600 } as const;
  const nothing = {
    buffering: null,
    ecc: null,
    casLatency: null,
    ranks: null,
    voltagesMv: null,
    maker: null,
    part: null,
  };
  expect(wholeModule({ ...nothing, ...known })).toMatchObject({
    buffering: 'unbuffered',
    ecc: false,
    voltagesMv: [1500],
  });
  expect(wholeModule({ ...nothing, ...known, buffering: 'registered' })).toMatchObject({ ecc: true });
  expect(wholeModule({ ...nothing, ...known, rateMTs: null })).toBeNull();
  expect(wholeModule({ ...nothing, ...known, generation: null })).toBeNull();
});

test('a size or a rate that no module has makes none', () => {
  const known = { ...NOTHING_KNOWN, generation: 'DDR4', form: 'DIMM', capacityMiB: 16_384, rateMTs: 2666 } as const;
  expect(wholeModule(known)).not.toBeNull();
  expect(wholeModule({ ...known, capacityMiB: 16_777_217 })).toBeNull();
  expect(wholeModule({ ...known, rateMTs: 100_001 })).toBeNull();
});
