import type { MemoryModule } from '../../memory/module';
import { makeBoard } from '../model/board';
import type { Offer, PlanCase } from '../model/case';
import { Places } from '../placement/placement';
import { effectiveLimits } from '../rules/effective-limits';

export const GB = 1024;

/** A module that the machine takes. */
export const stick: MemoryModule = {
  generation: 'DDR4',
  form: 'DIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityMiB: 8 * GB,
  rateMTs: 2400,
  casLatency: 17,
  voltagesMv: [1200],
};

export const offer = (id: string, priceCents: number, more: Partial<Offer> = {}): Offer => ({
  id,
  label: id,
  origin: 'third-party',
  modules: 1,
  module: stick,
  priceCents,
  ...more,
});

/** Two channels of two slots, empty, changed as a test needs it. */
export function makeCase(more: Partial<PlanCase> = {}, machine: Partial<PlanCase['machine']> = {}): PlanCase {
  return {
    fenbrik: 'case/1',
    currency: 'EUR',
    installed: [],
    offers: [],
    machine: {
      generations: ['DDR4'],
      form: 'DIMM',
      kinds: [{ buffering: 'unbuffered', ecc: false }],
      voltagesMv: [1200],
      slots: [1, 2, 3, 4].map((nr) => ({ id: `S${nr}`, channel: nr % 2 === 0 ? 'B' : 'A', bank: Math.ceil(nr / 2) })),
      pairing: 'none',
      ratesMTs: [2133, 2400],
      ...machine,
    },
    ...more,
  };
}

/** The places of a case, with its board. */
export const placesOf = (planCase: PlanCase) => {
  const board = makeBoard(planCase);
  return { board, places: new Places(board, effectiveLimits(board), planCase.offers) };
};
