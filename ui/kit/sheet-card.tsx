'use client';
import { Dialog } from 'radix-ui';
import type { SheetProps } from './sheet-props';

/** A sheet that is open. */
export function SheetCard({ title, description, onClose, wide = false, children }: Omit<SheetProps, 'open'>) {
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose?.()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/45 z-40" />
        <Dialog.Content
          {...(description === undefined ? { 'aria-describedby': undefined } : {})}
          className={`fixed z-50 left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2 ${wide ? 'w-[min(46rem,calc(100vw-2rem))]' : 'w-[min(34rem,calc(100vw-2rem))]'} max-h-[calc(100dvh-2rem)] overflow-auto bg-sheet text-ink border border-edge rounded-notch p-5 shadow-xl`}
        >
          <Dialog.Title className="text-lg mb-1">{title}</Dialog.Title>
          {description !== undefined && (
            <Dialog.Description className="text-ink-2 mb-3">{description}</Dialog.Description>
          )}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
