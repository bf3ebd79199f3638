'use client';
import { ORIGINS } from '@/core/planning/model/lanes';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { ModelPicker } from './model-picker';
import type { OfferErrors, OfferTyped } from './offer-typed';

export const ORIGIN_TEXTS: Record<OfferTyped['origin'], string> = {
  original: 'original (the machine maker’s own part)',
  'third-party': 'third-party',
  used: 'used',
};

type Fields = Pick<OfferTyped, 'origin' | 'originalOf' | 'everyModel' | 'models' | 'unbound'>;

interface OriginFieldsProps {
  typed: Fields;
  errors: OfferErrors;
  onChange: (change: Partial<Fields>) => void;
}

/** Where a part comes from; of an original whose it is and which models it is for. */
export function OriginFields({ typed, errors, onChange }: OriginFieldsProps) {
  const { origin, originalOf, everyModel, models, unbound } = typed;
  const maker = originalOf.trim() === '' ? 'the maker' : originalOf.trim();
  return (
    <fieldset className="grid grid-cols-6 gap-x-3 gap-y-2 border-t border-line pt-2">
      <legend className="sr-only">Origin</legend>
      <Choice
        label="Origin"
        className="col-span-3"
        value={origin}
        onChange={(event) => onChange({ origin: event.target.value as OfferTyped['origin'] })}
        options={ORIGINS.map((value) => ({ value, text: ORIGIN_TEXTS[value] }))}
      />
      {origin === 'original' && (
        <>
          <Field
            label="Original of"
            className="col-span-3"
            placeholder="the machine maker"
            value={originalOf}
            error={errors.originalOf ?? null}
            onChange={(event) => onChange({ originalOf: event.target.value })}
          />
          <Check
            checked={everyModel}
            onChange={(every) => onChange({ everyModel: every })}
            className="col-span-6 min-h-9"
          >
            for all models of {maker} that take this kind of module
          </Check>
          {!everyModel && (
            <div className="col-span-6 grid gap-1">
              <ModelPicker
                label="For models"
                models={models}
                error={errors.models ?? null}
                onChange={(next) => onChange({ models: next })}
              />
              {unbound.map((said) => (
                <p key={said} className="text-sm text-mind flex items-baseline gap-2">
                  △ “{said}” is not in the library: choose the model above, or add it to the library later.
                  <Button
                    weight="quiet"
                    aria-label={`Ignore ${said}`}
                    onClick={() => onChange({ unbound: unbound.filter((one) => one !== said) })}
                  >
                    Ignore
                  </Button>
                </p>
              ))}
            </div>
          )}
        </>
      )}
    </fieldset>
  );
}
