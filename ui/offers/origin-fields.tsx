'use client';
import { useController, useFormContext } from 'react-hook-form';
import { useTranslations } from '#translations';
import { ORIGINS } from '@/core/planning/model/lanes';
import { Button } from '../kit/button';
import { CheckField, ChoiceField, TextField } from '../kit/form/fields';
import { ModelPicker } from './model-picker';
import type { OfferTyped, OriginTyped, PickedModel } from './offer-typed';

export const ORIGIN_TEXTS = {
  original: 'origin.original',
  'third-party': 'origin.third-party',
  used: 'origin.used',
} as const satisfies Record<OfferTyped['origin'], string>;

/** Where a part comes from; of an original whose it is and which models it is for. They stand in a form that has `OriginTyped`. */
export function OriginFields() {
  const t = useTranslations('offers');
  const { watch } = useFormContext<OriginTyped>();
  const [origin, originalOf, everyModel] = watch(['origin', 'originalOf', 'everyModel']);
  const maker = originalOf.trim() === '' ? t('origin.maker') : originalOf.trim();
  return (
    <fieldset className="grid grid-cols-6 gap-x-3 gap-y-2 border-t border-line pt-2">
      <legend className="sr-only">{t('facts.origin')}</legend>
      <ChoiceField
        name="origin"
        label={t('facts.origin')}
        className="col-span-3"
        options={ORIGINS.map((value) => ({ value, text: t(ORIGIN_TEXTS[value]) }))}
      />
      {origin === 'original' && (
        <>
          <TextField
            name="originalOf"
            label={t('origin.of')}
            className="col-span-3"
            placeholder={t('origin.machineMaker')}
          />
          <CheckField name="everyModel" className="col-span-6 min-h-9">
            {t('origin.all', { maker })}
          </CheckField>
          {!everyModel && <ModelFields />}
        </>
      )}
    </fieldset>
  );
}

/** The models that a part is for, and those that were named for it and are none. */
function ModelFields() {
  const t = useTranslations('offers');
  const { watch, setValue } = useFormContext<OriginTyped>();
  const { field, fieldState } = useController<OriginTyped, 'models'>({ name: 'models' });
  const unbound = watch('unbound');
  return (
    <div className="col-span-6 grid gap-1">
      <ModelPicker
        label={t('origin.forModels')}
        models={field.value}
        error={fieldState.error?.message ?? null}
        onChange={(next: readonly PickedModel[]) => field.onChange(next)}
      />
      {unbound.map((said) => (
        <p key={said} className="text-sm text-mind flex items-baseline gap-2">
          {t.rich('origin.unknown', {
            said,
            e0: () => (
              <Button
                weight="quiet"
                aria-label={t('origin.ignoreOne', { said })}
                onClick={() =>
                  setValue(
                    'unbound',
                    unbound.filter((one) => one !== said),
                  )
                }
              >
                {t('origin.ignore')}
              </Button>
            ),
          })}
        </p>
      ))}
    </div>
  );
}
