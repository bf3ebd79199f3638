import type { MemoryModule } from '../../memory/module';
import type { Machine, PlanCase } from './case';
import { type CountedSpeed, countedSpeed } from './counted-speed';
import { fillOrder } from './fill-order';

/** A module as the planner handles it: with the speed it counts with and where it comes from. */
export interface Piece {
  module: MemoryModule;
  speed: CountedSpeed;
  source: { from: 'soldered' } | { from: 'installed'; index: number } | { from: 'offer'; index: number };
}

/** What sits in each slot, by the case's order of slots; null: empty. */
export type Layout = readonly (Piece | null)[];

/** A case's machine with its names turned into positions, made once and read often. */
export interface Board {
  machine: Machine;
  /** number of the channel of each slot, in order of first mention */
  channelOf: readonly number[];
  channelCount: number;
  /** slots of each channel, soldered ones too */
  slotsOf: readonly (readonly number[])[];
  /** slots of each bank, soldered ones too */
  banks: readonly (readonly number[])[];
  /** slots that can take a module, in the case's order */
  sockets: readonly number[];
  /** position of each slot in the fill order; soldered slots have none (-1) */
  fillPosition: readonly number[];
  /** the soldered modules in their slots, everything else empty */
  soldered: Layout;
  installed: readonly Piece[];
  /** slot of each installed module */
  home: readonly number[];
}

function indexByFirstMention(names: readonly string[]): { of: number[]; count: number } {
  const distinct = [...new Set(names)];
  return { of: names.map((name) => distinct.indexOf(name)), count: distinct.length };
}

/** Prepares the machine and what is in it. */
export function makeBoard(planCase: Pick<PlanCase, 'machine' | 'installed'>): Board {
  const { machine, installed } = planCase;
  const profiles = machine.profiles === true;
  const channels = indexByFirstMention(machine.slots.map((slot) => slot.channel));
  const bankOf = indexByFirstMention(machine.slots.map((slot) => String(slot.bank)));
  const slots = machine.slots.map((_, index) => index);
  const sockets = slots.filter((index) => machine.slots[index]?.soldered == null);
  const order = fillOrder(machine.slots, machine.fillOrder ?? []);
  return {
    machine,
    channelOf: channels.of,
    channelCount: channels.count,
    slotsOf: Array.from({ length: channels.count }, (_, channel) =>
      slots.filter((slot) => channels.of[slot] === channel),
    ),
    banks: Array.from({ length: bankOf.count }, (_, bank) => slots.filter((slot) => bankOf.of[slot] === bank)),
    sockets,
    fillPosition: slots.map((slot) => order.indexOf(slot)),
    soldered: machine.slots.map(({ soldered }) =>
      soldered == null
        ? null
        : { module: soldered, speed: countedSpeed(soldered, profiles), source: { from: 'soldered' } },
    ),
    installed: installed.map(({ module }, index) => ({
      module,
      speed: countedSpeed(module, profiles),
      source: { from: 'installed', index },
    })),
    home: installed.map(({ slot }) => machine.slots.findIndex(({ id }) => id === slot)),
  };
}

/** The modules of a layout, in the order of slots. */
export function piecesOf(layout: Layout): Piece[] {
  return layout.filter((piece) => piece !== null);
}

/** What is in the machine today. */
export function layoutToday(board: Board): Layout {
  const layout = [...board.soldered];
  board.installed.forEach((piece, index) => {
    layout[board.home[index] ?? -1] = piece;
  });
  return layout;
}
