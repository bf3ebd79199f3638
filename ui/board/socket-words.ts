import type { SlotFacts } from '@/core/machine/slots/slot-facts';
import { capacityText } from '@/core/memory/capacity';
import type { SlotChange } from '@/core/quoting/slot-changes';
import type { BarLook } from './module-bar';

export interface Drawn {
  look: BarLook;
  text: string;
}

/** What a socket holds today, as it is drawn. */
export function nowDrawn(change: SlotChange): Drawn {
  if (change.soldered) return { look: 'soldered', text: change.now === null ? '?' : capacityText(change.now) };
  if (change.blocked) return { look: 'blocked', text: 'blocked' };
  if (!change.nowKnown) return { look: 'asked', text: 'how much?' };
  if (change.now === null) return { look: 'empty', text: 'empty' };
  if (change.rateAsked) return { look: 'asked', text: `${capacityText(change.now)}, rate?` };
  const gone = change.leaves === 'out' || change.leaves === 'moves';
  return { look: gone ? 'leaving' : 'fitted', text: capacityText(change.now) };
}

/** What it holds after the plan, as it is drawn. */
export function afterDrawn(change: SlotChange): Drawn {
  if (change.soldered || change.blocked) return nowDrawn(change);
  if (change.after === null) return { look: 'empty', text: 'free' };
  const word = { stays: '', new: ' new', moves: ' moved', empty: '' }[change.comes];
  return { look: change.comes === 'new' ? 'new' : 'fitted', text: `${capacityText(change.after)}${word}` };
}

/** Does the plan leave the socket as it is? */
export const unchanged = ({ soldered, blocked, leaves, comes }: SlotChange): boolean =>
  soldered || blocked || comes === 'stays' || (leaves === null && comes === 'empty');

export const KEEP_WORDS = { may: '', must: 'stays', never: 'goes' } as const;

/** A socket in words, for those who do not see it drawn. */
export function socketWords(
  change: SlotChange,
  planned: boolean,
  more: { facts?: SlotFacts | undefined; fill?: number | undefined; detail?: string | undefined },
): string {
  const now = change.now === null ? (change.nowKnown ? 'empty' : 'a module of unknown size') : capacityText(change.now);
  const known = change.now !== null && more.detail !== undefined && more.detail !== '' ? ` ${more.detail}` : '';
  const what = change.blocked ? 'blocked' : `${now}${known}`;
  const parts = [
    `${change.slot}, channel ${change.channel}${change.soldered ? ', soldered' : ''}: ${what}`,
    change.rateAsked ? ', its rate is not known' : '',
    change.lidName === null ? '' : `, ${change.lidName} on the lid’s label`,
    change.now !== null && change.keep === 'must' ? ', must stay' : '',
    change.now !== null && change.keep === 'never' ? ', must go' : '',
    more.fill === undefined ? '' : `, filled as number ${more.fill}`,
    planned && !unchanged(change) ? `; after: ${afterDrawn(change).text}` : '',
  ];
  const disagree = more.facts?.values
    .filter(({ against }) => against.length > 0)
    .map(({ label }) => label.toLowerCase());
  const dispute = disagree === undefined || disagree.length === 0 ? '' : `. Sources disagree on ${disagree.join(', ')}`;
  return `${parts.join('')}${dispute}`;
}

/** A narrow letter's width at the size of details, px. */
const LETTER = 5.7;

/** As much of a module's detail as its drawing has room for: the generation goes first, then all but the rate. */
export function fittingDetail(detail: string, width: number): string {
  const fits = (text: string) => text.length * LETTER <= width - 10;
  const [first = '', ...rest] = detail.split(' ');
  const rate = first.includes('-') ? first.slice(first.indexOf('-') + 1) : first;
  const shorter = [detail, [rate, ...rest].join(' '), [rate, rest.at(-1) ?? ''].join(' ').trim(), rate];
  return shorter.find(fits) ?? '';
}
