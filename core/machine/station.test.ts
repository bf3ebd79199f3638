import { nextStation, stationStandings } from './station';

describe('how the stations of a job stand', () => {
  const nothing = {
    customerNamed: false,
    slotCount: 0,
    gapCount: 0,
    limitsAgreed: false,
    choiceCount: 0,
    quoteSent: false,
    questionOpen: false,
    fitted: false,
    proved: false,
  };

  test.each([
    [nothing, 'decide waits waits waits waits waits', 'intake'],
    [{ ...nothing, customerNamed: true, slotCount: 2, gapCount: 1 }, 'done decide waits waits waits waits', 'limits'],
    [{ ...nothing, customerNamed: true, slotCount: 2 }, 'done decide decide waits waits waits', 'limits'],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true },
      'done done decide waits waits waits',
      'options',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, choiceCount: 2 },
      'done done done decide waits waits',
      'quote',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true },
      'done done done done decide waits',
      'fitting',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true, questionOpen: true },
      'done done done decide decide waits',
      'quote',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true, fitted: true },
      'done done done done done decide',
      'proof',
    ],
    [
      {
        ...nothing,
        customerNamed: true,
        slotCount: 2,
        limitsAgreed: true,
        quoteSent: true,
        fitted: true,
        proved: true,
      },
      'done done done done done done',
      'proof',
    ],
  ])('%#: %j', (facts, standings, next) => {
    const stand = stationStandings(facts);
    expect(Object.values(stand).join(' ')).toBe(standings);
    expect(nextStation(stand)).toBe(next);
  });
});
