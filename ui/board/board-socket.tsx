'use client';
import { useTranslations } from '#translations';
import type { SlotFacts } from '@/core/machine/slots/slot-facts';
import type { SlotChange } from '@/core/quoting/slot-changes';
import { Tip } from '../kit/tip';
import { takesOffer } from './dropped-offer';
import { FactsList } from './facts-list';
import { Socket, type SocketLook } from './socket';
import { socketWords } from './socket-words';
import { type BoardHands, isHeld } from './use-board-hands';

const disputed = (facts: SlotFacts | undefined): boolean =>
  facts?.values.some(({ against }) => against.length > 0) ?? false;

interface BoardSocketProps {
  change: SlotChange;
  /** a plan is shown beside today */
  planned: boolean;
  look: SocketLook;
  facts: SlotFacts | undefined;
  detail: string;
  fill: number | undefined;
  hands: BoardHands;
  /** does a press on it do anything? */
  isButton: boolean;
  /** what tells how modules are moved; undefined: they are not */
  hint: string | undefined;
  board: HTMLElement | null;
  onOffer: ((slot: string, offer: string) => void) | undefined;
}

/** One socket of the board, with what is known of it on hover and focus. */
export function BoardSocket(props: BoardSocketProps) {
  const t = useTranslations('board');
  const { change, planned, look, facts, detail, fill, hands, isButton, hint, board, onOffer } = props;
  const { slot } = change;
  const { carried, dragged } = hands;
  const words = socketWords(t, change, planned, { facts, fill, detail });
  const isDragged = dragged?.slot === slot;
  const button = (
    <button
      type="button"
      aria-label={`${words}. ${carried === null ? t('change') : t('putHere', { carried })}`}
      aria-describedby={hint}
      {...hands.of(change)}
      style={{ touchAction: hint !== undefined && isHeld(change) ? 'none' : undefined }}
      className={`absolute inset-0 cursor-pointer rounded-notch hover:outline-2 hover:outline-edge ${carried === slot ? 'outline-2 outline-dashed outline-act' : ''}`}
    />
  );
  // The drawing stands beside the button, not in it: the button's name says more than what is drawn.
  return (
    <li
      data-slot={slot}
      {...(onOffer !== undefined && !change.soldered && !change.blocked && takesOffer((offer) => onOffer(slot, offer)))}
      style={{ transform: isDragged ? `translate(${dragged.dx}px, ${dragged.dy}px)` : undefined }}
      className={`relative ${isDragged ? 'z-20 opacity-85' : ''}`}
    >
      <Socket change={change} look={look} detail={detail} disputed={disputed(facts)} fill={fill} />
      {!isButton ? (
        <span className="sr-only">{words}</span>
      ) : facts === undefined ? (
        button
      ) : (
        <Tip about={button} side="left" within={board}>
          <FactsList facts={facts} />
        </Tip>
      )}
    </li>
  );
}
