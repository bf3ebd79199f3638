import { inferPlace } from './infer-place';

describe('where a slot is, by its strings', () => {
  test.each([
    ['ChannelA-DIMM0', 'BANK 0', 'A', 0],
    ['ChannelB-DIMM1', 'BANK 3', 'B', 1],
    ['DIMM_B2', '', 'B', 2],
    ['DIMM A1', 'x', 'A', 1],
    ['A2', 'BANK 2', 'A', 2],
    ['DIMM 1', 'P0 CHANNEL C', 'C', 1],
    ['SODIMM_A', null, 'A', 0],
  ])('%s / %s is channel %s, bank %i', (locator, bank, channel, position) => {
    expect(inferPlace(locator, bank)).toEqual({ channel, bank: position });
  });

  test.each([
    ['DIMM 0', 'BANK 0'],
    [null, null],
    ['Slot 3', 'Bank 3'],
    ['DIMM_A1234', null],
    ['Top', 'none'],
  ])('%s / %s does not tell', (locator, bank) => {
    expect(inferPlace(locator, bank)).toBeNull();
  });
});
