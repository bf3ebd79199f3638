'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useFind } from '../intake/use-find';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import type { PickedModel } from './offer-typed';

interface ModelPickerProps {
  label: string;
  models: readonly PickedModel[];
  onChange: (models: readonly PickedModel[]) => void;
  error?: string | null;
}

/** Models of the library, found as one types; those chosen stand beneath. */
export function ModelPicker({ label, models, onChange, error = null }: ModelPickerProps) {
  const t = useTranslations('offers');
  const [text, setText] = useState('');
  const found = useFind(text.trim() === '' ? null : text, 0).models.filter(
    ({ id }) => !models.some((chosen) => chosen.id === id),
  );
  const add = (model: PickedModel) => {
    onChange([...models, model]);
    setText('');
  };
  const named = ({ id, maker, name, years }: (typeof found)[number]): PickedModel => ({
    id,
    name: `${maker} ${name}, ${years}`,
  });
  return (
    <div className="grid gap-1">
      <Field
        label={label}
        placeholder={t('models.find')}
        value={text}
        error={error}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          const [first] = found;
          if (event.key !== 'Enter' || text.trim() === '') return;
          event.preventDefault();
          if (first !== undefined) add(named(first));
        }}
      />
      {text.trim() !== '' && (
        <ul aria-label={t('models.found')} className="border border-line bg-sheet divide-y divide-line text-sm">
          {found.length === 0 && <li className="px-2.5 py-1.5 text-ink-2">{t('models.none')}</li>}
          {found.map((model) => (
            <li key={model.id}>
              <button
                type="button"
                className="w-full text-left px-2.5 py-1.5 hover:bg-act-soft"
                onClick={() => add(named(model))}
              >
                <span className="font-medium">
                  {model.maker} {model.name}
                </span>{' '}
                <span className="text-ink-2">
                  {model.years} · {model.memory}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {models.length > 0 && (
        <ul aria-label={t('models.chosen')} className="flex flex-wrap gap-x-3 gap-y-1 text-sm">
          {models.map((model) => (
            <li key={model.id} className="flex items-baseline gap-1 bg-act-soft px-2 py-0.5 rounded-notch">
              {model.name}
              <Button
                weight="quiet"
                aria-label={t('models.remove', { name: model.name })}
                onClick={() => onChange(models.filter(({ id }) => id !== model.id))}
              >
                ✕
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
