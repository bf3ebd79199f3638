/** A test that takes its time and whose parts others walk as well: it runs in `npm run test:long`. */
export const inLongRun = process.env.FENBRIK_LONG === '1' ? test : test.skip;
