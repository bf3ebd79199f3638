/** A slot as far as its place in the fill order goes; `soldered` ones have none. */
interface Placed {
  id: string;
  channel: string;
  bank: number;
  soldered?: unknown;
}

/**
 * Indexes of sockets in the order they are filled: the machine's own list first, then by bank, then by channel as
 * first listed.
 */
export function fillOrder(slots: readonly Placed[], named: readonly string[]): number[] {
  const channels = [...new Set(slots.map(({ channel }) => channel))];
  const isSocket = (index: number) => slots[index] !== undefined && slots[index].soldered == null;
  const first = named.map((id) => slots.findIndex((slot) => slot.id === id)).filter(isSocket);
  const channelOf = (index: number) => channels.indexOf(slots[index]?.channel ?? '');
  const bankOf = (index: number) => slots[index]?.bank ?? 0;
  const rest = slots
    .map((_, index) => index)
    .filter((index) => isSocket(index) && !first.includes(index))
    .sort((a, b) => bankOf(a) - bankOf(b) || channelOf(a) - channelOf(b));
  return [...first, ...rest];
}
