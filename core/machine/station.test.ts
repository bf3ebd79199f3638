import { NO_FACTS, nextStation, stationStandings } from './station';

describe('how the stations of a job stand', () => {
  test.each([
    [NO_FACTS, 'decide waits waits waits waits waits', 'intake'],
    [{ ...NO_FACTS, customerNamed: true, slotCount: 2, gapCount: 1 }, 'done decide waits waits waits waits', 'limits'],
    [{ ...NO_FACTS, customerNamed: true, slotCount: 2 }, 'done decide decide waits waits waits', 'limits'],
    [
      { ...NO_FACTS, customerNamed: true, slotCount: 2, limitsAgreed: true },
      'done done decide waits waits waits',
      'options',
    ],
    [
      { ...NO_FACTS, customerNamed: true, slotCount: 2, limitsAgreed: true, choiceCount: 2 },
      'done done done decide waits waits',
      'quote',
    ],
    [
      { ...NO_FACTS, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true },
      'done done done done decide waits',
      'fitting',
    ],
    [
      { ...NO_FACTS, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true, questionOpen: true },
      'done done done decide decide waits',
      'quote',
    ],
    [
      { ...NO_FACTS, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true, fitted: true },
      'done done done done done decide',
      'proof',
    ],
    [
      {
        ...NO_FACTS,
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
