'use client';
import { useTranslations } from '#translations';
import type { OpeningStep } from '@/core/machine/models/model';
import type { StaffWords } from '@/words/staff-words';
import type { Called } from '../client/session-guard';
import { Button } from '../kit/button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';

/** A photograph of the model that a step may show. */
export interface StepPhoto {
  id: number;
  caption: string;
}

const text = (value: number | null | undefined): string => (value == null ? '' : String(value));

const typedStep = (step: OpeningStep) => ({
  text: step.text,
  tool: step.tool,
  fasteners: text(step.fasteners),
  length: text(step.lengthMm),
  unplug: step.unplug,
  caution: step.caution,
  minutes: text(step.minutes),
  photo: text(step.photo),
});
type TypedStep = ReturnType<typeof typedStep>;

/** A number of 0 or more; null: nothing is typed; undefined: it is none. */
const numberOrNull = (typed: string): number | null | undefined =>
  !isTyped(typed) ? null : /^\d+(?:[.,]\d+)?$/.test(typed.trim()) ? Number(typed.replace(',', '.')) : undefined;

/** The step that was typed, or what is wrong with it. */
function readStep(t: StaffWords<'models'>, typed: TypedStep): Read<TypedStep, OpeningStep> {
  const [fasteners, lengthMm, minutes] = [typed.fasteners, typed.length, typed.minutes].map(numberOrNull);
  const looked = {
    text: !isTyped(typed.text) && t('steps.faults.what'),
    fasteners: fasteners === undefined && t('steps.faults.screws'),
    length: lengthMm === undefined && t('steps.faults.length'),
    minutes: minutes === undefined && t('steps.faults.minutes'),
  };
  return readTyped<TypedStep, OpeningStep>(looked, () => ({
    text: typed.text.trim(),
    tool: typed.tool.trim(),
    fasteners: fasteners ?? null,
    lengthMm: lengthMm ?? null,
    minutes: minutes ?? null,
    unplug: typed.unplug.trim(),
    caution: typed.caution.trim(),
    photo: typed.photo === '' ? null : Number(typed.photo),
  }));
}

interface StepSheetProps {
  step: OpeningStep;
  isNew: boolean;
  photos: readonly StepPhoto[];
  onKeep: (step: OpeningStep) => Promise<Called<unknown>>;
  onRemove: () => Promise<Called<unknown>>;
  onClose: () => void;
}

/** One step of how a model is opened, to be changed. */
export function StepSheet({ step, isNew, photos, onKeep, onRemove, onClose }: StepSheetProps) {
  const t = useTranslations('models');
  const typing = useTyped<TypedStep, OpeningStep>({
    from: typedStep(step),
    read: (typed) => readStep(t, typed),
    send: onKeep,
  });
  const remove = (
    <Button weight="quiet" disabled={typing.busy} onClick={() => void typing.act(onRemove)}>
      {t('steps.remove')}
    </Button>
  );
  return (
    <Sheet open title={isNew ? t('steps.add') : t('steps.title')} onClose={onClose}>
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action={isNew ? t('add') : t('save')}
        onLeave={onClose}
        beside={!isNew && remove}
      >
        <TextField name="text" label={t('steps.what')} className="col-span-6" maxLength={300} autoFocus />
        <TextField name="tool" label={t('steps.tool')} className="col-span-3" maxLength={60} />
        <TextField name="unplug" label={t('steps.unplug')} className="col-span-3" maxLength={80} />
        <TextField name="fasteners" label={t('steps.screws')} className="col-span-2" inputMode="numeric" />
        <TextField name="length" label={t('steps.length')} unit="mm" className="col-span-2" inputMode="decimal" />
        <TextField name="minutes" label={t('steps.takes')} unit="min" className="col-span-2" inputMode="decimal" />
        <TextField name="caution" label={t('steps.caution')} className="col-span-6" maxLength={200} />
        <ChoiceField
          name="photo"
          label={t('steps.picture')}
          className="col-span-6"
          options={[
            { value: '', text: photos.length === 0 ? t('steps.noPicture') : 'none' },
            ...photos.map(({ id, caption }) => ({ value: String(id), text: caption || t('steps.photo', { id }) })),
          ]}
        />
      </Form>
    </Sheet>
  );
}
