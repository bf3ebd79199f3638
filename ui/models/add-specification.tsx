'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Sheet } from '../kit/sheet';
import { type PastedSpecification, SpecificationPicker, takenClaims } from '../limits/specification-picker';

interface AddSpecificationProps {
  model: { id: number; name: string };
  onClose: () => void;
}

/** Limits of a pasted specification for a model: each is taken, changed or left. */
export function AddSpecification({ model, onClose }: AddSpecificationProps) {
  const t = useTranslations('models');
  const { busy, sentence, save } = useSave();
  const [pasted, setPasted] = useState<PastedSpecification | null>(null);
  const claims = pasted === null ? [] : takenClaims(pasted);
  const add = async () => {
    if (pasted === null) return;
    const source = { ...pasted.source, name: pasted.source.name.trim() };
    const result = await save('POST', `/api/models/${model.id}/specification`, { source, claims });
    if (result.ok) onClose();
  };
  return (
    <Sheet open wide title={t('spec.title')} description={t('spec.what', { name: model.name })} onClose={onClose}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <SpecificationPicker pasted={pasted} onChange={setPasted} />
        <Fault sentence={sentence} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('cancel')}</Button>
          <Button
            weight="act"
            type="submit"
            disabled={busy || claims.length === 0 || pasted?.source.name.trim() === ''}
          >
            {claims.length === 1 ? t('spec.addOne') : t('spec.add', { claims: claims.length })}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
