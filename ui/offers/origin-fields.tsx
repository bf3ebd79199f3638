'use client';
import { useController, useFormContext } from 'react-hook-form';
import { ORIGINS } from '@/core/planning/model/lanes';
import { Button } from '../kit/button';
import { CheckField, ChoiceField, TextField } from '../kit/form/fields';
import { ModelPicker } from './model-picker';
import type { NamedModel, OfferTyped, OriginTyped } from './offer-typed';

export const ORIGIN_TEXTS: Record<OfferTyped['origin'], string> = {
  original: 'original (the machine maker’s own part)',
  'third-party': 'third-party',
  used: 'used',
};

/** Where a part comes from; of an original whose it is and which models it is for. They stand in a form that has `OriginTyped`. */
export function OriginFields() {
  const { watch } = useFormContext<OriginTyped>();
  const [origin, originalOf, everyModel] = watch(['origin', 'originalOf', 'everyModel']);
  const maker = originalOf.trim() === '' ? 'the maker' : originalOf.trim();
  return (
    <fieldset className="grid grid-cols-6 gap-x-3 gap-y-2 border-t border-line pt-2">
      <legend className="sr-only">Origin</legend>
      <ChoiceField
        name="origin"
        label="Origin"
        className="col-span-3"
        options={ORIGINS.map((value) => ({ value, text: ORIGIN_TEXTS[value] }))}
      />
      {origin === 'original' && (
        <>
          <TextField name="originalOf" label="Original of" className="col-span-3" placeholder="the machine maker" />
          <CheckField name="everyModel" className="col-span-6 min-h-9">
            for all models of {maker} that take this kind of module
          </CheckField>
          {!everyModel && <ModelFields />}
        </>
      )}
    </fieldset>
  );
}

/** The models that a part is for, and those that were named for it and are none. */
function ModelFields() {
  const { watch, setValue } = useFormContext<OriginTyped>();
  const { field, fieldState } = useController<OriginTyped, 'models'>({ name: 'models' });
  const unbound = watch('unbound');
  return (
    <div className="col-span-6 grid gap-1">
      <ModelPicker
        label="For models"
        models={field.value}
        error={fieldState.error?.message ?? null}
        onChange={(next: readonly NamedModel[]) => field.onChange(next)}
      />
      {unbound.map((said) => (
        <p key={said} className="text-sm text-mind flex items-baseline gap-2">
          △ “{said}” is not in the library: choose the model above, or add it to the library later.
          <Button
            weight="quiet"
            aria-label={`Ignore ${said}`}
            onClick={() =>
              setValue(
                'unbound',
                unbound.filter((one) => one !== said),
              )
            }
          >
            Ignore
          </Button>
        </p>
      ))}
    </div>
  );
}
