'use client';
import { useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Sheet } from '../kit/sheet';
import { NO_OFFER, type OfferErrors, type OfferTyped } from './offer-typed';
import { OriginFields } from './origin-fields';

interface ManyOriginsProps {
  /** what was looked for, and how many offers that is */
  wish: { text: string; jobId: number | null; familyId: number | null };
  count: number;
  /** what these offers are, in words */
  what: string;
  onClose: () => void;
  /** @param event by which it can be undone */
  onSaved: (sentence: string, event: number) => void;
}

/** Says of all offers that are found where they come from. */
export function ManyOrigins({ wish, count, what, onClose, onSaved }: ManyOriginsProps) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState<OfferTyped>({ ...NO_OFFER, origin: 'original', everyModel: true });
  const [errors, setErrors] = useState<OfferErrors>({});
  const keep = async () => {
    const { origin, originalOf, everyModel, models } = typed;
    const wrong: OfferErrors = {
      ...(origin === 'original' && originalOf.trim() === '' && { originalOf: 'Enter the machine maker.' }),
      ...(origin === 'original' &&
        !everyModel &&
        models.length === 0 && { models: 'Choose the models, or all of the maker’s.' }),
    };
    setErrors(wrong);
    if (Object.keys(wrong).length > 0) return;
    const result = await save<{ changed: number; event: number }>('POST', '/api/offers/origin', {
      ...wish,
      seen: count,
      origin,
      originalOf: originalOf.trim(),
      everyModel,
      modelIds: models.map(({ id }) => id),
    });
    if (result.ok) onSaved(`The origin of ${result.value.changed} offers is changed.`, result.value.event);
  };
  return (
    <Sheet open wide title={`Origin of ${count} offers`} description={what} onClose={onClose}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <OriginFields typed={typed} errors={errors} onChange={(change) => setTyped({ ...typed, ...change })} />
        <Fault sentence={sentence} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Change origin
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
