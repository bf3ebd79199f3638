'use client';
import { Tooltip } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

interface TipProps {
  /** what the tip is about: a button, so that it opens on focus as well as on hover */
  about: ReactElement;
  side: 'left' | 'bottom';
  /** the part of the page it is put into, so that it stays within its landmark */
  within: HTMLElement | null;
  children: ReactNode;
}

/** More on something, on hover and focus; Escape puts it away. Stands within {@link Tips}. */
export function Tip({ about, side, within, children }: TipProps) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{about}</Tooltip.Trigger>
      <Tooltip.Portal container={within}>
        <Tooltip.Content
          side={side}
          align="start"
          sideOffset={side === 'left' ? 10 : 4}
          collisionPadding={8}
          className="z-30 max-w-[34rem] bg-sheet text-ink border border-edge rounded-notch px-3 py-2 shadow-xl text-sm"
        >
          {children}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}

/** Tips that open one after the other without a wait. */
export function Tips({ children }: { children: ReactNode }) {
  return <Tooltip.Provider delayDuration={250}>{children}</Tooltip.Provider>;
}
