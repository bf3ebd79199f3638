/** How sure a slot's place is: its strings name it, the usual wiring of such boards, or only an order. */
export const PLACE_SURENESS = ['named', 'likely', 'guess'] as const;
export type PlaceSureness = (typeof PLACE_SURENESS)[number];

export interface SlotPosition {
  channel: string;
  bank: number;
}

export interface InferredPlace extends SlotPosition {
  sure: PlaceSureness;
}

/** What the strings of one slot say of its place: CPU and controller by number, the channel as a letter. */
interface Parts {
  cpu: string | null;
  controller: string | null;
  channel: string | null;
  position: number | null;
}

/** No board has as many positions in a channel; a larger number is something else. */
const LARGEST_POSITION = 99;

const SEP = '[\\s_.:-]*';

/** DSP0134 7.18 leaves the wording of locators to the maker: these are the spellings that are met. */
const CPU = new RegExp(
  `(?:cpu|proc(?:essor)?|node|socket|^p(?=${SEP}\\d)|[\\s_-]p(?=\\d))${SEP}(?<cpu>\\d{1,2})(?!\\d)`,
  'i',
);
const CONTROLLER = new RegExp(`(?:controller|imc|mc)${SEP}(?<controller>\\d)(?!\\d)`, 'i');
const CHANNELS: readonly RegExp[] = [
  new RegExp(`(?:channel|chan|ch)${SEP}(?<channel>[a-p]|\\d{1,2})(?![a-z0-9])`, 'i'),
  // `ChannelA-DIMM0` is read above; here a letter that goes on in a number: `CHA0`.
  new RegExp(`(?:channel|chan|ch)${SEP}(?<channel>[a-p])(?<position>\\d)(?!\\d)`, 'i'),
  new RegExp(`(?:so-?)?(?:dimm|slot|mem)${SEP}(?<channel>[a-p])${SEP}(?<position>\\d{1,3})?(?![a-z0-9])`, 'i'),
  new RegExp(`(?:so-?)?(?:dimm|slot)${SEP}(?<position>\\d)(?<channel>[a-p])(?![a-z0-9])`, 'i'),
  new RegExp(`^(?<channel>[a-p])${SEP}(?<position>\\d{1,2})(?:${SEP}(?:dimm.*)?)?$`, 'i'),
  new RegExp(`^(?<channel>[a-p])${SEP}(?:so-?)?dimm${SEP}(?<position>\\d{1,2})?$`, 'i'),
];
const POSITION = new RegExp(`(?:dimm|slot|bank|^d|[\\s_-]d)${SEP}(?<position>\\d{1,3})\\s*$`, 'i');

const letterOf = (channel: string): string =>
  /^\d+$/.test(channel) ? String.fromCharCode(65 + Math.min(Number(channel), 25)) : channel.toUpperCase();

/** What a string says of a place; parts that it does not name are null. */
function partsOf(text: string | null): Parts {
  const said: Parts = { cpu: null, controller: null, channel: null, position: null };
  if (text === null) return said;
  said.cpu = CPU.exec(text)?.groups?.cpu ?? null;
  said.controller = CONTROLLER.exec(text)?.groups?.controller ?? null;
  // The CPU's own words are taken out: `CPU1` is no channel, and `P0` no slot.
  const rest = text.replace(CPU, ' ').replace(CONTROLLER, ' ').trim();
  for (const pattern of CHANNELS) {
    const groups = pattern.exec(rest)?.groups;
    if (groups?.channel === undefined) continue;
    const position = groups.position === undefined ? null : Number(groups.position);
    if (position !== null && position > LARGEST_POSITION) continue;
    said.channel = letterOf(groups.channel);
    said.position = position;
    break;
  }
  const ending = POSITION.exec(rest)?.groups?.position;
  if (said.position === null && ending !== undefined && Number(ending) <= LARGEST_POSITION)
    said.position = Number(ending);
  return said;
}

/** Both strings together: the locator first, the bank string where it is silent. */
function partsOfSlot(locator: string | null, bank: string | null): Parts {
  const [first, second] = [partsOf(locator), partsOf(bank)];
  return {
    cpu: first.cpu ?? second.cpu,
    controller: first.controller ?? second.controller,
    channel: first.channel ?? second.channel,
    position: first.position ?? (first.channel === null ? second.position : null),
  };
}

export interface NamedSlot {
  locator: string | null;
  bank: string | null;
}

/** Channel names of several CPUs and controllers are told apart by what differs, and by nothing else. */
function channelName({ cpu, controller, channel }: Parts, all: readonly Parts[]): string {
  const differ = (part: 'cpu' | 'controller'): boolean => new Set(all.map((one) => one[part])).size > 1;
  const before = [differ('cpu') ? cpu : null, differ('controller') ? controller : null].filter((part) => part !== null);
  return before.length === 0 ? (channel ?? '') : `${before.join('.')}${channel}`;
}

const distinct = (places: readonly SlotPosition[]): boolean =>
  new Set(places.map(({ channel, bank }) => `${channel}/${bank}`)).size === places.length;

/** Places where every slot names its channel; null where one does not, or two are the same. */
function namedPlaces(all: readonly Parts[]): SlotPosition[] | null {
  if (all.some(({ channel }) => channel === null)) return null;
  const channels = all.map((parts) => channelName(parts, all));
  const named = all.map(({ position }, index) => ({ channel: channels[index] ?? '', bank: position ?? 0 }));
  if (distinct(named)) return named;
  // The same position twice in a channel: the number counts something else, so the order in the channel counts.
  const seen = new Map<string, number>();
  return channels.map((channel) => {
    const bank = seen.get(channel) ?? 0;
    seen.set(channel, bank + 1);
    return { channel, bank };
  });
}

/** Channels that boards with so many sockets and no word on channels usually have, sockets of a channel in a row. */
const USUAL_CHANNELS: Record<number, { channels: number; sure: PlaceSureness }> = {
  1: { channels: 1, sure: 'likely' },
  2: { channels: 2, sure: 'likely' },
  4: { channels: 2, sure: 'guess' },
};

function usualPlaces(count: number): InferredPlace[] {
  const { channels, sure } = USUAL_CHANNELS[count] ?? { channels: 1, sure: 'guess' as const };
  const each = count / channels;
  return Array.from({ length: count }, (_, index) => ({
    channel: String.fromCharCode(65 + Math.floor(index / each)),
    bank: index % each,
    sure,
  }));
}

/**
 * Channel and position in it of every slot of a board, by the strings its firmware has for them, and how sure that is.
 * Where the strings do not tell of every slot, the usual wiring of so many sockets stands in: two are two channels
 * (likely), four are two and two (a guess), any other number counts as one channel (a guess).
 */
export function inferPlaces(slots: readonly NamedSlot[]): InferredPlace[] {
  const all = slots.map(({ locator, bank }) => partsOfSlot(locator, bank));
  const named = namedPlaces(all);
  return named === null ? usualPlaces(slots.length) : named.map((place) => ({ ...place, sure: 'named' }));
}
