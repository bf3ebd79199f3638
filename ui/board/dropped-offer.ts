import type { DragEvent } from 'react';

/** What an offer is called while it is dragged. */
export const OFFER_TYPE = 'application/x-fenbrik-offer';

/** Takes an offer that is dropped; everything else is passed over. */
export const takesOffer = (onOffer: (offer: string) => void) => ({
  onDragOver: (event: DragEvent) => {
    if (event.dataTransfer.types.includes(OFFER_TYPE)) event.preventDefault();
  },
  onDrop: (event: DragEvent) => {
    const offer = event.dataTransfer.getData(OFFER_TYPE);
    if (offer === '') return;
    event.preventDefault();
    event.stopPropagation();
    onOffer(offer);
  },
});
