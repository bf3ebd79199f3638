'use client';
import dynamic from 'next/dynamic';
import {
  cloneElement,
  type HTMLAttributes,
  type ReactElement,
  type ReactNode,
  useEffect,
  useId,
  useRef,
  useState,
} from 'react';

// What places a card is fetched when the first one is wanted: most screens never need it.
const TipCard = dynamic(() => import('./tip-card').then((module) => module.TipCard), { ssr: false });

type Handlers = Pick<
  HTMLAttributes<HTMLElement>,
  'onPointerEnter' | 'onPointerLeave' | 'onPointerDown' | 'onFocus' | 'onBlur' | 'aria-describedby'
>;

interface TipProps {
  /** what the tip is about: a button, so that it opens on focus as well as on hover */
  about: ReactElement<Handlers>;
  side: 'left' | 'bottom';
  /** the part of the page it is put into, so that it stays within its landmark */
  within: HTMLElement | null;
  children: ReactNode;
}

/** So long a pointer rests before the card comes, ms. */
const REST_MS = 250;
/** So long it may be on its way to the card, or to the next tip, ms. */
const LEAVE_MS = 150;
/** When the last card went: the next comes without a wait then. */
let lastGone = Number.NEGATIVE_INFINITY;
/** Puts away the card that is open: there is one at a time. */
let putAway = (): void => {};

/** More on something, on hover and focus; Escape puts it away. */
export function Tip({ about, side, within, children }: TipProps) {
  const id = useId();
  const [open, setOpen] = useState<HTMLElement | null>(null);
  const pressed = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);

  const later = (ms: number, what: () => void) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(what, ms);
  };
  const close = () => {
    clearTimeout(timer.current);
    if (open !== null) lastGone = performance.now();
    setOpen(null);
  };
  const show = (element: HTMLElement) => {
    putAway();
    putAway = () => setOpen(null);
    setOpen(element);
  };
  const own = about.props;
  const trigger = cloneElement(about, {
    ...(open !== null && { 'aria-describedby': id }),
    onPointerEnter: (event) => {
      own.onPointerEnter?.(event);
      const { currentTarget, pointerType } = event;
      if (pointerType === 'touch') return;
      later(performance.now() - lastGone < LEAVE_MS ? 0 : REST_MS, () => show(currentTarget));
    },
    onPointerLeave: (event) => {
      own.onPointerLeave?.(event);
      later(LEAVE_MS, close);
    },
    onPointerDown: (event) => {
      own.onPointerDown?.(event);
      // The focus that a press brings is no question.
      pressed.current = true;
      document.addEventListener(
        'pointerup',
        () => {
          pressed.current = false;
        },
        { once: true },
      );
      close();
    },
    onFocus: (event) => {
      own.onFocus?.(event);
      if (!pressed.current) show(event.currentTarget);
    },
    onBlur: (event) => {
      own.onBlur?.(event);
      close();
    },
  });
  return (
    <>
      {trigger}
      {open !== null && (
        <TipCard
          id={id}
          side={side}
          about={open}
          within={within}
          onStay={() => clearTimeout(timer.current)}
          onLeave={() => later(LEAVE_MS, close)}
          onClose={close}
        >
          {children}
        </TipCard>
      )}
    </>
  );
}
