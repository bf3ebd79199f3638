import type { SlotFacts } from '@/core/machine/slots/slot-facts';
import type { SlotChange } from '@/core/quoting/slot-changes';
import type { StaffWords } from '@/words/staff-words';
import { capacityText } from '../words/amounts';
import type { BarLook } from './module-bar';

export interface Drawn {
  look: BarLook;
  text: string;
}

/** What a socket holds today, as it is drawn. */
export function nowDrawn(t: StaffWords<'board'>, change: SlotChange): Drawn {
  if (change.soldered) return { look: 'soldered', text: change.now === null ? '?' : capacityText(change.now) };
  if (change.blocked) return { look: 'blocked', text: t('drawn.blocked') };
  if (!change.nowKnown) return { look: 'asked', text: t('howMuch') };
  if (change.now === null) return { look: 'empty', text: t('drawn.empty') };
  if (change.rateAsked) return { look: 'asked', text: t('noRate', { now: capacityText(change.now) }) };
  const gone = change.leaves === 'out' || change.leaves === 'moves';
  return { look: gone ? 'leaving' : 'fitted', text: capacityText(change.now) };
}

/** What it holds after the plan, as it is drawn. */
export function afterDrawn(t: StaffWords<'board'>, change: SlotChange): Drawn {
  if (change.soldered || change.blocked) return nowDrawn(t, change);
  if (change.after === null) return { look: 'empty', text: t('drawn.free') };
  const size = capacityText(change.after);
  if (change.comes === 'new') return { look: 'new', text: t('drawn.new', { size }) };
  return { look: 'fitted', text: change.comes === 'moves' ? t('drawn.moved', { size }) : size };
}

/** Does the plan leave the socket as it is? */
export const unchanged = ({ soldered, blocked, leaves, comes }: SlotChange): boolean =>
  soldered || blocked || comes === 'stays' || (leaves === null && comes === 'empty');

export const KEEP_FLAGS = { must: 'flags.must', never: 'flags.never' } as const;

/** A socket in words, for those who do not see it drawn. */
export function socketWords(
  t: StaffWords<'board'>,
  change: SlotChange,
  planned: boolean,
  more: { facts?: SlotFacts | undefined; fill?: number | undefined; detail?: string | undefined },
): string {
  const now = change.now === null ? (change.nowKnown ? t('drawn.empty') : t('unknownSize')) : capacityText(change.now);
  const known = change.now !== null && more.detail !== undefined && more.detail !== '' ? ` ${more.detail}` : '';
  const what = change.blocked ? t('drawn.blocked') : `${now}${known}`;
  const parts = [
    t('says.slot', {
      slot: change.slot,
      channel: change.channel,
      value: change.soldered ? t('says.soldered') : '',
      what,
    }),
    change.rateAsked ? t('says.noRate') : '',
    change.lidName === null ? '' : t('says.lid', { lidName: change.lidName }),
    change.now !== null && change.keep === 'must' ? t('says.must') : '',
    change.now !== null && change.keep === 'never' ? t('says.never') : '',
    more.fill === undefined ? '' : t('says.fill', { fill: more.fill }),
    planned && !unchanged(change) ? t('says.after', { change: afterDrawn(t, change).text }) : '',
  ];
  const disagree = more.facts?.values
    .filter(({ against }) => against.length > 0)
    .map(({ label }) => label.toLowerCase());
  const dispute =
    disagree === undefined || disagree.length === 0 ? '' : t('says.disagree', { value: disagree.join(', ') });
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
