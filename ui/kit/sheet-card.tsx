'use client';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { Button } from './button';
import type { SheetProps } from './sheet-props';

/** A sheet that is open. What was typed on it and not sent is not lost by a slip: leaving it is asked about then. */
export function SheetCard({ title, description, onClose, wide = false, children }: Omit<SheetProps, 'open'>) {
  const card = useRef<HTMLDivElement>(null);
  const [isAsking, setAsking] = useState(false);
  const leave = () => {
    const isDirty = card.current?.querySelector('form[data-dirty]') != null;
    if (isDirty && !isAsking) setAsking(true);
    else onClose?.();
  };
  return (
    <Dialog.Root open onOpenChange={(next) => !next && leave()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/45 z-40" />
        <Dialog.Content
          ref={card}
          {...(description === undefined ? { 'aria-describedby': undefined } : {})}
          className={`fixed z-50 left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2 ${wide ? 'w-[min(46rem,calc(100vw-2rem))]' : 'w-[min(34rem,calc(100vw-2rem))]'} max-h-[calc(100dvh-2rem)] overflow-auto bg-sheet text-ink border border-edge rounded-notch p-5 shadow-xl`}
        >
          <Dialog.Title className="text-lg mb-1">{title}</Dialog.Title>
          {description !== undefined && (
            <Dialog.Description className="text-ink-2 mb-3">{description}</Dialog.Description>
          )}
          {children}
          {isAsking && <Leaving onStay={() => setAsking(false)} onLeave={() => onClose?.()} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What was typed is not saved: go on with it, or let it go. */
function Leaving({ onStay, onLeave }: { onStay: () => void; onLeave: () => void }) {
  const t = useTranslations('frame');
  return (
    <div
      role="alert"
      className="sticky bottom-0 mt-3 border-2 border-mind bg-sheet rounded-notch px-3 py-2 flex flex-wrap items-center gap-2"
    >
      <span className="mr-auto font-medium">{t('notSaved')}</span>
      <Button weight="quiet" onClick={onLeave}>
        {t('discard')}
      </Button>
      <Button autoFocus onClick={onStay}>
        {t('goOn')}
      </Button>
    </div>
  );
}
