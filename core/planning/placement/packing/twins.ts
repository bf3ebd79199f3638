import type { Board } from '../../model/board';
import type { PartialPlacement } from './partial-placement';

/**
 * Sockets that nothing tells apart from one, all else being where it stands: the same place in a channel just like its own.
 * What cannot stand in the one cannot stand in those either, now or when more has its place.
 */
export function twinsOf(board: Board, { slots, homes }: PartialPlacement, socket: number): number[] {
  const own = board.slotsOf[board.channelOf[socket] ?? -1] ?? [];
  const place = own.indexOf(socket);
  const { machine } = board;
  const isAlike = (slot: number, other: number): boolean =>
    slots[slot] === slots[other] &&
    (homes[slot] ?? -1) < 0 &&
    (homes[other] ?? -1) < 0 &&
    machine.slots[slot]?.bank === machine.slots[other]?.bank &&
    (machine.slots[slot]?.maxMiB ?? 0) === (machine.slots[other]?.maxMiB ?? 0);
  return board.slotsOf.flatMap((others) => {
    if (others === own || others.length !== own.length) return [];
    return own.every((slot, nr) => isAlike(slot, others[nr] ?? -1)) ? [others[place] ?? -1] : [];
  });
}
