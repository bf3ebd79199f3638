'use client';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

export interface TipCardProps {
  id: string;
  side: 'left' | 'bottom';
  about: HTMLElement;
  within: HTMLElement | null;
  onStay: () => void;
  onLeave: () => void;
  onClose: () => void;
  children: ReactNode;
}

const pass = (event: Event) => event.preventDefault();

/** What a tip says, beside what it is about. */
export function TipCard({ id, side, about, within, onStay, onLeave, onClose, children }: TipCardProps) {
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={{ current: about }} />
      <Popover.Portal container={within}>
        <Popover.Content
          id={id}
          role="tooltip"
          side={side}
          align="start"
          sideOffset={side === 'left' ? 10 : 4}
          collisionPadding={8}
          // The focus stays on what the tip is about.
          onOpenAutoFocus={pass}
          onCloseAutoFocus={pass}
          onFocusOutside={pass}
          onPointerEnter={onStay}
          onPointerLeave={onLeave}
          className="z-30 max-w-[34rem] bg-sheet text-ink border border-edge rounded-notch px-3 py-2 shadow-xl text-sm"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
