import { NOTHING_KNOWN } from '../models/nothing-known';
import { known } from '../samples';
import { moduleDetail } from './module-detail';

test.each([
  [{ ...known, casLatency: 17, ranks: 1, deviceWidth: 8 }, 'DDR4-2400 CL17 1Rx8'],
  [{ ...known, ranks: 2 }, 'DDR4-2400 2R'],
  [{ ...NOTHING_KNOWN, rateMTs: 1333 }, '1333'],
  [{ ...NOTHING_KNOWN, generation: 'DDR3' as const }, 'DDR3'],
  [NOTHING_KNOWN, ''],
])('%j is %s', (module, text) => {
  expect(moduleDetail(module)).toBe(text);
});
