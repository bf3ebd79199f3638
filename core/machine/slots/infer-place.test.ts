import { inferPlaces } from './infer-place';

/** Places of slots written as `locator` or `locator / bank`. */
const places = (...slots: string[]) =>
  inferPlaces(
    slots.map((slot) => {
      const [locator, bank] = slot.split(' / ');
      return { locator: locator || null, bank: bank ?? null };
    }),
  );
const short = (...slots: string[]) => places(...slots).map(({ channel, bank, sure }) => `${channel}${bank} ${sure}`);

describe('the place of one slot is named by', () => {
  test.each([
    ['ChannelA-DIMM0 / BANK 0', 'A', 0],
    ['ChannelB-DIMM1 / BANK 3', 'B', 1],
    ['Channel B Slot 1', 'B', 1],
    ['CHANNEL C DIMM 2', 'C', 2],
    ['ChA-DIMM1', 'A', 1],
    ['CHB0', 'B', 0],
    ['DIMM_B2', 'B', 2],
    ['DIMMB2', 'B', 2],
    ['DIMM A1 / x', 'A', 1],
    ['SODIMM_A', 'A', 0],
    ['SO-DIMM B1', 'B', 1],
    ['A2 / BANK 2', 'A', 2],
    ['B-1', 'B', 1],
    ['A1_DIMM0', 'A', 1],
    ['DIMM 1 / P0 CHANNEL C', 'C', 1],
    ['DIMM 0 / P0 CHANNEL A', 'A', 0],
    ['A-DIMM1', 'A', 1],
    ['DIMM 2B', 'B', 2],
    ['CPU0_DIMM_D1', 'D', 1],
    ['P1-DIMME1', 'E', 1],
    ['Node0_Channel2_Dimm1', 'C', 1],
    ['P0_Node0_Channel1_Dimm0', 'B', 0],
    ['MC0_CH1_D0', 'B', 0],
    ['PROC 1 DIMM 3 / CHANNEL B', 'B', 3],
    ['Slot A1', 'A', 1],
    ['MEM_C2', 'C', 2],
  ])('%s: channel %s, position %i', (slot, channel, bank) => {
    expect(places(slot)).toEqual([{ channel, bank, sure: 'named' }]);
  });
});

describe('the places of a whole board', () => {
  it('are told apart by the CPU where there are several', () => {
    expect(short('CPU0_DIMM_A1', 'CPU0_DIMM_B1', 'CPU1_DIMM_A1', 'CPU1_DIMM_B1')).toEqual([
      '0A1 named',
      '0B1 named',
      '1A1 named',
      '1B1 named',
    ]);
    expect(short('DIMM 0 / P0 CHANNEL A', 'DIMM 0 / P1 CHANNEL A')).toEqual(['0A0 named', '1A0 named']);
  });

  it('and by the controller', () => {
    expect(short('Controller0-ChannelA-DIMM0', 'Controller0-ChannelB-DIMM0', 'Controller1-ChannelA-DIMM0')).toEqual([
      '0A0 named',
      '0B0 named',
      '1A0 named',
    ]);
  });

  it('count by their order where numbers in a channel stand twice', () => {
    expect(short('DIMM 1 / CHANNEL A', 'DIMM 1 / CHANNEL A', 'DIMM 1 / CHANNEL B')).toEqual([
      'A0 named',
      'A1 named',
      'B0 named',
    ]);
  });

  it('are likely two channels where two sockets say nothing', () => {
    expect(short('DIMM 1 / BANK 0', 'DIMM 2 / BANK 2')).toEqual(['A0 likely', 'B0 likely']);
    expect(short('Bottom-Slot 1(left)', 'Bottom-Slot 2(right)')).toEqual(['A0 likely', 'B0 likely']);
  });

  it('are guessed for four, and one channel for any other number', () => {
    expect(short('DIMM1', 'DIMM2', 'DIMM3', 'DIMM4')).toEqual(['A0 guess', 'A1 guess', 'B0 guess', 'B1 guess']);
    expect(short('1', '2', '3')).toEqual(['A0 guess', 'A1 guess', 'A2 guess']);
    expect(short('DIMM 0')).toEqual(['A0 likely']);
    expect(short('', '')).toEqual(['A0 likely', 'B0 likely']);
  });

  it('are not named where one slot’s strings are silent', () => {
    expect(short('DIMM_A1', 'Slot 3')).toEqual(['A0 likely', 'B0 likely']);
    expect(short('DIMM_A1234', 'DIMM_B1')).toEqual(['A0 likely', 'B0 likely']);
  });

  it('of a hundred slots with the longest strings are found in no time', () => {
    const name = 'CPU'.repeat(80);
    expect(places(...Array.from({ length: 64 }, () => name))).toHaveLength(64);
  });
});
