'use client';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Form } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { type OriginTyped, originFaults } from './offer-typed';
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

const ORIGINAL: OriginTyped = { origin: 'original', originalOf: '', everyModel: true, models: [], unbound: [] };

/** Says of all offers that are found where they come from. */
export function ManyOrigins({ wish, count, what, onClose, onSaved }: ManyOriginsProps) {
  const t = useTranslations('offers');
  const { save } = useSave();
  const typing = useTyped({
    from: ORIGINAL,
    read: (typed) =>
      readTyped<OriginTyped, object>(originFaults(t, typed), () => ({
        ...wish,
        seen: count,
        origin: typed.origin,
        originalOf: typed.originalOf.trim(),
        everyModel: typed.everyModel,
        modelIds: typed.models.map(({ id }) => id),
      })),
    send: async (body) => {
      const result = await save<{ changed: number; event: number }>('POST', '/api/offers/origin', body);
      if (result.ok) onSaved(t('origins.changed', { changed: result.value.changed }), result.value.event);
      return result;
    },
  });
  return (
    <Sheet open wide title={t('origins.title', { count })} description={what} onClose={onClose}>
      <Form typing={typing} action={t('origins.action')} onLeave={onClose}>
        <OriginFields />
      </Form>
    </Sheet>
  );
}
